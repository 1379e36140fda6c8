import { coloursOf } from '../../../tests/colours-of';
import { Brand, emptyBrand } from '../brand/document/document';
import { readFile, READERS } from './readers';
import fc from 'fast-check';
import { decodePng } from '../../../tests/decode-png';
import { FORMATS, writeDestination } from '../formats/registry';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const name = fc.oneof(
  fc.constantFrom(
    'Night ferry',
    'Überfahrt',
    'מפרש',
    '</script>',
    'a, "b"; c',
    "=1+1'",
    "'=1",
    '-',
    '🚢 & <b>',
    '007',
    '# 3',
    'Untitled 2',
    'Line\u2028break',
  ),
  fc.string({ minLength: 1, maxLength: 20, unit: 'grapheme' }),
);
const palettes = fc.array(
  fc.record({ name, swatches: fc.array(fc.record({ name, value: hex }), { minLength: 1, maxLength: 30 }) }),
  {
    minLength: 1,
    maxLength: 3,
  },
);

/** A brand of these palettes; null when a name is none that a brand takes. */
function brandOf(list: { name: string; swatches: { name: string; value: string }[] }[]): Brand | null {
  const made = list.map(({ name: title, swatches }, p) => ({
    id: `p${p}`,
    name: title.trim().slice(0, 31),
    kind: 'loose',
    swatches: swatches.map((swatch, s) => ({ id: `s${p}-${s}`, name: swatch.name, value: swatch.value, locked: false })),
  }));
  const parsed = Brand.safeParse({ ...emptyBrand('file', 'Round trip'), palettes: made });
  return parsed.success ? parsed.data : null;
}

/** What each format keeps of a swatch's name. Spaces are single in any name that was read. */
const keptName: Record<string, (text: string) => string> = { 'riff-pal': () => '', hex: () => '' };
const tidy = (text: string) =>
  text
    .replace(/[\u0000-\u001f\u007f-\u009f]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

test.each(['ase', 'aco', 'gpl', 'riff-pal', 'soc', 'hex', 'csv', 'xlsx'])(
  '%s: written and read again, colours, names and order are equal',
  async (id) => {
    await fc.assert(
      fc.asyncProperty(palettes, async (list) => {
        const brand = brandOf(list);
        fc.pre(brand !== null);
        const { files, findings } = writeDestination(brand!, { name: 'x', format: id, options: {} });
        expect(findings).toEqual([]);
        const read = await Promise.all(files.map(({ path, bytes }) => readFile({ name: path, bytes })));
        expect(read.map((intake) => [intake!.format, intake!.problems])).toEqual(files.map(() => [id, []]));
        const found = read
          .flatMap((intake) => coloursOf(intake!))
          .map(({ swatches }) => swatches.map((swatch) => [swatch.name, swatch.hex]));
        const kept = (text: string) => tidy(keptName[id]?.(text) ?? text);
        const expected = brand!.palettes.map(({ swatches }) =>
          swatches.map((swatch) => [kept(swatch.name) || swatch.value, swatch.value]),
        );
        expect(found).toEqual(expected);
      }),
      { numRuns: id === 'xlsx' ? 40 : 200 },
    );
  },
  60_000,
);

test('the strip of a game palette is read back pixel for pixel, repeated colours too', async () => {
  const brand = Brand.parse({
    ...emptyBrand('file', 'Strip'),
    tokens: ['#102030', '#ffffff', '#102030', '#1f6f7880'].map((colour, at) => ({
      id: `t${at}`,
      path: `a.t${at}`,
      role: 'data',
      description: '',
      on: [],
      values: { day: { colour } },
    })),
  });
  const [strip] = writeDestination(brand, { name: 'x', format: 'game-palette', options: {} }).files;
  const intake = await readFile({ name: strip!.path, bytes: strip!.bytes }, { decode: decodePng });
  expect(coloursOf(intake!)[0]!.swatches.map(({ css }) => css)).toEqual(['#102030', '#ffffff', '#102030', '#1f6f7880']);
});

test('design tokens keep their paths, words, aliases and opacity, also where a token is a group as well', async () => {
  const token = (id: string, path: string, value: object) => ({
    id,
    path,
    role: 'other',
    description: `Words on ${path}.`,
    on: [],
    values: { day: value },
  });
  const brand = Brand.parse({
    ...emptyBrand('file', 'Tokens'),
    tokens: [
      token('a', 'action', { colour: '#006871' }),
      token('b', 'action.hover', { colour: '#00585f80' }),
      token('c', 'link', { token: 'a' }),
      token('d', 'deep.er.link', { token: 'c' }),
    ],
  });
  const [file] = writeDestination(brand, { name: 'x', format: 'dtcg', options: {} }).files;
  const { tokens, problems } = (await readFile({ name: file!.path, bytes: file!.bytes }))!;
  expect(problems).toEqual([]);
  expect(tokens).toEqual([
    { path: 'action', description: 'Words on action.', hex: '#006871', alpha: 1, alias: null },
    { path: 'action.hover', description: 'Words on action.hover.', hex: '#00585f', alpha: 128 / 255, alias: null },
    { path: 'link', description: 'Words on link.', hex: '#006871', alpha: 1, alias: 'action' },
    { path: 'deep.er.link', description: 'Words on deep.er.link.', hex: '#006871', alpha: 1, alias: 'link' },
  ]);
});

const encoder = new TextEncoder();
const seeds = FORMATS.flatMap(
  (format) =>
    writeDestination(
      brandOf([
        {
          name: 'Seed',
          swatches: [
            { name: 'One', value: '#102030' },
            { name: 'Two', value: '#da452c' },
          ],
        },
      ])!,
      {
        name: 'x',
        format: format.id,
        options: {},
      },
    ).files,
);

/** A thousand times what such small inputs take: what never ends is told from what is slow today. */
const PATIENCE_MS = 5_000;
const MOST_MEMORY = 400 * 1024 * 1024;

test('no bytes whatever make a reader throw or hang: random ones, and real files with bytes changed, cut or doubled', async () => {
  const extension = fc.constantFrom(...[...FORMATS, ...READERS].flatMap(({ extensions }) => extensions), '');
  const random = fc.uint8Array({ maxLength: 400 });
  const mutated = fc
    .tuple(fc.constantFrom(...seeds), fc.array(fc.tuple(fc.nat(8_000), fc.nat(255)), { maxLength: 12 }), fc.nat(8_000))
    .map(([{ bytes }, changes, cut]) => {
      const copy = bytes.slice(0, Math.max(8, cut));
      for (const [at, value] of changes) copy[at % copy.length] = value;
      return copy;
    });
  const wordy = fc
    .string({ unit: fc.constantFrom('{', '[', '"', '<', '(', '#', '$value', 'fff', ':', ',', '\n', '1', ' ', '</svg>', '<svg>') })
    .map((text) => encoder.encode(text));
  // Groups, references and aliases that lead to each other in every way.
  const { tokens } = fc.letrec<{ tokens: unknown }>((tie) => ({
    tokens: fc.oneof(
      { maxDepth: 5 },
      fc.constantFrom('#123', '{a}', '{a.b}', '{b.a.b}', '#/a', '#/a/b', 'color'),
      fc.dictionary(fc.constantFrom('a', 'b', '$value', '$type', '$extends', '$ref', '$root'), tie('tokens'), { maxKeys: 4 }),
    ),
  }));
  const tangled = tokens.map((tree) => encoder.encode(JSON.stringify(tree)));
  await fc.assert(
    fc.asyncProperty(fc.oneof(random, mutated, wordy, tangled), extension, async (bytes, end) => {
      const started = performance.now();
      const before = process.memoryUsage().rss;
      const intake = await readFile({ name: `x${end}`, bytes }, { decode: decodePng });
      for (const { colour } of intake?.entries ?? []) if (colour) expect(colour.hex).toMatch(/^#[0-9a-f]{6}$/);
      expect([performance.now() - started < PATIENCE_MS, process.memoryUsage().rss - before < MOST_MEMORY]).toEqual([true, true]);
    }),
    { numRuns: 2_000 },
  );
}, 120_000);
