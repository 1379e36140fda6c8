/** Games and programs: sources by grammars of their languages, textures by a decoder. */
import { PNG } from 'pngjs';
import fengari from 'fengari';
import { validateBytes } from 'gltf-validator';
import { eightDigits, fromInteger, fromLinear } from './colours';
import { constantsOf } from './program-source';
import { fileEnding, pairs, perTheme, schema, text, type Pair, type Reader } from './files';

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

export const programs: Readonly<Record<string, Reader>> = {
  'game-palette': {
    by: 'pngjs',
    holds: 'tokens',
    read(files, themes) {
      const index = schema(fileEnding(files, '.json')) as { themes: { colours: { name: string }[] }[] };
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
          [...part.matchAll(/^\tconst (\w+) := Color\((?:"(#[0-9a-f]{6})"|(.*))\)$/gm)].map(([, name, hex, shares]): Pair => {
            return [name!, eightDigits(hex ?? shares!.split(', ').map((share) => parseInt(share, 10)))];
          }),
        ),
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
  qml: {
    by: 'a pattern of the test',
    holds: 'tokens',
    read: (files) =>
      text(fileEnding(files, '.qml'))
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
};
