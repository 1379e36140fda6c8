import { reach } from './way-out';

jest.mock('node:dns/promises', () => ({ lookup: () => new Promise(() => {}) }));
jest.mock('../people/audit', () => ({ writeDownOf: () => Promise.resolve() }));

test('a name that nobody finishes looking up takes no longer than anything else may', async () => {
  Object.assign(process.env, { BREAKWATER_DATABASE_URL: 'postgres://127.0.0.1:1/none', BREAKWATER_SECRET: 'x'.repeat(40) });
  const bound = new AbortController();
  jest.spyOn(AbortSignal, 'timeout').mockReturnValue(bound.signal);
  const asked = reach(
    { brand: 'quillhaven', by: { id: null, name: 'Breakwater' } },
    { address: 'https://slow.example/', most: 1024 },
  );
  bound.abort();
  await expect(asked).rejects.toThrow('slow.example did not answer whole within 10 seconds');
});
