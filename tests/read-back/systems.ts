/** Systems and settings: by their own parsers or by standard libraries. */
import { parseLines } from 'dot-properties';
import postcss from 'postcss';
import { parse as parseYaml } from 'yaml';
import type { WrittenFile } from '@/core/formats/kit/format';
import { eightDigits } from './colours';
import { pairs, perTheme, python, schema, text, valid, type Pair, type Read, type Reader, type Theme } from './files';

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

export const systems: Readonly<Record<string, Reader>> = {
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
};
