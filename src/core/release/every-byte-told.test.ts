/** Whatever changes a byte of a written file is told as a difference: over every format, and every kind of the table. */
import fc from 'fast-check';
import { partOfDemo } from '../../../tests/part-of-demo';
import { anyCommand, runAll } from '../../../tests/random-commands';
import type { Brand } from '../brand/document/document';
import { apply } from '../brand/commands/apply';
import { compareBrands } from '../brand/history/compare';
import { FORMATS, writeDestination } from '../formats/registry';

const OWN = {
  file: 'all.txt',
  template:
    '{% for theme in themes %}{{ theme.name }} {% for token in theme.tokens %}{{ token.path }} {{ token.hex }} {% endfor %}{% endfor %}',
};

const everyFormat: Brand = {
  ...partOfDemo,
  destinations: FORMATS.map(({ id }) => ({ id: `to-${id}`, name: id, format: id, options: id === 'template' ? OWN : {} })),
};

function written(brand: Brand, destinations = everyFormat.destinations): string {
  return destinations
    .flatMap((destination) => writeDestination(brand, destination).files)
    .map(({ path, bytes }) => `${path} ${Buffer.from(bytes).toString('base64')}`)
    .join('\n');
}

test('a byte changes only where a difference is told', () => {
  let others = 0;
  fc.assert(
    fc.property(fc.array(anyCommand, { minLength: 1, maxLength: 3 }), (picks) => {
      const { brand } = runAll(everyFormat, picks);
      if (written(brand) === written(everyFormat)) return;
      others++;
      expect(compareBrands(everyFormat, brand)).not.toEqual([]);
    }),
    { numRuns: 60 },
  );
  expect(others).toBeGreaterThan(15);
});

test('the order in which keys stand in the document is no change of a file', () => {
  const turned = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(turned)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .map(([key, part]) => [key, turned(part)]),
          )
        : value;
  const brand = turned(everyFormat) as Brand;
  const others = everyFormat.destinations.filter(
    (destination) => written(brand, [destination]) !== written(everyFormat, [destination]),
  );
  expect(others.map(({ format }) => format)).toEqual([]);
});

test.each([
  ['themes', { do: 'theme.move', id: 'night', before: 'day' }],
  ['palettes', { do: 'palette.move', id: 'sea', before: 'core' }],
] as const)('another order of %s changes files, and is told', (_what, step) => {
  const moved = apply(everyFormat, { label: 'Move', steps: [step] });
  if (!moved.ok) throw new Error(moved.refusal);
  expect(written(moved.brand)).not.toBe(written(everyFormat));
  expect(compareBrands(everyFormat, moved.brand)).toHaveLength(1);
});
