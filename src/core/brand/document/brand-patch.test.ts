import fc from 'fast-check';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, runAll } from '../../../../tests/random-commands';
import { apply } from '../commands/apply';
import { brandPatch, patched } from './brand-patch';

test('any state of a brand is made of any other, also of one that came by message', () => {
  const commands = fc.array(anyCommand, { maxLength: 25 });
  fc.assert(
    fc.property(commands, commands, (one, two) => {
      const then = runAll(partOfDemo, one).brand;
      const now = runAll(then, two).brand;
      for (const [from, to] of [
        [then, now],
        [now, then],
      ] as const) {
        const patch = brandPatch(from, to);
        if (patch === null) expect(from).toBe(to);
        else expect(patched(structuredClone(from), structuredClone(patch))).toEqual(to);
      }
    }),
  );
});

test('an edit of a swatch sends that swatch, and everything else stays the same object', () => {
  const palette = partOfDemo.palettes.find(({ swatches }) => swatches.length > 2)!;
  const [first, second] = palette.swatches;
  const result = apply(partOfDemo, {
    label: 'x',
    steps: [
      { do: 'swatch.edit', id: first!.id, set: { locked: false } },
      { do: 'swatch.edit', id: first!.id, set: { value: '#123456' } },
    ],
  });
  if (!result.ok) throw new Error(result.refusal);
  const patch = brandPatch(partOfDemo, result.brand)!;
  expect(JSON.stringify(patch).length).toBeLessThan(600);
  const next = patched(partOfDemo, patch);
  expect(next.tokens).toBe(partOfDemo.tokens);
  expect(next.palettes.find(({ id }) => id === palette.id)!.swatches[1]).toBe(second);
  expect(brandPatch(partOfDemo, partOfDemo)).toBeNull();
});
