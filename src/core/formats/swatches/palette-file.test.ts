import { parsePalette } from '../../intake/swatches/palette-file';
import { coloursOf } from '../../../../tests/colours-of';
import { paletteFileName, serialisePalette } from '../../brand/document/palette-file';
import { readFile } from '../../intake/readers';
import fc from 'fast-check';
import { anyColour } from '../../../../tests/arbitrary-colours';
import type { Palette } from '../../brand/document/palette-shape';

const bytes = (text: string) => new TextEncoder().encode(text);
const palettes: fc.Arbitrary<Palette> = fc
  .array(fc.record({ name: fc.constantFrom('Ebb', 'Flood', 'Slack 2'), value: anyColour, locked: fc.boolean() }), {
    maxLength: 9,
  })
  .map((swatches) => ({
    id: 'p',
    name: 'Tides',
    kind: 'diverging',
    swatches: swatches.map((swatch, at) => ({ id: `s${at}`, ...swatch, ...(at % 2 === 0 && { row: 'Spring' }) })),
  }));

test('what is saved is read again: authored colours, names, rows, locks, kind and maker', () => {
  fc.assert(
    fc.property(palettes, (palette) => {
      const { swatches } = palette;
      expect(parsePalette(serialisePalette({ ...palette, note: 'For the tide tables.' }, 'Ida'))).toEqual({
        palette: {
          format: 'breakwater-palette',
          version: 2,
          name: 'Tides',
          kind: 'diverging',
          note: 'For the tide tables.',
          maker: { name: 'Ida' },
          swatches: swatches.map(({ name, value, locked, row }) => ({ name, value, locked, ...(row !== undefined && { row }) })),
        },
      });
    }),
  );
  expect(paletteFileName({ id: 'p', name: 'Deck paint', kind: 'loose', swatches: [] })).toBe('deck-paint.palette.json');
});

test('Gather reads it as any other file, with its rows', async () => {
  const swatches = [{ id: 's', name: 'Ebb', value: 'oklch(0.5 0.1 200)', locked: true, row: 'Spring' }];
  const text = serialisePalette({ id: 'p', name: 'Tides', kind: 'diverging', swatches }, 'Ida');
  const reading = await readFile({ name: 'anything', bytes: bytes(text) });
  expect([reading!.format, reading!.problems]).toEqual(['palette', []]);
  expect(coloursOf(reading!)).toMatchObject([
    { name: 'Tides', kind: 'diverging', swatches: [{ name: 'Ebb', css: 'oklch(0.5 0.1 200)', row: 'Spring' }] },
  ]);
});

test.each([
  ['{"format": "breakwater-palette", ', /^This is not JSON: /],
  ['{"format":"breakwater-palette","version":1,"name":"","kind":"loose","maker":"","swatches":[]}', /^At name: A name needs/],
  [
    '{"format":"breakwater-palette","version":1,"name":"T","kind":"loose","maker":"","swatches":[{"name":"a","value":"no","locked":false}]}',
    /^At swatches\.0\.value: “no” is not a CSS colour/,
  ],
])('a damaged one says what and where: %s', (text, sentence) => {
  const parsed = parsePalette(text);
  expect(parsed && 'problems' in parsed && parsed.problems[0]!.message).toMatch(sentence);
});

test('other texts are none', () => {
  expect(parsePalette('{"colours": []}')).toBeNull();
});
