import fc from 'fast-check';
import { apply } from './apply';
import { serialiseBrand } from './document';
import { enqueue, receive, withdraw, type Change, type Replica } from './replica';
import { partOfDemo } from '../../../tests/part-of-demo';
import { anyCommand, commandFor } from '../../../tests/random-commands';

test('two pages that edit at once end with the server’s document, whatever the order their commands arrive in', () => {
  const moves = fc.array(fc.tuple(fc.constantFrom('edit', 'send', 'hear'), fc.constantFrom(0, 1), anyCommand), { maxLength: 60 });
  fc.assert(
    fc.property(moves, (play) => {
      const log: Change[] = [];
      let server = partOfDemo;
      const pages: Replica[] = [0, 1].map(() => ({ seq: 0, confirmed: partOfDemo, pending: [], brand: partOfDemo }));
      const sent = [new Set<string>(), new Set<string>()];
      let key = 0;
      const send = (page: number) => {
        const next = pages[page]!.pending.find((pending) => !sent[page]!.has(pending.key));
        if (!next) return;
        sent[page]!.add(next.key);
        const applied = apply(server, next.command);
        if (applied.ok) {
          server = applied.brand;
          log.push({ ...next, seq: log.length + 1 });
        } else pages[page] = withdraw(pages[page]!, next.key).replica;
      };
      const hear = (page: number) => {
        const change = log[pages[page]!.seq];
        if (change) pages[page] = receive(pages[page]!, change)!.replica;
      };
      for (const [what, page, pick] of play) {
        if (what === 'send') send(page);
        else if (what === 'hear') hear(page);
        else {
          const result = enqueue(pages[page]!, { key: `k${key++}`, command: commandFor(pages[page]!.brand, pick) });
          if ('replica' in result) pages[page] = result.replica;
        }
      }
      for (let round = 0; round < 200; round++) [0, 1].forEach((page) => (send(page), hear(page)));
      for (const page of pages) {
        expect(page.pending).toEqual([]);
        expect(serialiseBrand(page.brand)).toBe(serialiseBrand(server));
        expect(serialiseBrand(page.confirmed)).toBe(serialiseBrand(server));
      }
    }),
    { numRuns: 100 },
  );
});

test('a change that comes twice is passed over, and a gap is noticed', () => {
  const command = { label: 'x', steps: [{ do: 'brand.edit' as const, set: { name: 'Other' } }] };
  const page: Replica = { seq: 4, confirmed: partOfDemo, pending: [], brand: partOfDemo };
  expect(receive(page, { seq: 4, key: 'a', command })?.replica).toBe(page);
  expect(receive(page, { seq: 6, key: 'a', command })).toBeNull();
  expect(receive(page, { seq: 5, key: 'a', command })?.replica.brand.name).toBe('Other');
});
