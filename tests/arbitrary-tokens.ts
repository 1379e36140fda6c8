import { type Brand, emptyBrand } from '@/core/brand/document/document';
import type { Token, TokenValue } from '@/core/brand/document/token-shape';
import fc from 'fast-check';

/** Numbers and `none` of the colour spaces of CSS Color 4, each within its range. */
const number = (low: number, high: number) =>
  fc.integer({ min: 0, max: 1000 }).map((share) => String(Number((low + ((high - low) * share) / 1000).toPrecision(6))));
const orNone = (component: fc.Arbitrary<string>) => fc.oneof({ weight: 6, arbitrary: component }, fc.constant('none'));
const functional = (name: string, ...ranges: readonly [number, number, string?][]) =>
  fc
    .tuple(
      ...ranges.map(([low, high, unit = '']) => orNone(number(low, high)).map((text) => (text === 'none' ? text : text + unit))),
    )
    .map((components) => `${name}${components.join(' ')}`);
const hue: [number, number] = [0, 359];
const percent: [number, number, string] = [0, 100, '%'];

/** A colour in any space that design tokens know, translucent now and then. */
export const tokenColour: fc.Arbitrary<string> = fc
  .tuple(
    fc.oneof(
      functional('oklch(', [0, 1], [0, 0.3], hue),
      functional('oklab(', [0, 1], [-0.3, 0.3], [-0.3, 0.3]),
      functional('lch(', [0, 100], [0, 100], hue),
      functional('lab(', [0, 100], [-80, 80], [-80, 80]),
      functional('hsl(', hue, percent, percent),
      functional('hwb(', hue, [0, 50, '%'], [0, 50, '%']),
      ...['srgb', 'srgb-linear', 'display-p3', 'a98-rgb', 'prophoto-rgb', 'rec2020', 'xyz-d65', 'xyz-d50'].map((space) =>
        functional(`color(${space} `, [0, 1], [0, 1], [0, 1]),
      ),
    ),
    fc.constantFrom('', '', ' / 0.5'),
  )
  .map(([colour, alpha]) => `${colour}${alpha})`);

const word = fc.stringMatching(/^[a-z][a-z0-9_-]{0,6}$/);
const path = fc.oneof(
  fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join('.')),
  // Keys that look like numbers, which a plain object would put first.
  fc.tuple(word, fc.nat(900)).map(([group, step]) => `${group}.${step}`),
);

/** A brand of a random tree of tokens: groups and tokens of one name, chains of aliases, two themes. */
export const tokenTree: fc.Arbitrary<Brand> = fc
  .tuple(
    fc.uniqueArray(path, { minLength: 1, maxLength: 16 }),
    fc.infiniteStream(
      fc.record({ colour: tokenColour, at: fc.nat(), alias: fc.boolean(), words: fc.constantFrom('', 'A “use”.\n') }),
    ),
  )
  .map(([paths, stream]): Brand => {
    const tokens = paths.map((path, at): Token => {
      const valueOf = (): TokenValue => {
        const { alias, at: target, colour } = stream.next().value;
        return alias && at > 0 ? { token: `t${target % at}` } : { colour };
      };
      const { words, at: chance } = stream.next().value;
      return {
        id: `t${at}`,
        path: path,
        role: 'other',
        description: words,
        on: [],
        values: { day: valueOf(), night: valueOf() },
        ...(chance % 4 === 0 && { deprecated: chance % 8 === 0 ? { note: '' } : { note: 'Old.' } }),
        ...(chance % 5 === 0 && { extensions: '{"org.example.tool": [1.0, null]}' }),
      };
    });
    return {
      ...emptyBrand('b', 'B'),
      themes: [
        { id: 'day', name: 'Day' },
        { id: 'night', name: 'Night' },
      ],
      tokens,
    };
  });
