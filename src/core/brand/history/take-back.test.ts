import fc from 'fast-check';
import { partOfDemo } from '../../../../tests/part-of-demo';
import { anyCommand, runAll } from '../../../../tests/random-commands';
import { apply } from '../commands/apply';
import type { Step } from '../commands/commands';
import { compareBrands } from './compare';
import { Brand } from '../document/document';
import { takeBack } from './take-back';

const taken = (now: Brand, then: Brand, ids: readonly string[]): Brand | string => {
  const result = takeBack(now, then, new Set(ids), 'Take back');
  if ('problem' in result) return result.problem;
  if (!result.command) return now;
  const applied = apply(now, result.command);
  if (!applied.ok) throw new Error(applied.refusal);
  return applied.brand;
};
const differing = (one: Brand, two: Brand) => compareBrands(one, two).map(({ id }) => id);

test('whatever was done since: all of it taken back is what was then, and some of it is that and no more', () => {
  const some = fc.array(anyCommand, { maxLength: 25 });
  let alone = 0;
  fc.assert(
    fc.property(some, some, fc.infiniteStream(fc.boolean()), (first, second, dice) => {
      const then = runAll(partOfDemo, first).brand;
      const now = runAll(then, second).brand;
      const all = differing(now, then);
      const whole = taken(now, then, all);
      if (typeof whole === 'string') throw new Error(whole);
      // A swatch that was moved to another palette stays there, and only the order of the two is not as it was.
      const palettes = new Set(then.palettes.map(({ id }) => id));
      expect(differing(whole, then).filter((id) => !palettes.has(id))).toEqual([]);
      const ids = all.filter(() => dice.next().value);
      const part = taken(now, then, ids);
      if (typeof part === 'string') return;
      alone++;
      expect(Brand.safeParse(part).success).toBe(true);
      const left = new Set(differing(part, then));
      expect(ids.filter((id) => left.has(id) && !palettes.has(id))).toEqual([]);
      // Nothing became another that was the same today and then.
      expect(differing(now, part).filter((id) => !all.includes(id))).toEqual([]);
    }),
    { numRuns: 100 },
  );
  expect(alone).toBeGreaterThan(30);
});

const after = (brand: Brand, ...steps: Step[]): Brand => {
  const applied = apply(brand, { label: 'Test', steps });
  if (!applied.ok) throw new Error(applied.refusal);
  return applied.brand;
};

test('a token comes back with the swatch it stood for, at its place; the rest stays as it is today', () => {
  const token = partOfDemo.tokens.find(({ values }) => Object.values(values).some((value) => 'swatch' in value))!;
  const value = Object.values(token.values).find((each) => 'swatch' in each) as { swatch: string };
  const others = partOfDemo.tokens
    .filter(({ values }) => Object.values(values).some((each) => 'swatch' in each && each.swatch === value.swatch))
    .map(({ id }) => id);
  const now = after(
    partOfDemo,
    ...others.map((id): Step => ({
      do: 'token.set',
      id,
      set: Object.fromEntries(partOfDemo.themes.map((theme) => [theme.id, { colour: '#123456' }])),
    })),
    { do: 'swatch.remove', ids: [value.swatch] },
    { do: 'brand.edit', set: { name: 'Today' } },
  );
  const back = taken(now, partOfDemo, [token.id]);
  if (typeof back === 'string') throw new Error(back);
  expect(back.name).toBe('Today');
  expect(back.tokens.find(({ id }) => id === token.id)).toEqual(token);
  expect(back.palettes.map(({ swatches }) => swatches.map(({ id }) => id))).toEqual(
    partOfDemo.palettes.map(({ swatches }) => swatches.map(({ id }) => id)),
  );
});

test('what others stand on cannot be taken away alone, and that is said', () => {
  const swatch = { id: 'fresh', name: 'Fresh', value: '#abcdef', locked: false };
  const [theme] = partOfDemo.themes;
  const now = after(
    partOfDemo,
    { do: 'swatch.add', palette: partOfDemo.palettes[0]!.id, swatches: [swatch], before: null },
    { do: 'token.set', id: partOfDemo.tokens[0]!.id, set: { [theme!.id]: { swatch: 'fresh' } } },
  );
  expect(taken(now, partOfDemo, ['fresh'])).toMatch(
    /^This cannot be taken back alone\. .* points at a swatch that is not there\.$/,
  );
});
