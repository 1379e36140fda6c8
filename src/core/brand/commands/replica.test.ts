import fc from 'fast-check';
import { apply } from './apply';
import type { Command } from './commands';
import { emptyBrand, serialiseBrand, type Brand } from '../document/document';
import { enqueue, receive, withdraw, type Change, type Replica } from './replica';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, commandFor } from '../../../../tests/random-commands';

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

describe('a page that waits for the server', () => {
  const swatches = ['a', 'b'].map((id) => ({ id, name: id, value: '#111111', locked: false }));
  const small: Brand = { ...emptyBrand('b', 'Few'), palettes: [{ id: 'p', name: 'P', kind: 'loose', swatches }] };
  const rename = (name: string): Command => ({ label: 'x', steps: [{ do: 'brand.edit', set: { name } }] });
  const edit = (id: string, value: string): Command => ({ label: 'x', steps: [{ do: 'swatch.edit', id, set: { value } }] });
  const start: Replica = { seq: 0, confirmed: small, pending: [], brand: small };
  const enqueued = (replica: Replica, key: string, what: Command): Replica => {
    const result = enqueue(replica, { key, command: what });
    if ('refusal' in result) throw new Error(result.refusal);
    return result.replica;
  };

  test('shows its own commands at once, with what takes them back, and refuses with a sentence', () => {
    const result = enqueue(start, { key: 'k', command: rename('New') });
    expect(result).toMatchObject({
      replica: { seq: 0, pending: [{ key: 'k' }], brand: { name: 'New' } },
      inverse: { steps: [{ set: { name: 'Few' } }] },
    });
    expect(enqueue(start, { key: 'k', command: edit('gone', '#fff') })).toEqual({
      refusal: 'That swatch is no longer there; somebody may have deleted it.',
    });
  });

  test('keeps the others when one is confirmed or taken out, and says which no longer apply', () => {
    const two = enqueued(enqueued(start, 'k1', rename('One')), 'k2', edit('a', '#abcdef'));
    const heard = receive(two, { seq: 1, key: 'k1', command: rename('One') })!;
    expect([heard.replica.pending.map(({ key }) => key), heard.replica.brand.name, heard.dropped]).toEqual([['k2'], 'One', []]);
    const out = withdraw(two, 'k1');
    expect([out.replica.pending.map(({ key }) => key), out.replica.brand.name, out.replica.seq]).toEqual([['k2'], 'Few', 0]);
    // Somebody deleted what the second would edit.
    const gone = receive(two, { seq: 1, key: 'theirs', command: { label: 'x', steps: [{ do: 'swatch.remove', ids: ['a'] }] } })!;
    expect(gone.replica.pending.map(({ key }) => key)).toEqual(['k1']);
    expect(gone.dropped).toEqual([
      { pending: two.pending[1], refusal: 'That swatch is no longer there; somebody may have deleted it.' },
    ]);
    expect(gone.replica.brand.name).toBe('One');
  });

  test('its first command confirmed leaves what is shown as it is, however many wait behind it', () => {
    let page: Replica = { seq: 0, confirmed: partOfDemo, pending: [], brand: partOfDemo };
    const renamed = (name: string) => ({ label: 'Rename', steps: [{ do: 'brand.edit' as const, set: { name } }] });
    for (const name of ['A', 'B', 'C']) {
      const done = enqueue(page, { key: name, command: renamed(name) });
      page = (done as { replica: Replica }).replica;
    }
    const taken = receive(page, { seq: 1, ...page.pending[0]! })!;
    expect(taken.replica.brand).toBe(page.brand);
    expect([taken.replica.confirmed.name, taken.replica.pending.map(({ key }) => key)]).toEqual(['A', ['B', 'C']]);
  });

  test('its only command confirmed leaves the document that is shown as it is', () => {
    const one = enqueued(start, 'k1', rename('One'));
    const { replica } = receive(one, { seq: 1, key: 'k1', command: rename('One') })!;
    expect([replica.brand === one.brand, replica.confirmed === one.brand, replica.pending, replica.seq]).toEqual([
      true,
      true,
      [],
      1,
    ]);
    expect(() => receive(start, { seq: 1, key: 'x', command: edit('gone', '#fff') })).toThrow(
      'Change 1 does not apply to the confirmed brand',
    );
  });
});
