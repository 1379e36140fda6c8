/** What the written files do in their consumers: options, preferences of the system, compilers, engines of charts and games. */
import { resolveTheme } from '@/core/brand/reading/resolve';
import { execFileSync, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import type { Page } from 'puppeteer-core';
import { compileString } from 'sass';
import type { Brand } from '@/core/brand/document/document';
import type { Destination } from '@/core/brand/document/destination-shape';
import { CSS_NOTATIONS } from '@/core/formats/kit/css-text';
import { bundle, manifestFile } from '@/core/release/bundle';
import { writeDestination } from '@/core/formats/registry';
import { zipFiles } from '@/core/formats/kit/zip';
import { demo, harshBrand } from '../harsh-brand';
import { blankPage, computed } from '../read-back/chromium';
import { eightDigits } from '../read-back/colours';
import { installed, laid, typeErrors } from '../read-back/files';
import { constantsOf } from '../read-back/program-source';

function write(format: string, options: Destination['options'] = {}, brand: Brand = demo) {
  const { files, findings } = writeDestination(brand, { name: format, format, options });
  const of = (severity: string) => findings.filter((finding) => finding.severity === severity).map(({ message }) => message);
  return { files, errors: of('error'), notes: of('warning'), text: new TextDecoder().decode(files[0]?.bytes) };
}

const colourOf = (brand: Brand, path: string, theme: string) =>
  [...resolveTheme(brand, theme).values()].find(({ token }) => token.path === path)!.colour!;

let page: Page;
let close: () => Promise<void>;
// A browser and compilers are started.
beforeAll(async () => ({ page, close } = await blankPage()));
afterAll(() => close());

test('a package is installed under its name and version, with its sheet, its types and its tokens', () => {
  const { files } = writeDestination(
    demo,
    { name: 'x', format: 'npm-package', options: { name: '@quay/tones' } },
    demo.themes,
    '2.3.1',
  );
  expect(files.map(({ path }) => path)).toEqual(['packages/quay-tones.tgz']);
  const { folder, name } = installed(files[0]!);
  const own = join(folder, 'node_modules', name);
  expect(JSON.parse(readFileSync(join(own, 'package.json'), 'utf8'))).toMatchObject({ name: '@quay/tones', version: '2.3.1' });
  expect(readFileSync(join(own, 'colours.css'), 'utf8')).toContain('--text-default: #162631;');
  expect(readdirSync(join(own, 'tokens'))).toContain('day.tokens.json');
  writeFileSync(
    join(folder, 'right.ts'),
    `import themes, { day } from '${name}';\nexport const ink: '#162631' = day.text.default;\nexport const all = themes['night-bridge'];\n`,
  );
  writeFileSync(join(folder, 'wrong.ts'), `import { day } from '${name}';\nexport const ink = day.text.defalt;\n`);
  expect(typeErrors(join(folder, 'right.ts'))).toEqual([]);
  expect(
    typeErrors(join(folder, 'wrong.ts'))
      .map(({ text }) => text)
      .join(),
  ).toMatch(/defalt/);
  const older = `const { day } = require('${name}'); console.log(day.text.default, require('${name}/package.json').version)`;
  expect(execFileSync(process.execPath, ['-e', older], { cwd: folder }).toString()).toBe('#162631 2.3.1\n');
});

describe('CSS in Chromium', () => {
  const features = async (scheme: string, contrast = 'no-preference', gamut = 'srgb') => {
    const client = await page.createCDPSession();
    await client.send('Emulation.setEmulatedMedia', {
      features: [
        { name: 'prefers-color-scheme', value: scheme },
        { name: 'prefers-contrast', value: contrast },
        { name: 'color-gamut', value: gamut },
      ],
    });
  };
  const shown = (sheet: string, theme: string | null, name: string) =>
    computed(page, sheet, theme, [name]).then(([css]) => eightDigits(css!));
  const wanted = (path: string, theme: string) => `${colourOf(demo, path, theme).hex.slice(1)}ff`;

  test('the system’s wish chooses the theme until the page names one', async () => {
    const { text } = write('css', { dark: 'night', contrast: 'contrast' });
    await features('dark');
    expect(await shown(text, null, '--text-default')).toBe(wanted('text.default', 'night'));
    expect(await shown(text, 'day', '--text-default')).toBe(wanted('text.default', 'day'));
    await features('light', 'more');
    expect(await shown(text, null, '--text-default')).toBe(wanted('text.default', 'contrast'));
    await features('light');
    expect(await shown(text, null, '--text-default')).toBe(wanted('text.default', 'day'));
  });

  test.each(CSS_NOTATIONS)('every token computes to the same colour in the notation %s', async (notation) => {
    const { text } = write('css', { notation });
    // More digits are more digits of the same colour.
    const longer = write('css', { notation, precision: 'more' }).text;
    if (notation === 'hsl') expect(longer.length).toBeGreaterThan(text.length + 1_000);
    const names = [...text.matchAll(/^ {2}(--[^:]+):/gm)].map(([, name]) => name!).slice(0, demo.tokens.length);
    const colours = await computed(page, text, 'day', names);
    expect(colours.map(eightDigits)).toEqual(demo.tokens.map(({ path }) => wanted(path, 'day')));
    expect((await computed(page, longer, 'day', names)).map(eightDigits)).toEqual(colours.map(eightDigits));
  });

  test('a colour outside sRGB is itself where the screen has it, and the nearest elsewhere', async () => {
    const { text, notes } = write('css', { wide: true, without: ['route'] }, harshBrand);
    expect(notes).toEqual([]);
    await features('light', 'no-preference', 'p3');
    expect((await computed(page, text, 'class', ['--wide-green']))[0]).toBe('color(display-p3 0 1 0)');
    await features('light');
    expect(eightDigits((await computed(page, text, 'class', ['--wide-green']))[0]!)).toBe(eightDigits('color(display-p3 0 1 0)'));
    expect(write('css', {}, harshBrand).notes).toEqual([
      'Outside sRGB, and written as the nearest colour inside it: wide.green, wide.pink.',
    ]);
  });

  test('registered properties are colours, not words', async () => {
    const value = async (options: Destination['options']) => {
      await computed(page, write('css', options).text, 'day', []);
      return page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--text-default'));
    };
    expect(await value({ register: true })).toBe('rgb(22, 38, 49)');
    expect(await value({})).toBe('#162631');
  });

  test('a class for every use; the list of classes in use and the groups left out make it lighter', async () => {
    const all = write('utilities');
    const used = write('utilities', { keep: '<p class="color-text-default background-surface-page other">' });
    const fewer = write('utilities', { without: ['trainer', 'terminal', 'sea-state'], uses: ['fill'] });
    expect(used.text.match(/^\./gm)).toHaveLength(2);
    expect(used.text).not.toContain('--border-default');
    expect(fewer.text).not.toContain('trainer');
    expect(fewer.files[0]!.bytes.length).toBeLessThan(all.files[0]!.bytes.length / 2);
    await page.setContent('<p class="background-route-tern-islet">');
    await page.addStyleTag({ content: all.text });
    const ground = await page.evaluate(() => getComputedStyle(document.querySelector('p')!).backgroundColor);
    expect(eightDigits(ground)).toBe(wanted('route.tern-islet', 'day'));
    expect(write('utilities', { keep: 'nothing-here' }).errors).toEqual([expect.stringContaining('None of the classes listed')]);
  });
});

test('Bootstrap makes its buttons, body and borders of the brand’s colours', () => {
  const source = `@import 'functions'; ${write('bootstrap', { primary: 'brand.teal' }).text} @import 'bootstrap';`;
  const { css } = compileString(source, {
    loadPaths: ['node_modules/bootstrap/scss'],
    quietDeps: true,
    silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
  });
  const hex = (path: string) => colourOf(demo, path, 'day').hex;
  expect(css).toMatch(new RegExp(`\\.btn-primary \\{[^}]*--bs-btn-bg: ${hex('brand.teal')}`));
  expect(css).toContain(`--bs-body-bg: ${hex('surface.page')}`);
  expect(css).toContain(`--bs-danger: ${hex('status.cancelled')}`);
  expect(write('bootstrap', { danger: 'status.no' }).errors).toEqual([
    'danger is taken from status.no, and there is no such token; choose another.',
  ]);
});

test('a name that is not there is found by TypeScript', () => {
  const { files } = write('typescript');
  const use = {
    path: 'use.ts',
    mediaType: '',
    bytes: Buffer.from("import { day } from './modules/quillhaven-ferries';\nday.text.defautl;\n"),
  };
  const { folder } = laid([...files, use]);
  expect(typeErrors(join(folder, 'use.ts')).map(({ code }) => code)).toEqual([2551]);
});

describe('compilers, where the machine has them', () => {
  const withTool = (tool: string) => (spawnSync('which', [tool]).status === 0 ? test : test.skip);
  const expectedLines = harshBrand.themes.flatMap(({ id }) =>
    harshBrand.tokens.map(({ path }) => {
      const { hex, alpha } = colourOf(harshBrand, path, id);
      return parseInt(
        hex.slice(1) +
          Math.round(alpha * 255)
            .toString(16)
            .padStart(2, '0'),
        16,
      ).toString();
    }),
  );

  withTool('gcc').each(['gcc -xc -std=c99', 'g++ -xc++ -std=c++11'])('%s prints every colour', (command) => {
    const { files, text } = write('c-header', { comments: true }, harshBrand);
    const names = [...text.matchAll(/^#define (\w+) 0x/gm)].map(([, name]) => name);
    const { folder, at } = laid(files);
    const program = `#include <stdio.h>\n#include "${at(files[0]!)}"\nint main(void) {\n${names.map((name) => `printf("%lu\\n", (unsigned long)${name});`).join('\n')}\nreturn 0; }\n`;
    writeFileSync(join(folder, 'main.c'), program);
    const [compiler, ...flags] = command.split(' ');
    execFileSync(compiler!, ['-Wall', '-Wextra', '-Werror', ...flags, join(folder, 'main.c'), '-o', join(folder, 'main')]);
    expect(execFileSync(join(folder, 'main')).toString().trim().split('\n')).toEqual(expectedLines);
  });

  withTool('rustc')('rustc prints every colour', () => {
    const { files, text } = write('rust', { comments: true }, harshBrand);
    const { folder, at } = laid(files);
    const paths = text
      .split(/^pub mod /m)
      .slice(1)
      .flatMap((part) => [...part.matchAll(/pub const (\w+):/g)].map(([, name]) => `${/^\w+/.exec(part)![0]}::${name}`));
    const lines = paths.map((path) => `println!("{}", brand::${path});`).join('\n');
    writeFileSync(join(folder, 'main.rs'), `#[path = "${at(files[0]!)}"]\nmod brand;\nfn main() {\n${lines}\n}\n`);
    execFileSync('rustc', ['-Dwarnings', join(folder, 'main.rs'), '-o', join(folder, 'main')], { stdio: 'pipe' });
    expect(execFileSync(join(folder, 'main')).toString().trim().split('\n')).toEqual(expectedLines);
  });

  withTool('mcs')('mcs takes the class', () => {
    const { files } = write('csharp', { comments: true }, harshBrand);
    const { folder, at } = laid(files);
    execFileSync('mcs', ['-warnaserror', '-target:library', `-out:${join(folder, 'brand.dll')}`, at(files[0]!)], {
      stdio: 'pipe',
    });
  });

  withTool('godot3-server')('the engine runs the script, translucent colours too', () => {
    const { files } = write('gdscript', { comments: true }, harshBrand);
    const { folder, at } = laid(files);
    const run = `extends SceneTree\nfunc _init():\n\tvar c = load("${at(files[0]!)}")\n\tprint("read ", c.Class.VEIL_HALF.a8, " ", c.Class.VEIL_HALF.r8, " ", c.Class.WHITE.b8)\n\tquit()\n`;
    writeFileSync(join(folder, 'project.godot'), 'config_version=4\n');
    writeFileSync(join(folder, 'run.gd'), run);
    expect(spawnSync('godot3-server', ['-s', 'run.gd'], { cwd: folder, encoding: 'utf8' }).stdout).toContain('read 128 31 255');
  });

  withTool('qmllint')('the QML linter has nothing to say', () => {
    const { files } = write('qml', { comments: true }, harshBrand);
    const { stdout, stderr, status } = spawnSync('qmllint', [laid(files).at(files[0]!)], { encoding: 'utf8' });
    expect([status, stdout, stderr]).toEqual([0, '', '']);
  });

  const matplotlib = spawnSync('/usr/bin/python3', ['-c', 'import matplotlib']).status === 0;
  (matplotlib ? test : test.skip)('matplotlib takes the style', () => {
    const { files } = write('matplotlib');
    const script = `import sys, matplotlib as m; p = m.rc_params_from_file(sys.argv[1], use_default_template=False); print(p['figure.facecolor'], *[c['color'] for c in p['axes.prop_cycle']])`;
    const output = execFileSync('/usr/bin/python3', ['-c', script, laid(files).at(files[0]!)]).toString();
    expect(output.trim().split(' ')[1]!.replace('#', '')).toBe(colourOf(demo, 'route.north-skerry', 'day').hex.slice(1));
  });
});

describe('games', () => {
  test('blocks in a column, indexed, with a key that is transparent (pngjs)', () => {
    const { files } = write('game-palette', { group: 'trainer', layout: 'column', block: 4, indexed: true, key: true });
    const image = PNG.sync.read(Buffer.from(files[0]!.bytes));
    expect([image.width, image.height]).toEqual([4, 48]);
    const at = (y: number) => image.data.subarray((y * 4 + 3) * 4, (y * 4 + 4) * 4).toString('hex');
    expect([at(0), at(3)]).toEqual(['00000000', '00000000']);
    const trainer = demo.tokens.filter(({ path }) => path.startsWith('trainer.'));
    trainer.forEach(({ path }, index) => expect(at(4 * (index + 1) + 2)).toBe(`${colourOf(demo, path, 'day').hex.slice(1)}ff`));
    // Colour type 3: the indices themselves are in the file.
    expect(files[0]!.bytes[25]).toBe(3);
    const long = {
      ...demo,
      tokens: Array.from({ length: 300 }, (_, n) => ({ ...demo.tokens[0]!, id: `t${n}`, path: `a.t${n}` })),
    };
    expect(write('game-palette', { block: 64 }, long).errors).toEqual([
      expect.stringContaining('A strip of 19200 pixels is longer'),
    ]);
  });

  test('too many colours stop the release with a proposal, or become near ones', () => {
    const stopped = write('csharp', { depth: '16', themes: ['day'] });
    expect(stopped.errors).toEqual([expect.stringMatching(/^Day has \d+ colours, and the target holds 16\. .* ΔE2000 away/)]);
    const reduced = write('csharp', { depth: '16', beyond: 'reduce', themes: ['day'] });
    expect(reduced.errors).toEqual([]);
    expect(new Set(reduced.text.match(/0x[0-9a-f]{8}/g)).size).toBe(16);
    expect(write('csharp', { depth: '128', group: 'trainer' }).notes).toEqual([]);
  });
});

test('values keep their colours in every chart’s file, and scales with a middle reach those that know them', () => {
  const tern = colourOf(demo, 'route.tern-islet', 'day').hex;
  // The value and its colour stand together, a line or two apart; the colour alone is in the series anyway.
  for (const format of ['echarts', 'vega', 'plotly', 'dashboard-json', 'dashboard-xml', 'matplotlib']) {
    const lines = write(format).text.split('\n');
    const at = lines.findIndex((line) => line.includes('Tern Islet'));
    expect([format, lines.slice(at, at + 2).join()]).toEqual([format, expect.stringContaining(tern.slice(1))]);
  }
  const [, day] = /export const day = ([^]*?\n\});/.exec(write('d3').text)!;
  const [field] = (JSON.parse(day!) as { values: { domain: string[]; range: string[] }[] }).values;
  expect(field!.range[field!.domain.indexOf('Tern Islet')]).toBe(tern);
  const { range } = JSON.parse(write('vega', { middle: 'tide', scale: 'sea-state' }).text) as { range: Record<string, string[]> };
  expect(range.diverging).toHaveLength(11);
  expect(range.diverging![5]).toBe(colourOf(demo, 'tide.datum', 'day').hex);
  expect(range.ramp![9]).toBe(colourOf(demo, 'sea-state.9', 'day').hex);
});

test('Swift has Display P3 where the colour needs it, and sRGB elsewhere', async () => {
  const { text, notes } = write('swift', { wide: true }, harshBrand);
  expect(text).toContain('wideGreen = Color(.displayP3, red: 0.000000, green: 1.000000, blue: 0.000000, opacity: 1)');
  expect(text.match(/\.displayP3/g)).toHaveLength(2 * harshBrand.themes.length);
  expect(notes).toEqual([]);
  expect((await constantsOf('swift', text)).length).toBe(harshBrand.tokens.length * harshBrand.themes.length);
});

test('the asset catalog has Display P3 where the colour needs it, and a dark colour beside the light one', () => {
  const { files } = write('asset-catalog', { wide: true }, harshBrand);
  const set = (name: string) =>
    JSON.parse(
      new TextDecoder().decode(files.find(({ path }) => path === `Colours.xcassets/${name}.colorset/Contents.json`)!.bytes),
    ) as {
      colors: { color: { 'color-space': string; components: { green: string } } }[];
    };
  expect(set('wide-green').colors[0]!.color).toMatchObject({ 'color-space': 'display-p3', components: { green: '1.000000' } });
  expect(set('text-default').colors.map(({ color }) => color['color-space'])).toEqual(['srgb', 'srgb']);
});

test('the bundle is deterministic, and the zip holds what the manifest says', async () => {
  const [one, two] = await Promise.all([bundle(demo, new Map()), bundle(structuredClone(demo), new Map())]);
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
  const { findings } = await bundle(brand, new Map());
  expect(findings).toContainEqual(expect.objectContaining({ severity: 'error', message: expect.stringContaining(sentence) }));
});
