import fc from 'fast-check';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, runAll } from '../../../../tests/random-commands';
import { apply } from '../commands/apply';
import type { Step } from '../commands/commands';
import { serialiseBrand, type Brand } from '../document/document';
import { restoreCommand } from './restore';

const restored = (now: Brand, then: Brand) => {
  const command = restoreCommand(now, then, 'Restore release 1');
  const applied = command ? apply(now, command) : ({ ok: true, brand: now } as const);
  if (!applied.ok) throw new Error(applied.refusal);
  return applied;
};

test('whatever was done since, a brand becomes what it was, by one change that can be undone', () => {
  const some = fc.array(anyCommand, { maxLength: 30 });
  fc.assert(
    fc.property(some, some, (first, second) => {
      const then = runAll(partOfDemo, first).brand;
      const now = runAll(then, second).brand;
      // There and, as from a release that is newer, back again.
      for (const [from, to] of [
        [now, then],
        [then, now],
      ] as const) {
        const applied = restored(from, to);
        expect(serialiseBrand(applied.brand)).toBe(serialiseBrand(to));
        const undone = 'inverse' in applied ? apply(applied.brand, applied.inverse) : applied;
        expect(undone.ok && serialiseBrand(undone.brand)).toBe(serialiseBrand(from));
        expect(restoreCommand(to, to, 'Nothing')).toBeNull();
      }
    }),
    { numRuns: 60 },
  );
});

test('paths that were changed with each other, a locked swatch and a ring of other references come back', () => {
  const [one, two] = partOfDemo.tokens;
  const swatch = partOfDemo.palettes[0]!.swatches[0]!;
  const then = {
    ...partOfDemo,
    palettes: partOfDemo.palettes.map((palette, at) =>
      at > 0 ? palette : { ...palette, swatches: palette.swatches.map((each, n) => (n > 0 ? each : { ...each, locked: true })) },
    ),
  };
  const since = apply(then, {
    label: '',
    steps: [
      { do: 'token.edit', id: one!.id, set: { path: two!.path } },
      { do: 'token.edit', id: two!.id, set: { path: one!.path } },
      { do: 'swatch.edit', id: swatch.id, set: { locked: false, value: '#123456' } },
      { do: 'swatch.edit', id: swatch.id, set: { locked: true } },
    ],
  });
  if (!since.ok) throw new Error(since.refusal);
  expect(serialiseBrand(restored(since.brand, then).brand)).toBe(serialiseBrand(then));
});

test('what somebody made since stays, what they changed is not overwritten, and an order that leaves something out is refused', () => {
  const [palette] = partOfDemo.palettes;
  const [first, second] = palette!.swatches;
  const done = (brand: Brand, steps: Step[]) => apply(brand, { label: '', steps });
  const then = partOfDemo;
  const since = done(then, [
    { do: 'swatch.edit', id: first!.id, set: { name: 'Another' } },
    { do: 'swatch.move', ids: [second!.id], palette: palette!.id, before: null },
  ]);
  if (!since.ok) throw new Error(since.refusal);
  const restore = restoreCommand(since.brand, then, 'Restore')!;
  // Somebody added one meanwhile.
  const swatch = { id: 'since', name: 'Since', value: '#123456', locked: false };
  const added = done(since.brand, [{ do: 'swatch.add', palette: palette!.id, swatches: [swatch], before: first!.id }]);
  if (!added.ok) throw new Error(added.refusal);
  const result = apply(added.brand, restore);
  expect(result.ok && result.brand.palettes[0]!.swatches.map(({ id }) => id)).toEqual([
    'since',
    ...palette!.swatches.map(({ id }) => id),
  ]);
  const renamed = done(since.brand, [{ do: 'swatch.edit', id: first!.id, set: { name: 'Mine' } }]);
  expect(renamed.ok && apply(renamed.brand, restore)).toMatchObject({
    ok: false,
    refusal: expect.stringContaining('has been changed since'),
  });
  const [step] = restore.steps as [Extract<Step, { do: 'brand.restore' }>];
  const orders = step.difference.orders.map((order) => ({ ...order, now: order.now.slice(1) }));
  const short = done(since.brand, [{ ...step, difference: { ...step.difference, orders } }]);
  expect(short).toMatchObject({ ok: false, refusal: expect.stringContaining('where everything is to stand') });
});
