import { brandFile, parseBrandFile, intakeOfBrand } from '../../intake/brand-file';
import { OpenFile } from '../../intake/reader';
import { certain, intakeOf, taken, type Intake } from '../../intake/intake';
import { readText } from '../../intake/text/lines';
import { coloursOf } from '../../../../tests/colours-of';
import { readFile } from '../../intake/readers';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { anyCommand, runAll } from '../../../../tests/random-commands';
import { Brand, serialiseBrand } from '../../brand/document/document';
import { brandFromIntake } from '../../intake/from-intake';
import { notations } from '../../colour/notations';
import { readColour } from '../../colour/read';

const source = readFileSync('demo/quillhaven.breakwater.json', 'utf8');
const demo = Brand.parse(JSON.parse(source));
const bytes = (text: string) => ({ name: 'x.json', bytes: new TextEncoder().encode(text) });

test('written and read again, any brand is the same to the byte', () => {
  expect(serialiseBrand(demo)).toBe(source);
  fc.assert(
    fc.property(fc.array(anyCommand, { maxLength: 15 }), (picks) => {
      const written = serialiseBrand(runAll(demo, picks).brand);
      const read = parseBrandFile(written);
      expect('brand' in read && serialiseBrand(read.brand)).toBe(written);
    }),
    { numRuns: 60 },
  );
});

test.each([
  [
    'a wrong colour',
    (text: string) => text.replace('#489498', '#48949'),
    'At palettes.0.swatches.1.value: “#48949” is not a CSS colour',
  ],
  ['a strange key', (text: string) => text.replace('"locked": true', '"locked": true, "looked": 1'), 'At palettes.0.swatches.0'],
  ['an id twice', (text: string) => text.replace('"id": "core-foam"', '"id": "core-shoal"'), 'The id core-shoal is used twice'],
  [
    'a path twice',
    (text: string) => text.replace('"path": "text.soft"', '"path": "text.link"'),
    'The token path text.link is used twice',
  ],
  ['a lost theme', (text: string) => text.replace('"id": "night"', '"id": "evening"'), 'for a theme that is not there'],
  ['a strange path', (text: string) => text.replace('"path": "text.soft"', '"path": "text..soft"'), 'A token path is words'],
  ['half a file', (text: string) => text.slice(0, 900), 'This is not JSON'],
])('%s is refused with its place', (_name, spoil, words) => {
  const { format, palettes, problems } = brandFile.read(new OpenFile(bytes(spoil(source))), {}) as Intake;
  expect([format, palettes]).toEqual(['brand', []]);
  expect(problems.map(({ message }) => message).join('\n')).toContain(words);
});

test('other JSON is no brand file, and is read all the same', async () => {
  expect(brandFile.read(new OpenFile(bytes('{"accent": "#006871"}')), {})).toBeNull();
  expect(coloursOf((await readFile(bytes('{"accent": "#006871"}')))!)[0]!.swatches).toMatchObject([
    { name: 'accent', css: '#006871', line: 1, column: 13 },
  ]);
});

test('a brand’s reading becomes a brand that can be shipped, with a path for every swatch', () => {
  const made = brandFromIntake('Copy', intakeOfBrand(demo));
  expect(() => Brand.parse(made)).not.toThrow();
  expect(made.tokens).toHaveLength(58);
  expect(new Set(made.tokens.map(({ path }) => path)).size).toBe(58);
  expect(brandFromIntake('Copy', intakeOfBrand(demo))).toEqual(made);
});

test('names that make the same path are numbered', () => {
  const entries = ['Ä', 'a', '!'].map((name) => taken(certain('#000000'), { name, line: 1 }));
  const reading = intakeOf('text', [{ name: '🚢', kind: 'loose', entries }]);
  expect(brandFromIntake('X', reading).tokens.map(({ path }) => path)).toEqual(['unnamed.a', 'unnamed.a-2', 'unnamed.unnamed']);
});

test('whatever notation a colour is written in, a pasted line gives it back with its name', () => {
  const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => readColour(`#${value.toString(16).padStart(6, '0')}`)!);
  const name = fc.constantFrom('Harbour', 'Night ferry', 'Rope 2', 'Überfahrt', 'מפרש');
  fc.assert(
    fc.property(colour, name, fc.constantFrom(': ', ' = ', '\t', ' | ', ' '), (value, label, between) => {
      for (const { id, text } of notations(value)) {
        if (id === 'integer' || id === 'cmyk') continue;
        const { entries, problems } = readText(`${label}${between}${text}`);
        expect([id, problems, entries]).toMatchObject([
          id,
          [],
          [{ take: true, colour: { hex: value.hex }, name: label, doubts: [] }],
        ]);
      }
    }),
    { numRuns: 200 },
  );
});
