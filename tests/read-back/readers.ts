/** How each destination's files are read back: by the consumer itself where there is one, else by a parser that is not ours. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import { createSystem, defaultConfig } from '@chakra-ui/react';
import { createTheme } from '@mui/material/styles';
import Ajv2020 from 'ajv/dist/2020';
import Color from 'colorjs.io';
import { init, registerTheme } from 'echarts';
import ExcelJS from 'exceljs';
import { transform } from 'lightningcss';
import { parseLines } from 'dot-properties';
import lessCompiler from 'less';
import { PNG } from 'pngjs';
import postcss from 'postcss';
import { compileString } from 'sass';
import ts from 'typescript';
import fengari from 'fengari';
import { validateBytes } from 'gltf-validator';
import { parse as parseYaml } from 'yaml';
import type { Page } from 'puppeteer-core';
import { textFile, type WrittenFile } from '@/core/formats/format';
import { eightDigits, fromInteger, fromLinear, type ReadValue } from './colours';
import { computed, drawPlotly, drawVega, type Drawing } from './chromium';
import { constantsOf } from './program-source';

/** A name as the file has it, and the colour as `rrggbbaa`. */
export type Pair = readonly [name: string, colour: string];

export interface Reader {
  /** The consumer or parser, named for the table. */
  readonly by: string;
  /** What the file is for: every token in every theme, the parts of a chart, the sixteen of a terminal, or swatches. */
  readonly holds: 'tokens' | 'chart' | 'terminal' | 'office' | 'swatches';
  /** The colour it cannot hold: it is written laid over the ground, or opaque. */
  readonly opaque?: boolean;
  /** A list a theme, in the themes' order; a list a palette for swatches. */
  readonly read: (files: readonly WrittenFile[], themes: readonly Theme[], page: Page) => Promise<Pair[][]> | Pair[][];
}

export interface Theme {
  /** The theme's word in files. */
  readonly word: string;
}

const text = ({ bytes }: WrittenFile) => new TextDecoder().decode(bytes);
const one = (files: readonly WrittenFile[], ending: string) => files.find(({ path }) => path.endsWith(ending))!;
const pairs = (list: readonly (readonly [string, ReadValue])[]): Pair[] =>
  list.map(([name, value]) => [name, eightDigits(value)]);
/** The file of each theme, by its word at the end of the name. */
const perTheme = (files: readonly WrittenFile[], themes: readonly Theme[], ending: string) =>
  themes.map(({ word }) => files.find(({ path }) => basename(path).endsWith(`${word}${ending}`))!);

/** Files laid into a folder of their own. */
export function laid(files: readonly WrittenFile[]): { folder: string; at: (file: WrittenFile) => string } {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-read-'));
  for (const { path, bytes } of files) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  return { folder, at: ({ path }) => join(folder, path) };
}

type Read = [string, ReadValue][];

/** Python's standard library: tests/read-back/foreign.py. */
function python<T = Read>(kind: string, files: readonly WrittenFile[]): T[] {
  const { at } = laid(files);
  const output = execFileSync('python3', ['tests/read-back/foreign.py', kind, ...files.map(at)], { maxBuffer: 1 << 26 });
  return JSON.parse(output.toString()) as T[];
}

/** Documents that are valid against the schema they come with, and not with one digit less. */
function valid(files: readonly WrittenFile[], documents: readonly WrittenFile[]): readonly WrittenFile[] {
  const broken = textFile('broken.xml', 'application/xml', text(documents[0]!).replace(/>#[0-9a-f]{6}</, '>#12345<'));
  const { at } = laid([...files, broken]);
  const check = (list: readonly WrittenFile[]) =>
    execFileSync('xmllint', ['--noout', '--nonet', '--schema', at(one(files, '.xsd')), ...list.map(at)], { stdio: 'pipe' });
  check(documents);
  expect(() => check([broken])).toThrow();
  return documents;
}

/** A module of the files, as Node loads it. CommonJS, so that it can be loaded here. */
function loaded(file: WrittenFile): Record<string, unknown> {
  const source = ts.transpileModule(text(file), {
    compilerOptions: { module: ts.ModuleKind.CommonJS, target: ts.ScriptTarget.ES2022 },
  });
  const { folder } = laid([{ ...file, path: 'module.cjs', bytes: new TextEncoder().encode(source.outputText) }]);
  return createRequire(__filename)(join(folder, 'module.cjs')) as Record<string, unknown>;
}

/** Every text in nested objects, in order. */
function leaves(value: unknown, path: readonly string[] = []): Read {
  if (typeof value === 'string') return [[path.join('.'), value]];
  return Object.entries(value as object).flatMap(([key, inner]) => leaves(inner, [...path, key]));
}

/** Declarations of a sheet by the selector's theme, by PostCSS. */
function blocks(sheet: string, themes: readonly Theme[]): Read[] {
  const root = postcss.parse(sheet);
  return themes.map(({ word }) => {
    const found: Read = [];
    root.walkRules((rule) => {
      if (new RegExp(`data-theme=['"]?${word}['"]?\\]`).test(rule.selector))
        rule.walkDecls(({ prop, value }) => void found.push([prop, value]));
    });
    return found;
  });
}

const drawnByEcharts: Reader['read'] = (files, themes) =>
  perTheme(files, themes, '.json').map((file) => {
    const theme = JSON.parse(text(file)) as { color: string[]; tokens: { color: string[] } };
    registerTheme(file.path, theme);
    const chart = init(null, file.path, { renderer: 'svg', ssr: true, width: 600, height: 300 });
    const bars = theme.color.map((_, at) => at + 1);
    chart.setOption({
      animation: false,
      title: { text: 'Sailings' },
      xAxis: { type: 'category', data: bars.map(String), show: false },
      yAxis: { show: false },
      series: [{ type: 'bar', colorBy: 'data', data: bars }],
    });
    const svg = chart.renderToSVGString();
    chart.dispose();
    const fills = [...svg.matchAll(/<path[^>]*fill="(#[0-9a-f]+)"/g)].map(([, fill]) => fill!);
    const ground = /<rect[^>]*fill="(#[0-9a-f]+)"/.exec(svg)![1]!;
    const title = /fill="(#[0-9a-f]+)"[^>]*>Sailings/.exec(svg)![1]!;
    return pairs([...fills.map((fill): [string, string] => ['series', fill]), ['ground', ground], ['text', title]]);
  });

/** By Vega, and by Vega-Lite on top of it, with the same configuration; both must draw alike. */
const drawnInVega: Reader['read'] = async (files, themes, page) => {
  const found: Pair[][] = [];
  for (const file of perTheme(files, themes, '.json')) {
    const { full, lite } = await drawVega(page, schema(file) as { range: { category: string[] } });
    expect(lite).toEqual(full);
    found.push(drawing(full));
  }
  return found;
};

const drawing = ({ fills, ground, title }: Drawing) =>
  pairs([...fills.map((fill): [string, string] => ['series', fill]), ['ground', ground], ['text', title]]);

const sourceFile =
  (language: Parameters<typeof constantsOf>[0], order: 'argb' | 'rgba'): Reader['read'] =>
  async (files, themes) => {
    const constants = await constantsOf(language, text(files[0]!));
    const groups = [...new Set(constants.map(({ group }) => group))];
    expect(groups).toHaveLength(themes.length);
    return groups.map((group) =>
      constants.filter((each) => each.group === group).map(({ name, value }): Pair => [name, fromInteger(value, order)]),
    );
  };

/** SwiftUI's call with four shares of 255. */
function fromSwift(call: string): string {
  return eightDigits(
    [...call.matchAll(/: (\d+)(?:\.0 \/ 255)?/g)].map(([whole, number]) => Number(number) * (whole.includes('255') ? 1 : 255)),
  );
}

const swatchFiles =
  (kind: string): Reader['read'] =>
  (files) =>
    python(kind, files).map(pairs);
const schema = (file: WrittenFile) => JSON.parse(text(file)) as unknown;

export const READERS: Readonly<Record<string, Reader>> = {
  brand: {
    by: 'JSON.parse, colorjs.io',
    holds: 'swatches',
    read: ([file]) =>
      (schema(file!) as { palettes: { swatches: { name: string; value: string }[] }[] }).palettes.map(({ swatches }) =>
        pairs(swatches.map(({ name, value }) => [name, value])),
      ),
  },
  palette: {
    by: 'JSON.parse, colorjs.io',
    holds: 'swatches',
    read: (files) =>
      files.map((file) =>
        pairs((schema(file) as { swatches: { name: string; value: string }[] }).swatches.map(({ name, value }) => [name, value])),
      ),
  },
  echarts: { by: 'Apache ECharts, drawn as SVG', holds: 'chart', read: drawnByEcharts },
  vega: { by: 'Vega and Vega-Lite, drawn as SVG', holds: 'chart', read: drawnInVega },
  plotly: {
    by: 'Plotly, drawn in Chromium',
    holds: 'chart',
    async read(files, themes, page) {
      const found: Pair[][] = [];
      for (const file of perTheme(files, themes, '.json')) {
        const template = schema(file) as { layout: { colorway: string[] } };
        found.push(drawing(await drawPlotly(page, template, template.layout.colorway.length)));
      }
      return found;
    },
  },
  matplotlib: {
    by: 'Python ast, as the style is parsed',
    holds: 'chart',
    read: (files, themes) =>
      python('style', perTheme(files, themes, '.mplstyle')).map((list) => {
        const of = (key: string, name: string): Read => list.filter(([own]) => own === key).map(([, value]) => [name, value]);
        return pairs([...of('series', 'series'), ...of('figure.facecolor', 'ground'), ...of('text.color', 'text')]);
      }),
  },
  d3: {
    by: 'Node, as a module',
    holds: 'chart',
    read: ([file]) =>
      Object.values(loaded(file!).themes as Record<string, { category: string[]; ground: string; text: string }>).map((theme) =>
        pairs([
          ...theme.category.map((hex): [string, string] => ['series', hex]),
          ['ground', theme.ground],
          ['text', theme.text],
        ]),
      ),
  },
  'dashboard-xml': {
    by: 'Python xml.etree; valid by xmllint',
    holds: 'tokens',
    read: (files, themes) => python('dashboard', valid(files, perTheme(files, themes, '.xml'))).map(pairs),
  },
  'dashboard-json': {
    by: 'JSON.parse; valid by Ajv',
    holds: 'tokens',
    read(files, themes) {
      const valid = new Ajv2020().compile(schema(one(files, 'schema.json')) as object);
      return perTheme(files, themes, '.json').map((file) => {
        const content = schema(file) as { tokens: { name: string; value: string }[] };
        expect(valid(content) ? [] : valid.errors).toEqual([]);
        expect(valid({ ...content, ground: '12345g' })).toBe(false);
        return pairs(content.tokens.map(({ name, value }) => [name, value]));
      });
    },
  },
  css: {
    by: 'Chromium, computed; PostCSS, Lightning CSS',
    holds: 'tokens',
    async read([file], themes, page) {
      const sheet = text(file!);
      transform({ filename: 'sheet.css', code: Buffer.from(file!.bytes), errorRecovery: false });
      const names = blocks(sheet, themes)[0]!.map(([name]) => name);
      const found: Pair[][] = [];
      for (const { word } of themes) {
        const colours = await computed(page, sheet, word, names);
        found.push(pairs(names.map((name, at): [string, string] => [name, colours[at]!])));
      }
      return found;
    },
  },
  utilities: {
    by: 'PostCSS',
    holds: 'tokens',
    read([file], themes) {
      const classes = new Set<string>();
      postcss.parse(text(file!)).walkDecls('color', ({ value }) => void classes.add(/var\((.*)\)/.exec(value)![1]!));
      return blocks(text(file!), themes).map((block) => pairs(block.filter(([name]) => classes.has(name))));
    },
  },
  sass: {
    by: 'Sass, compiled; PostCSS',
    holds: 'tokens',
    read([file], themes) {
      const source = `${text(file!)}\n@each $name, $theme in $themes { [data-theme='#{$name}'] { @each $token, $colour in $theme { --#{$token}: #{$colour}; } } }`;
      return blocks(compileString(source).css, themes).map(pairs);
    },
  },
  less: {
    by: 'Less, compiled; PostCSS',
    holds: 'tokens',
    async read([file], themes) {
      const names = [...text(file!).matchAll(/^ {2}([^:\s]+): /gm)]
        .map(([, name]) => name!)
        .slice(0, text(file!).match(/^@(?!theme-)/gm)!.length);
      const rules = themes.map(
        ({ word }) => `[data-theme='${word}'] { ${names.map((name) => `--${name}: @theme-${word}[${name}];`).join(' ')} }`,
      );
      const { css } = await lessCompiler.render(`${text(file!)}\n${rules.join('\n')}`);
      return blocks(css, themes).map(pairs);
    },
  },
  bootstrap: {
    by: 'Bootstrap 5 compiled by Sass; PostCSS',
    holds: 'tokens',
    opaque: true,
    read: (files, themes) =>
      perTheme(files, themes, '.scss').map((file) => {
        const source = `@import 'functions'; ${text(file)} @import 'variables'; @import 'variables-dark';
          $theme-colors: map-merge($theme-colors, $brand-colors); @import 'maps'; @import 'mixins'; @import 'root';
          :root { --the-body: #{$body-bg}; --the-text: #{$body-color}; --the-button: #{$primary}; }`;
        const { css } = compileString(source, {
          loadPaths: ['node_modules/bootstrap/scss'],
          quietDeps: true,
          silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
        });
        // Bootstrap has a black and a white of its own before the brand's: what stands last counts.
        const found = new Map<string, string>();
        postcss.parse(css).walkDecls(/^--bs-/, ({ prop, value }) => void found.set(prop, value));
        const own = [...text(file).matchAll(/^ {2}'([^']+)'/gm)].map(([, name]) => `--bs-${name}`);
        return pairs(own.map((name): [string, string] => [name, found.get(name)!]));
      }),
  },
  chakra: {
    by: 'Chakra UI’s createSystem, its variables',
    holds: 'tokens',
    read([file], themes) {
      type Config = { conditions: Record<string, string>; theme: { semanticTokens: { colors: object } } };
      const config = loaded(file!).config as Config;
      const { tokens } = createSystem(defaultConfig, config as Parameters<typeof createSystem>[1] & object);
      const own = leaves(config.theme.semanticTokens.colors).map(([path]) => path.replace(/(?:\.DEFAULT)?\.value\..*$/, ''));
      return themes.map(({ word }, at) => {
        const name = Object.entries(config.conditions).find(([, selector]) => selector.includes(`=${word}]`))?.[0];
        const variables = tokens.cssVarMap.get(at === 0 ? 'base' : `_${name}`)!;
        return pairs(
          [...new Set(own)].map((path): [string, string] => {
            return [
              path.replace(/^proto$/, '__proto__'),
              variables.get(tokens.getVar(`colors.${path}`)!.slice('var('.length, -1))!,
            ];
          }),
        );
      });
    },
  },
  mui: {
    by: 'MUI’s createTheme',
    holds: 'tokens',
    read: ([file]) =>
      Object.values(loaded(file!).themes as Record<string, object>).map((theme) => {
        const { palette } = createTheme(theme) as unknown as {
          palette: { tokens: Record<string, string>; primary: { main: string } };
        };
        expect(palette.primary.main).toMatch(/^#/);
        return pairs(Object.entries(palette.tokens));
      }),
  },
  javascript: {
    by: 'Node, as a module',
    holds: 'tokens',
    read: ([file]) => Object.values(loaded(file!).themes as Record<string, unknown>).map((theme) => pairs(leaves(theme))),
  },
  typescript: {
    by: 'TypeScript, checked; Node',
    holds: 'tokens',
    read([file]) {
      const { at } = laid([file!]);
      const program = ts.createProgram([at(file!)], { strict: true, noEmit: true, target: ts.ScriptTarget.ES2022, types: [] });
      const complaints = ts
        .getPreEmitDiagnostics(program)
        .map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, ' '));
      expect(complaints).toEqual([]);
      return Object.values(loaded(file!).themes as Record<string, unknown>).map((theme) => pairs(leaves(theme)));
    },
  },
  'game-palette': {
    by: 'pngjs',
    holds: 'tokens',
    read(files, themes) {
      const index = schema(one(files, '.json')) as { themes: { colours: { name: string }[] }[] };
      return perTheme(files, themes, '.png').map((file, at) => {
        const { data } = PNG.sync.read(Buffer.from(file.bytes));
        return index.themes[at]!.colours.map(({ name }, pixel): Pair => [
          name,
          data.subarray(pixel * 4, pixel * 4 + 4).toString('hex'),
        ]);
      });
    },
  },
  gltf: {
    by: 'JSON.parse; glTF-Validator',
    holds: 'tokens',
    read: (files, themes) =>
      Promise.all(
        perTheme(files, themes, '.gltf').map(async (file) => {
          const { issues } = await validateBytes(file.bytes);
          expect(issues.messages.filter(({ severity }) => severity <= 1)).toEqual([]);
          type Material = { name: string; pbrMetallicRoughness: { baseColorFactor: number[] } };
          const { materials } = schema(file) as { materials: Material[] };
          return materials.map(({ name, pbrMetallicRoughness }): Pair => [
            name,
            fromLinear(pbrMetallicRoughness.baseColorFactor),
          ]);
        }),
      ),
  },
  csharp: { by: 'tree-sitter, C#', holds: 'tokens', read: sourceFile('c_sharp', 'rgba') },
  'c-header': {
    by: 'tree-sitter, C',
    holds: 'tokens',
    async read([file], themes) {
      const constants = (await constantsOf('c', text(file!))).filter(({ value }) => value.startsWith('0x'));
      const each = constants.length / themes.length;
      return themes.map((_, at) =>
        constants.slice(at * each, (at + 1) * each).map(({ name, value }): Pair => [name, fromInteger(value, 'rgba')]),
      );
    },
  },
  rust: { by: 'tree-sitter, Rust', holds: 'tokens', read: sourceFile('rust', 'rgba') },
  lua: { by: 'Lua 5.3 (Fengari), run', holds: 'tokens', read: ([file]) => runLua(text(file!)) },
  gdscript: {
    by: 'a pattern of the test',
    holds: 'tokens',
    read: ([file]) =>
      text(file!)
        .split(/^class \w+:$/m)
        .slice(1)
        .map((part) =>
          [...part.matchAll(/^\tconst (\w+) := Color\("#([0-9a-f]{8})"\)$/gm)].map(([, name, hex]): Pair => [name!, hex!]),
        ),
  },
  'xml-resources': {
    by: 'Python xml.etree; valid by xmllint',
    holds: 'tokens',
    read: (files, themes) => python('resources', valid(files, perTheme(files, themes, '.xml'))).map(pairs),
  },
  android: {
    by: 'Python xml.etree',
    holds: 'tokens',
    read: (files) => python('android', files).map(pairs),
  },
  'asset-catalog': {
    by: 'JSON.parse',
    holds: 'tokens',
    read: (files, themes) => readCatalog(files, themes),
  },
  swift: {
    by: 'tree-sitter, Swift',
    holds: 'tokens',
    async read([file]) {
      const constants = await constantsOf('swift', text(file!));
      const groups = [...new Set(constants.map(({ group }) => group))];
      return groups.map((group) =>
        constants.filter((each) => each.group === group).map(({ name, value }): Pair => [name, fromSwift(value)]),
      );
    },
  },
  kotlin: { by: 'tree-sitter, Kotlin', holds: 'tokens', read: sourceFile('kotlin', 'argb') },
  dart: { by: 'tree-sitter, Dart', holds: 'tokens', read: sourceFile('dart', 'argb') },
  qss: {
    by: 'PostCSS',
    holds: 'tokens',
    read: (files, themes) =>
      perTheme(files, themes, '.qss').map((file) => {
        const found: Read = [];
        postcss.parse(text(file)).walkDecls('color', ({ value, parent }) => {
          const [, name] = /\[ink="(.*)"\]/.exec((parent as postcss.Rule).selector)!;
          const bytes = /^rgba\((.*)\)$/.exec(value)?.[1]?.split(',').map(Number);
          found.push([name!, bytes ?? value]);
        });
        return pairs(found);
      }),
  },
  qml: {
    by: 'a pattern of the test',
    holds: 'tokens',
    read: (files) =>
      text(one(files, '.qml'))
        .split(/readonly property QtObject \w+: QtObject \{/)
        .slice(1)
        .map((part) =>
          pairs(
            [...part.matchAll(/property color (\w+): "#([0-9a-f]+)"/g)].map(([, name, hex]): [string, string] => [
              name!,
              hex!.length === 6 ? `#${hex}` : `#${hex!.slice(2)}${hex!.slice(0, 2)}`,
            ]),
          ),
        ),
  },
  gtk: {
    by: 'PostCSS',
    holds: 'tokens',
    read: (files, themes) =>
      perTheme(files, themes, '.css').map((file) => {
        const found: Read = [];
        postcss.parse(text(file)).walkAtRules('define-color', ({ params }) => {
          const [name, ...rest] = params.split(' ');
          found.push([name!, rest.join(' ')]);
        });
        return pairs(found);
      }),
  },
  'x-resources': {
    by: 'the X library’s resource manager',
    holds: 'terminal',
    opaque: true,
    read: (files, themes) => python('xrdb', perTheme(files, themes, '.xresources')).map(pairs),
  },
  'linux-console': {
    by: 'Python',
    holds: 'terminal',
    opaque: true,
    read: (files, themes) => python('console', perTheme(files, themes, '.vtrgb')).map(pairs),
  },
  ini: {
    by: 'Python configparser',
    holds: 'tokens',
    read: (files) => Object.values(python<Record<string, Read>>('ini', files)[0]!).map(pairs),
  },
  template: {
    by: 'Python configparser (the first template writes INI)',
    holds: 'tokens',
    read: (files) => Object.values(python<Record<string, Read>>('ini', files)[0]!).map(pairs),
  },
  properties: {
    by: 'dot-properties',
    holds: 'tokens',
    read: (files, themes) =>
      perTheme(files, themes, '.properties').map((file) =>
        pairs(parseLines(text(file)).filter((line): line is [string, string] => Array.isArray(line))),
      ),
  },
  toml: {
    by: 'Python tomllib',
    holds: 'tokens',
    read: (files) => Object.values(python<Record<string, Read>>('toml', files)[0]!).map(pairs),
  },
  yaml: {
    by: 'yaml',
    holds: 'tokens',
    read: ([file]) => {
      const document = parseYaml(text(file!), { mapAsMap: true }) as Map<string, Map<string, string>>;
      return [...document.values()].map((theme) => pairs([...theme]));
    },
  },
  dtcg: {
    by: 'JSON.parse, colorjs.io',
    holds: 'tokens',
    read: (files, themes) => perTheme(files, themes, '.tokens.json').map(readTokens),
  },
  ase: { by: 'Python struct', holds: 'swatches', opaque: true, read: swatchFiles('ase') },
  aco: { by: 'Python struct', holds: 'swatches', opaque: true, read: swatchFiles('aco') },
  'riff-pal': { by: 'Python struct', holds: 'swatches', opaque: true, read: swatchFiles('riff') },
  gpl: { by: 'Python', holds: 'swatches', opaque: true, read: swatchFiles('gpl') },
  soc: { by: 'Python xml.etree', holds: 'swatches', opaque: true, read: swatchFiles('soc') },
  svg: { by: 'Python xml.etree', holds: 'swatches', opaque: true, read: swatchFiles('svg') },
  hex: { by: 'Python', holds: 'swatches', opaque: true, read: swatchFiles('hex') },
  csv: { by: 'Python csv', holds: 'swatches', opaque: true, read: swatchFiles('csv') },
  xlsx: {
    by: 'ExcelJS',
    holds: 'swatches',
    opaque: true,
    async read([file]) {
      const book = new ExcelJS.Workbook();
      await book.xlsx.load(file!.bytes.buffer as ArrayBuffer);
      return book.worksheets.map((sheet) => {
        const rows: Read = [];
        sheet.eachRow((row, at) => {
          if (at === 1) return;
          const fill = row.getCell(row.cellCount).fill as { fgColor?: { argb?: string } };
          const [name, hex] = [row.getCell(1).text, row.getCell(2).text];
          if (fill.fgColor) expect(`#${fill.fgColor.argb!.slice(2).toLowerCase()}`).toBe(hex);
          rows.push([name, hex]);
        });
        return pairs(rows);
      });
    },
  },
  'ooxml-theme': {
    by: 'Python zipfile and xml.etree; ExcelJS',
    holds: 'office',
    opaque: true,
    async read(files, themes) {
      const packages = python('office', perTheme(files, themes, '.thmx')).map(pairs);
      const books = python('office', perTheme(files, themes, '.xlsx')).map(pairs);
      expect(books).toEqual(packages);
      const book = new ExcelJS.Workbook();
      await book.xlsx.load(one(files, '.xlsx').bytes.buffer as ArrayBuffer);
      expect(book.worksheets).toHaveLength(1);
      return packages;
    },
  },
};

/** Runs the file in a Lua machine and lists its tables, the names in the file's order, for a table has none. */
function runLua(source: string): Pair[][] {
  const { lua, lauxlib, lualib, to_luastring: encode, to_jsstring: decode } = fengari;
  const state = lauxlib.luaL_newstate();
  lualib.luaL_openlibs(state);
  const program = `local all = (function() ${source} end)() local out = {}
    for theme, names in pairs(all) do for name, four in pairs(names) do
    out[#out + 1] = theme .. '|' .. name .. '|' .. table.concat(four, ',') end end return table.concat(out, ';')`;
  if (lauxlib.luaL_dostring(state, encode(program))) throw new Error(decode(lua.lua_tostring(state, -1)));
  const rows = new Map(
    decode(lua.lua_tostring(state, -1))
      .split(';')
      .map((row) => [row.replace(/\|[^|]*$/, ''), row.split('|')[2]!]),
  );
  return source
    .split(/^ {2}(?=\w+ = \{$)/m)
    .slice(1)
    .map((part) => {
      const [, theme] = /^(\w+)/.exec(part)!;
      return [...part.matchAll(/^ {4}(\w+) = /gm)].map(([, name]): Pair => {
        return [name!, eightDigits(rows.get(`${theme}|${name}`)!.split(',').map(Number))];
      });
    });
}

function readCatalog(files: readonly WrittenFile[], themes: readonly Theme[]): Pair[][] {
  interface Entry {
    appearances?: unknown[];
    color: { 'color-space': string; components: Record<'red' | 'green' | 'blue' | 'alpha', string> };
  }
  const read = ({ color: { components } }: Entry) =>
    eightDigits([
      ...(['red', 'green', 'blue'] as const).map((channel) => Number(components[channel])),
      Number(components.alpha) * 255,
    ]);
  const sets = files.flatMap((file) => {
    const parts = /^Colours\.xcassets\/(?:([^/]+)\/)?([^/]+)\.colorset\//.exec(file.path);
    return parts ? [{ folder: parts[1] ?? '', name: parts[2]!, colors: (schema(file) as { colors: Entry[] }).colors }] : [];
  });
  const light = sets
    .filter(({ folder }) => folder === '')
    .map(({ name, colors }): Pair => [name, read(colors.find((c) => !c.appearances)!)]);
  const dark = sets
    .filter(({ folder }) => folder === '')
    .map(({ name, colors }): Pair => [name, read(colors.find((c) => c.appearances)!)]);
  const folders = new Set(sets.map(({ folder }) => folder));
  return themes.map(({ word }, at) =>
    at === 0
      ? light
      : folders.has(word)
        ? sets.filter(({ folder }) => folder === word).map(({ name, colors }): Pair => [name, read(colors[0]!)])
        : dark,
  );
}

function readTokens(file: WrittenFile): Pair[] {
  interface Value {
    colorSpace: string;
    components: (number | 'none')[];
    alpha?: number;
  }
  const values = new Map<string, Value | string>();
  const walk = (node: Record<string, unknown>, path: string[]) => {
    if ('$value' in node) values.set(path.join('.'), node.$value as Value | string);
    for (const [key, inner] of Object.entries(node))
      if ((!key.startsWith('$') || key === '$root') && inner && typeof inner === 'object')
        walk(inner as Record<string, unknown>, [...path, key]);
  };
  walk(schema(file) as Record<string, unknown>, []);
  const resolve = (value: Value | string): Value =>
    typeof value === 'string' ? resolve(values.get(value.slice(1, -1))!) : value;
  return [...values].map(([path, value]) => {
    const { colorSpace, components, alpha = 1 } = resolve(value);
    const coords = components.map((one) => (one === 'none' ? null : one)) as [number, number, number];
    const id = colorSpace === 'display-p3' ? 'p3' : colorSpace;
    return [path.replace(/\.\$root$/, ''), eightDigits(new Color(id, coords, alpha))];
  });
}
