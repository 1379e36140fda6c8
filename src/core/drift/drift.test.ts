/** Delivered files, compared with what the brand decided: every format, changed by hand in the ways that people change files. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import type { Brand } from '../brand/document/document';
import { resolveTheme } from '../brand/reading/resolve';
import { readColour } from '../colour/read';
import { FORMATS, writeDestination } from '../formats/registry';
import { parseBrandFile } from '../intake/brand-file';
import { sha256 } from '../base/sha256';
import { zipFiles } from '../formats/kit/zip';
import { aligned } from './align';
import { Delivery, type ComparedFile, type DeliveredFile, type OlderFiles } from './compare-delivery';
import { unpackDelivery } from './unpack-delivery';

const parsed = parseBrandFile(readFileSync('demo/quillhaven.breakwater.json', 'utf8'));
if (!('brand' in parsed)) throw new Error('The demo brand cannot be read.');
const brand: Brand = parsed.brand;
const destination = (format: string) =>
  brand.destinations.find((one) => one.format === format) ?? { name: format, format, options: {} };
const files = (of: Brand, format: string) =>
  writeDestination(of, destination(format)).files.map(({ path, bytes }) => ({ name: path, bytes }));
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const utf8 = (words: string) => new TextEncoder().encode(words);
const delivery = Delivery.of(brand);
const compare = async (delivered: readonly DeliveredFile[], older?: OlderFiles): Promise<ComparedFile[]> => {
  const compared: ComparedFile[] = [];
  for (const file of delivered) compared.push(await (await delivery).compare(file, older));
  return compared;
};
const compareOne = async (name: string, words: string): Promise<ComparedFile> =>
  (await compare([{ name, bytes: utf8(words) }]))[0]!;
const [css] = files(brand, 'css');
const cssText = text(css!.bytes);

/** The brand with another colour in one swatch of each palette. */
const OTHER = '#12ab34';
const changed = {
  ...brand,
  palettes: brand.palettes.map((palette) => ({
    ...palette,
    swatches: palette.swatches.map((swatch, at) => (at === 2 ? { ...swatch, value: OTHER } : swatch)),
  })),
};
const old = new Map(brand.palettes.flatMap(({ swatches }) => swatches.map(({ id, value }) => [id, readColour(value)!.hex])));

// A package is unpacked first, and its files are those of other formats.
test.each(FORMATS.map(({ id }) => id).filter((id) => id !== 'npm-package'))(
  '%s: what was written is identical; where colours were changed each is found, with what it should be',
  async (format) => {
    const same = await compare(files(brand, format));
    expect(same.map(({ state, format: told }) => [state, told])).toEqual(same.map(() => ['identical', format]));
    const drifted = await compare(files(changed, format));
    expect(new Set(drifted.map((file) => file.format))).toEqual(new Set([format]));
    const differences = drifted.flatMap((file) => file.differences);
    // A terminal's colours are the palette of sixteen, whose third is not among those that it takes.
    if (format !== 'x-resources' && format !== 'linux-console') expect(differences.length).toBeGreaterThan(0);
    for (const { kind, token, swatch, theme, expected, found } of differences) {
      expect([kind, typeof found]).toEqual(['differs', 'string']);
      // What it says should be there is what the token, or the swatch, really has.
      // A template says nothing of its tokens; whose colour it is, is told by the colour, which several may have.
      if (format === 'template') continue;
      if (swatch !== null) expect([expected, found]).toEqual([old.get(swatch), OTHER]);
      else expect(resolveTheme(brand, theme!).get(token!)!.colour!.hex).toBe(expected);
      if (swatch === null) expect(resolveTheme(changed, theme!).get(token!)!.colour!.hex).toBe(found);
    }
  },
);

test('a package is unpacked, also within a zip, and each of its files compared', async () => {
  const [same] = files(brand, 'npm-package');
  const [other] = files(changed, 'npm-package');
  const unpacked = unpackDelivery(zipFiles([{ path: 'x.tgz', bytes: other!.bytes }])) as DeliveredFile[];
  expect(unpacked.map(({ name }) => name)).toEqual((unpackDelivery(same!.bytes) as DeliveredFile[]).map(({ name }) => name));
  const told = new Map((await compare(unpacked)).map((file) => [file.file, file]));
  for (const name of ['colours.css', 'index.js', 'tokens/day.tokens.json'])
    expect([name, told.get(name)!.differences.some(({ found }) => found === OTHER)]).toEqual([name, true]);
  const right = await compare(unpackDelivery(same!.bytes) as DeliveredFile[]);
  expect(right.flatMap(({ differences }) => differences)).toEqual([]);
  expect(unpackDelivery(same!.bytes.subarray(0, 900))).toBe('this package is damaged or empty; pack it again.');
});

test('a code that was pasted wrong is found at its line, and putting it right gives the file that was written', async () => {
  const lines = cssText.split('\n');
  const at = lines.findIndex((line) => /surface-header: #/.test(line));
  const hex = /#[0-9a-f]{6}/.exec(lines[at]!)![0];
  const wrong = lines.with(at, lines[at]!.replace(hex, '#a1b2c3')).join('\n');
  const { state, differences, equal, expected } = await compareOne('css/quillhaven-ferries.css', wrong);
  expect([state, differences.length, equal]).toEqual(['differs', 1, expected!.marks!.length - 1]);
  expect(differences[0]).toMatchObject({
    line: at + 1,
    expected: hex,
    found: '#a1b2c3',
    deltaE: expect.any(Number),
    theme: brand.themes[0]!.id,
  });
  const [mend] = differences[0]!.mends;
  expect(wrong.slice(0, mend!.span.from) + mend!.text + wrong.slice(mend!.span.to)).toBe(cssText);
});

test.each([
  ['another name', (words: string) => words, 'renamed.css', 'identical'],
  ['line breaks of another system', (words: string) => words.replaceAll('\n', '\r\n'), 'x.css', 'same colours'],
  ['without white space', (words: string) => words.replace(/\s+/g, ' '), 'css/quillhaven-ferries.css', 'same colours'],
  ['capitals', (words: string) => words.replace(/#[0-9a-f]{6}/g, (hex) => hex.toUpperCase()), 'x.css', 'same colours'],
  ['another notation', (words: string) => words.replace('#006871', 'rgb(0, 104, 113)'), 'x.css', 'same colours'],
  ['words of somebody’s own', (words: string) => `/* kept by Ida */\n${words}\n.own { margin: 0 }\n`, 'x.css', 'same colours'],
])('%s is no drift', async (_what, change, name, state) => {
  const compared = await compareOne(name, change(cssText));
  expect([compared.format, compared.state, compared.differences]).toEqual(['css', state, []]);
});

test('what is missing and what is more is told, and what comes after it is not taken for changed', async () => {
  const [chart] = files(brand, 'echarts');
  const words = text(chart!.bytes);
  const series = words.split('\n').filter((line) => /^ {4}"#[0-9a-f]{6}",?$/.test(line));
  const removed = await compareOne(chart!.name, words.replace(`${series[1]}\n`, ''));
  expect(removed.differences.map(({ kind, expected, found }) => [kind, expected, found])).toEqual([
    ['missing', /#\w{6}/.exec(series[1]!)![0], null],
  ]);
  const more = await compareOne(chart!.name, words.replace(`${series[1]}\n`, `${series[1]}\n    "#010203",\n`));
  expect(more.differences.map(({ kind, expected, found, line }) => [kind, expected, found, line])).toEqual([
    ['extra', null, '#010203', words.split('\n').indexOf(series[1]!) + 2],
  ]);
});

test('what is no colour any more is told as it stands', async () => {
  const compared = await compareOne('css/quillhaven-ferries.css', cssText.replace('#006871', '#00687'));
  expect(compared.differences).toMatchObject([{ found: '#00687', deltaE: null, expected: '#006871' }]);
});

test('a file of an earlier release is known as that', async () => {
  const [bytes] = files(changed, 'css').map((file) => file.bytes);
  const [compared] = await compare([{ name: 'a.css', bytes: bytes! }], new Map([[await sha256(bytes!), 3]]));
  expect([compared!.state, compared!.release]).toEqual(['older release', 3]);
});

test('a file of somebody else’s: colours of the brand, and others with the nearest', async () => {
  const { state, format, equal, differences } = await compareOne(
    'theirs.json',
    '{"a": {"fill": "#006871", "ink": "#006872"}, "note": "was #ff0000 in the old days"}',
  );
  expect([state, format, equal]).toEqual(['differs', null, 1]);
  expect(differences).toMatchObject([{ line: 1, expected: '#006871', found: '#006872', deltaE: expect.any(Number) }]);
  expect((await compareOne('readme.txt', 'No colours here.')).state).toBe('no colours');
  expect((await compare([{ name: 'x.bin', bytes: Uint8Array.of(0, 1, 2) }]))[0]!.state).toBe('no colours');
});

test('recoloured art: as it was released, with a pixel painted over, and of another size', async () => {
  const picture = (width: number, codes: readonly number[]) => {
    const png = new PNG({ width, height: codes.length / width });
    for (const [at, code] of codes.entries()) png.data.writeUInt32BE(code, at * 4);
    return new Uint8Array(PNG.sync.write(png));
  };
  const hash = '1'.repeat(64);
  const trainer = brand.palettes.find(({ name }) => name === 'Trainer 16')!;
  const [first, second] = trainer.swatches.map(({ value }) => readColour(value)!.hex);
  const code = (hex: string, alpha: number) => parseInt(hex.slice(1), 16) * 256 + alpha;
  const sheet = [code(first!, 255), code(second!, 128), 0x12345600, code(first!, 255)];
  const withArt: Brand = {
    ...brand,
    art: [
      {
        id: 'a',
        path: 'art/boat',
        sheets: [{ picture: hash, name: 'boat.png', width: 2, height: 2 }],
        grid: { width: 1, height: 1, margin: 0, spacing: 0 },
        groups: [],
        table: { palette: trainer.id, map: [], keepOrder: false, dither: 'none' },
        indexed: false,
        pace: 100,
      },
    ],
  };
  const of = await Delivery.of(withArt, new Map([[hash, picture(2, sheet)]]));
  const told = async (width: number, codes: readonly number[]) => {
    const { format, state, equal, differences } = await of.compare({ name: 'art/boat.png', bytes: picture(width, codes) });
    return [format, state, equal, differences.map(({ line, expected, found }) => [line, expected, found])];
  };
  expect(await told(2, sheet)).toEqual(['art', 'same colours', 2, []]);
  // What is wholly transparent shows nothing, whatever it holds.
  expect(await told(2, [...sheet.slice(0, 2), 0xffffff00, code('#ff00ff', 255)])).toEqual([
    'art',
    'differs',
    2,
    [[2, first, '#ff00ff']],
  ]);
  expect(await told(1, [...sheet.slice(0, 2), code('#ff00ff', 255)])).toEqual(['art', 'differs', 2, [[3, null, '#ff00ff']]]);
});

test('lists laid beside each other give both lists back, and as much that is equal as there can be', () => {
  const words = fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 30 });
  fc.assert(
    fc.property(words, words, (one, two) => {
      const stretches = aligned(one, two);
      expect(stretches.flatMap((stretch) => one.slice(...stretch.one))).toEqual(one);
      expect(stretches.flatMap((stretch) => two.slice(...stretch.two))).toEqual(two);
      for (const stretch of stretches) if (stretch.equal) expect(one.slice(...stretch.one)).toEqual(two.slice(...stretch.two));
      // The longest common subsequence, by the plainest program.
      const longest =
        one.reduceRight<number[]>(
          (below, left) =>
            two.reduceRight<number[]>(
              (row, right, at) => [left === right ? 1 + (below[at + 1] ?? 0) : Math.max(below[at] ?? 0, row[0] ?? 0), ...row],
              [0],
            ),
          new Array<number>(two.length + 1).fill(0),
        )[0] ?? 0;
      expect(stretches.reduce((sum, { equal, one: [from, to] }) => sum + (equal ? to - from : 0), 0)).toBe(longest);
    }),
  );
});
