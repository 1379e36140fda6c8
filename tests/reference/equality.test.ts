/** Every destination's files, read back by their consumer or by a parser that is not ours, colour by colour: docs/equality.md. */
import { resolveTheme } from '@/core/brand/reading/resolve';
import { SCHEME_PLACES } from '@/core/formats/office/ooxml-scheme';
import { slug } from '@/core/base/words';
import { readFileSync, writeFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import type { Destination } from '@/core/brand/document/destination-shape';
import { FORMATS, writeDestination } from '@/core/formats/registry';
import { harshBrand as brand, RARE } from '../harsh-brand';
import { blankPage } from '../read-back/chromium';
import { eightDigits } from '../read-back/colours';
import type { Pair } from '../read-back/files';
import { READERS } from '../read-back/readers';

const writers = FORMATS;
const themes = brand.themes.map(({ name }) => ({ word: slug(name) }));
/** Rows of the table in docs/equality.md, by format. */
const rows = new Map<string, string>();
let page: Page;
let close: () => Promise<void>;

// A browser and compilers are started.
beforeAll(async () => ({ page, close } = await blankPage()));
afterAll(() => close());

const known = new Map<string, string>();

/** A token's colour in a theme as `rrggbbaa`, computed from what was authored by colorjs.io alone, once. */
function colourOf(path: string, theme: number, opaque: boolean): string {
  const key = `${path} ${theme} ${opaque}`;
  if (!known.has(key)) known.set(key, computed(path, theme, opaque));
  return known.get(key)!;
}

function computed(path: string, theme: number, opaque: boolean): string {
  const found = [...resolveTheme(brand, brand.themes[theme]!.id).values()].find(({ token }) => token.path === path)!;
  const expected = eightDigits(found.kept?.swatch.value ?? found.colour!.css);
  if (!opaque || expected.endsWith('ff')) return expected;
  const ground = Buffer.from(colourOf('surface.page', theme, false), 'hex');
  const [r, g, b, a] = Buffer.from(expected, 'hex') as unknown as [number, number, number, number];
  // Opacity as it was authored: its byte would be too coarse.
  const alpha = { 'veil.half': 0x80 / 255, 'veil.thin': 0.03 }[path] ?? a / 255;
  return eightDigits([...[r, g, b].map((channel, at) => channel * alpha + ground[at]! * (1 - alpha)), 255]);
}

/** What the files must hold, in the order in which the reader gives it. */
function expected(holds: 'tokens' | 'chart' | 'swatches', opaque: boolean): string[][] {
  const inTheme = (paths: readonly string[], theme: number) => paths.map((path) => colourOf(path, theme, opaque));
  switch (holds) {
    case 'tokens':
      return themes.map((_, at) =>
        inTheme(
          brand.tokens.map(({ path }) => path),
          at,
        ),
      );
    case 'chart': {
      const route = brand.tokens.map(({ path }) => path).filter((path) => path.startsWith('route.'));
      return themes.map((_, at) => inTheme([...route, 'surface.page', 'text.default'], at));
    }
    case 'swatches':
      return brand.palettes.map(({ swatches }) => swatches.map(({ value }) => eightDigits(value)));
  }
}

/** For files whose places have names of their own: the token that stands in each. */
const PLACES: Readonly<Record<string, string>> = {
  background: 'terminal.ground',
  foreground: 'terminal.text',
  cursorColor: 'terminal.cursor',
  ...Object.fromEntries(
    ['black', 'red', 'green', 'yellow', 'blue', 'magenta', 'cyan', 'white'].flatMap((name, at) => [
      [`color${at}`, `terminal.${name}`],
      [`color${at + 8}`, `terminal.bright-${name}`],
    ]),
  ),
  ...{
    dk1: 'text.default',
    lt1: 'surface.page',
    dk2: 'text.soft',
    lt2: 'surface.panel',
    hlink: 'text.link',
    folHlink: 'text.soft',
  },
  ...Object.fromEntries(
    ['north-skerry', 'lantern-point', 'mill-quay', 'outer-bank', 'sallow-bay', 'kelp-strand'].map((name, at) => [
      `accent${at + 1}`,
      `route.${name}`,
    ]),
  ),
};

async function readsEqual(id: string, options: Destination['options']): Promise<number> {
  const reader = READERS[id];
  if (!reader) throw new Error(`Nothing reads files of ${id} back yet; add a reader for it in tests/read-back.`);
  const { files, findings } = writeDestination(brand, { name: id, format: id, options });
  expect(findings.filter(({ severity }) => severity === 'error')).toEqual([]);
  const read = await reader.read(files, themes, page);
  const wanted =
    reader.holds === 'terminal' || reader.holds === 'office'
      ? read.map((list, theme) => list.map(([name]) => colourOf(PLACES[name]!, theme, true)))
      : expected(reader.holds, reader.opaque ?? false);
  // Names must be different from each other, or the consumer has fewer colours than it was given.
  if (reader.holds === 'tokens') for (const list of read) expect(new Set(list.map(([name]) => name)).size).toBe(list.length);
  if (reader.holds === 'office') for (const list of read) expect(list.map(([name]) => name)).toEqual([...SCHEME_PLACES]);
  const found = read.map(ordered);
  if (reader.holds === 'swatches') expect(found.flat()).toEqual(wanted.flat());
  else expect(found).toEqual(wanted);
  return wanted.flat().length;
}

test.each(writers.map(({ id }) => id))('%s', async (id) => {
  const count = await readsEqual(id, {});
  rows.set(id, `| ${FORMATS.find((format) => format.id === id)!.title} | ${READERS[id]!.by} | ${count} | ${count} |`);
});

// What people wrote about a token stands in these files, and may not end a comment or begin a line.
const commented = writers.filter(({ options }) => 'comments' in options.shape);
test.each(commented.map(({ id }) => id))('%s with descriptions as comments', async (id) => {
  await readsEqual(id, { comments: true });
});

const place = new Map(brand.tokens.map(({ path }, at) => [path, at]));

/** The colours in the order of the tokens where they are called by their paths: some parsers put numbers first. */
function ordered(list: readonly Pair[]): string[] {
  const paths = list.map(([name]) => place.get(name.replace(/\.(?:own|DEFAULT)$/, '')));
  const known = paths.every((at) => at !== undefined);
  const order = list.map((pair, at) => ({ pair, at: known ? paths[at]! : at })).sort((one, two) => one.at - two.at);
  return order.map(({ pair: [, colour] }) => colour);
}

test('docs/equality.md holds this table (npm run equality writes it)', () => {
  const table = [
    '| Destination | Read back by | Colours | Equal |',
    '| --- | --- | ---: | ---: |',
    ...writers.map(({ id }) => rows.get(id)),
  ];
  const text = `# The same colour everywhere

Made by \`npm run equality\`, and held by every run of the tests. One brand of ${brand.tokens.length} tokens in ${brand.themes.length} themes is written to every
destination. Its names hold words of many languages, digits first, letters of four scripts, quotes and comment marks; its
colours include ${Object.keys(RARE).length} that not every file can hold, translucent ones and ones outside sRGB. Every file is read back by its
consumer, or by a parser that is not ours, and each colour compared with what was authored as another library (colorjs.io)
computes it: red, green, blue and opacity in 8 bits. Files that hold no opacity have the colour as it looks on the first
surface. Charts are compared in what they draw: series, ground and title.

${table.join('\n')}
`;
  if (process.env.WRITE_DOCS) writeFileSync('docs/equality.md', text);
  expect(readFileSync('docs/equality.md', 'utf8')).toBe(text);
});
