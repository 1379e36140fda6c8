/** What a template or a large brand can cost the server: a bounded while of a process of its own, and nobody else's time. */
import { asRequest, noteSender } from '@/server/http/request-log';
import { Writer } from '@/server/writing/writer';
import type { Brand } from '@/core/brand/document/document';
import { demo } from '../harsh-brand';
import { startTestServer, Visitor } from '../test-server';

/** Loops that take all the time that a template may, a second each. */
const SLOW = '{% for a in (1..90000) %}{% for b in (1..90000) %}{% endfor %}{% endfor %}';
/** Lists within what a template may gather, which take more memory than the process has in the test below. */
const LARGE = '{% assign a = (1..9000000) %}{% assign b = (1..9000000) %}{{ a | size }}{{ b | size }}';
const slow = (at: number) => ({
  id: `slow${at}`,
  name: `Slow ${at}`,
  format: 'template',
  options: { source: SLOW, file: `slow-${at}.txt` },
});
const shippingSlowly = (id: string, count: number): Brand => ({
  ...demo,
  id,
  destinations: Array.from({ length: count }, (_, at) => slow(at)),
});

describe('a writer', () => {
  const writers: Writer[] = [];
  const made = (seconds: number, megabytes = 512) => {
    const one = new Writer({ seconds, megabytes });
    writers.push(one);
    return one;
  };
  afterEach(async () => {
    await Promise.all(writers.splice(0).map((one) => one.close()));
  });

  test('ends what takes too long or too much by force, and goes on', async () => {
    const long = made(0.5);
    await expect(long.write('release', { brand: shippingSlowly('long', 9), seq: 1 }, {})).rejects.toThrow(
      'Writing these files takes longer than 0.5 seconds and was stopped',
    );
    const large = { ...demo, destinations: [{ ...slow(0), options: { source: LARGE } }] };
    await expect(made(60, 48).write('release', { brand: large, seq: 1 }, {})).rejects.toThrow(
      'takes more than 48 MB and was stopped',
    );
    const small = made(60);
    await expect(small.write('weight', { brand: demo, seq: 1 }, { destination: 'd-site', group: '' })).resolves.toMatchObject({
      parts: expect.any(Array),
    });
  });

  test('writes one thing at a time for a brand, the same once, and no brand waits for another’s queue', async () => {
    const one = made(60);
    const order: string[] = [];
    const ask = (brand: string, seq: number) =>
      one.write('release', { brand: shippingSlowly(brand, 1), seq }, {}).then(
        ({ stops }) => order.push(`${brand} ${seq} ${stops === null}`),
        (error: Error) => order.push(`${brand} ${seq} ${error.message}`),
      );
    const many = Array.from({ length: 6 }, (_, at) => ask('busy', at + 1));
    const again = ask('busy', 1);
    await ask('other', 1);
    // Of the busy one, one is being written, four wait, the sixth is refused at once.
    expect(order[0]).toBe('busy 6 Many files are being written just now; try again in a moment.');
    expect(order.filter((entry) => entry.startsWith('busy')).length).toBeLessThanOrEqual(3);
    await Promise.all([...many, again]);
    expect(order.filter((entry) => entry.startsWith('busy 1 '))).toHaveLength(2);
    expect(order.filter((entry) => entry.endsWith('false'))).toHaveLength(7);
  });

  test('one person with many brands has one process at a time, and keeps nobody else waiting', async () => {
    const one = made(60);
    const order: string[] = [];
    const ask = (person: string, brand: string) =>
      asRequest(brand, () => {
        noteSender(person);
        return one.write('release', { brand: shippingSlowly(brand, 1), seq: 1 }, {}).then(
          () => order.push(brand),
          (error: Error) => order.push(`${brand}: ${error.message}`),
        );
      });
    const many = ['a', 'b', 'c', 'd', 'e', 'f'].map((brand) => ask('ida', brand));
    await ask('oren', 'z');
    // One of hers is being written, four wait, the sixth is refused at once; his is written beside hers.
    expect(order[0]).toBe('f: Many files are being written just now; try again in a moment.');
    expect(order.indexOf('z')).toBeLessThanOrEqual(2);
    await Promise.all(many);
    expect(order.slice(1).filter((brand) => brand !== 'z')).toEqual(['a', 'b', 'c', 'd', 'e']);
  });
});

test('while a template runs that takes all the time it may, everybody goes on working', async () => {
  const server = await startTestServer('writer');
  try {
    const [ida, wim] = [await Visitor.demo(server, 'ida'), await Visitor.demo(server, 'wim')];
    await ida.change([slow(1), slow(2)].map((destination) => ({ do: 'destination.add', destination, before: null })));
    const { seq } = (await ida.send('GET', '/api/brands/quillhaven')).body;
    let done = false;
    const releasing = ida.send('POST', '/api/brands/quillhaven/releases', { seq, note: '' }).finally(() => (done = true));
    // Answered one after another, all before the writing has come to its end.
    for (let n = 0; n < 10; n++) {
      expect((await wim.send('GET', '/api/brands/quillhaven')).status).toBe(200);
      expect((await ida.change([{ do: 'swatch.edit', id: 'core-foam', set: { value: `rgb(${n} 0 0)` } }])).status).toBe(200);
    }
    expect(done).toBe(false);
    expect(await releasing).toMatchObject({
      status: 409,
      body: { error: expect.stringContaining('runs for more than 1 second') },
    });
  } finally {
    await server.close();
  }
});
