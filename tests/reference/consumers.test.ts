/** The written files, read by their real consumers. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { generate, parse, walk } from 'css-tree';
import * as echartsLibrary from 'echarts';
import { PNG } from 'pngjs';
import { compileString } from 'sass';
import { Brand } from '@/core/brand/document';
import { resolveTheme } from '@/core/brand/resolve';
import { bundle, manifestFile } from '@/core/formats/bundle';
import { zipFiles } from '@/core/formats/zip';
import { writeDestination } from '@/core/formats/registry';
import { unzipSync } from 'fflate';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
/** Names that no file format may stumble over. */
const hostile = Brand.parse({
  ...demo,
  name: `</script><b>"'&]]> \u202e🚢`,
  palettes: demo.palettes.map((palette) => ({ ...palette, name: `*/ ${palette.name} <!--` })),
  themes: demo.themes.map((theme) => ({ ...theme, name: `${theme.name} "*/ & <x>` })),
});

const write = (brand: Brand, format: string, options: Record<string, string> = {}) => {
  const { files, problems } = writeDestination(brand, { name: format, format, options });
  expect(problems.filter((problem) => problem.severity === 'error')).toEqual([]);
  return Object.fromEntries(files.map((file) => [file.path, file.bytes]));
};
const words = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);
const brandColours = (brand: Brand, theme: number) =>
  Object.fromEntries(
    [...resolveTheme(brand, brand.themes[theme]!.id).values()].map(({ token, colour }) => [token.path, colour!.hex]),
  );
const dashed = (colours: Record<string, string>) =>
  Object.fromEntries(Object.entries(colours).map(([path, hex]) => [path.replaceAll('.', '-'), hex]));

describe.each([
  ['the demo', demo],
  ['hostile names', hostile],
] as const)('%s', (_name, brand) => {
  test('CSS is parsed without an error (css-tree) and holds every token in every theme', () => {
    const sheet = Object.entries(write(brand, 'css')).find(([path]) => path.endsWith('.css'))![1];
    const errors: string[] = [];
    const blocks: Record<string, string>[] = [];
    const tree = parse(words(sheet), { onParseError: (error) => errors.push(error.message), parseCustomProperty: true });
    walk(tree, (node) => {
      if (node.type === 'Rule') blocks.push({});
      if (node.type === 'Declaration')
        blocks.at(-1)![node.property.slice(2)] = generate(node.value as Parameters<typeof generate>[0]);
    });
    expect(errors).toEqual([]);
    expect(blocks).toEqual(brand.themes.map((_, at) => dashed(brandColours(brand, at))));
  });

  test('Sass compiles and its maps give every colour (sass)', () => {
    const partial = Object.entries(write(brand, 'css')).find(([path]) => path.endsWith('.scss'))![1];
    const source = `${words(partial)}
      @use 'sass:map';
      @each $name, $theme in $themes { @each $token, $colour in $theme { .#{$name} { --#{$token}: #{$colour}; } } }
      .plain { color: $text-default; }`;
    // @use comes first in a stylesheet.
    const { css } = compileString(`@use 'sass:map';\n${source.replace("@use 'sass:map';", '')}`);
    const found = [...css.matchAll(/--([\w-]+): (#[0-9a-f]{6})/g)].map(([, name, hex]) => [name, hex]);
    const expected = brand.themes.flatMap((_, at) => Object.entries(dashed(brandColours(brand, at))));
    expect(found).toEqual(expected);
    expect(css).toContain(`.plain {\n  color: ${brandColours(brand, 0)['text.default']};`);
  });

  test('XML is valid against the schema it comes with (xmllint)', () => {
    const files = write(brand, 'xml-resources');
    const folder = mkdtempSync(join(tmpdir(), 'breakwater-xml-'));
    for (const [path, bytes] of Object.entries(files)) writeFileSync(join(folder, path.split('/').at(-1)!), bytes);
    const documents = Object.keys(files)
      .filter((path) => path.endsWith('.xml'))
      .map((path) => join(folder, path.split('/').at(-1)!));
    const check = (paths: string[]) =>
      execFileSync('xmllint', ['--noout', '--nonet', '--schema', join(folder, 'resources.xsd'), ...paths], { stdio: 'pipe' });
    check(documents);
    const first = readFileSync(documents[0]!, 'utf8');
    const read = [...first.matchAll(/<colour name="([^"]+)">(#[0-9a-f]{6})</g)].map(([, name, hex]) => [name, hex]);
    expect(Object.fromEntries(read)).toEqual(brandColours(brand, 0));
    // The schema can say no: one digit too few.
    writeFileSync(documents[0]!, first.replace(/#[0-9a-f]{6}/, '#12345'));
    expect(() => check(documents)).toThrow();
  });

  test('the strip is decoded pixel by pixel (pngjs), and the index names each', () => {
    const files = write(brand, 'game-palette');
    const strips = Object.keys(files).filter((path) => path.endsWith('.png'));
    const index = JSON.parse(words(Object.entries(files).find(([path]) => path.endsWith('.json'))![1])) as {
      themes: { strip: string; colours: { pixel: number; name: string; hex: string; linear: number[] }[] }[];
    };
    index.themes.forEach((theme, at) => {
      const image = PNG.sync.read(Buffer.from(files[strips.find((path) => path.endsWith(`/${theme.strip}`))!]!));
      expect([image.height, image.width]).toEqual([1, brand.tokens.length]);
      const shown = theme.colours.map(({ pixel, name }) => [
        name,
        `#${image.data.subarray(pixel * 4, pixel * 4 + 3).toString('hex')}`,
      ]);
      expect(Object.fromEntries(shown)).toEqual(brandColours(brand, at));
      for (const { hex, linear } of theme.colours) {
        // IEC 61966-2-1: from encoded to linear light.
        const expected = [1, 3, 5]
          .map((from) => parseInt(hex.slice(from, from + 2), 16) / 255)
          .map((v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4));
        linear.forEach((value, channel) => expect(value).toBeCloseTo(expected[channel]!, 5));
      }
    });
  });
});

test('ECharts draws with the theme: series, ground and title colours are read from its SVG', () => {
  const destination = demo.destinations.find((one) => one.format === 'echarts')!;
  const { files } = writeDestination(demo, destination);
  files.forEach((file, at) => {
    echartsLibrary.registerTheme(`written-${at}`, JSON.parse(words(file.bytes)) as object);
    const chart = echartsLibrary.init(null, `written-${at}`, { renderer: 'svg', ssr: true, width: 600, height: 300 });
    chart.setOption({
      animation: false,
      title: { text: 'Sailings' },
      xAxis: { type: 'category', data: ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'] },
      yAxis: {},
      series: [{ type: 'bar', colorBy: 'data', data: [1, 2, 3, 4, 5, 6, 7, 8] }],
    });
    const svg = chart.renderToSVGString();
    chart.dispose();
    const colours = brandColours(demo, at);
    for (const path of Object.keys(colours).filter((one) => one.startsWith('route.')))
      expect(svg).toContain(`fill="${colours[path]}"`);
    expect(svg).toContain(`fill="${colours['surface.panel']}"`);
    expect(svg).toMatch(new RegExp(`fill="${colours['text.default']}"[^>]*>Sailings`));
  });
});

test('the bundle is deterministic, and the zip holds what the manifest says', async () => {
  const [one, two] = await Promise.all([bundle(demo), bundle(structuredClone(demo))]);
  const zip = zipFiles([...one.files, manifestFile(demo, one.manifest)]);
  expect(zip).toEqual(zipFiles([...two.files, manifestFile(demo, two.manifest)]));
  const unzipped = unzipSync(zip);
  for (const entry of one.manifest) {
    const hash = execFileSync('sha256sum', { input: unzipped[entry.path] }).toString().slice(0, 64);
    expect([entry.path, entry.bytes, entry.sha256]).toEqual([entry.path, unzipped[entry.path]!.length, hash]);
  }
});

test.each([
  [
    'a token without a colour',
    { ...demo, tokens: demo.tokens.map((token, at) => (at === 0 ? { ...token, values: {} } : token)) },
    'surface.page has no colour in Day',
  ],
  [
    'two paths that become one',
    { ...demo, tokens: [...demo.tokens, { ...demo.tokens[0]!, id: 'x', path: 'surface-page' }] },
    'both be written as surface-page',
  ],
  ['two themes that become one', { ...demo, themes: [...demo.themes, { id: 'x', name: 'DAY' }] }, 'both be written as day'],
  ['no tokens', { ...demo, tokens: [] }, 'no tokens'],
] as [string, Brand, string][])('%s stops the release', async (_name, brand, sentence) => {
  const { problems } = await bundle(brand);
  expect(problems).toEqual(expect.arrayContaining([{ severity: 'error', message: expect.stringContaining(sentence) }]));
});
