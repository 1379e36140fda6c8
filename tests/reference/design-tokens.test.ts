/**
 * Design Tokens Community Group: Format, Color and Resolver Modules 2025.10. The examples and the shape below are those of
 * the modules, written from memory; colour spaces are checked against CSS Color 4 as colorjs.io has it.
 */
import { Brand, emptyBrand } from '@/core/brand/document/document';
import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { apply } from '@/core/brand/commands/apply';
import { compareTokens } from '@/core/intake/tokens/compare-tokens';
import { newId } from '@/core/brand/document/identity';
import { takeTokens } from '@/core/intake/tokens/take-tokens';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { SPACES } from '@/core/colour/spaces';
import { writeDestination } from '@/core/formats/registry';
import { readTokenFiles } from '@/core/intake/tokens/token-files';
import { tokenColour, tokenTree } from '../arbitrary-tokens';

const bytes = (data: unknown) => new TextEncoder().encode(typeof data === 'string' ? data : JSON.stringify(data));
const read = (data: unknown, name = 'day.tokens.json') => readTokenFiles([{ name, bytes: bytes(data) }]);
const written = (brand: Brand) => {
  const { files, findings } = writeDestination(brand, { name: 'Tokens', format: 'dtcg', options: {} });
  expect(findings).toEqual([]);
  return files.map(({ path, bytes: content }) => ({ name: path, bytes: content, text: new TextDecoder().decode(content) }));
};
/** A brand with nothing but what token files say. */
function brought(files: readonly { name: string; bytes: Uint8Array }[]): Brand {
  const brand = { ...emptyBrand('b', 'B'), themes: [{ id: 'none', name: 'None' }] };
  const { contexts } = readTokenFiles(files);
  const mapped = contexts.map((context) => ({ theme: { id: newId(), name: context.name }, context }));
  const command = takeTokens(brand, mapped, compareTokens(brand, mapped), true, newId);
  const result = command && apply(brand, command);
  if (!result?.ok) throw new Error(result ? result.refusal : 'nothing to take');
  return result.brand;
}
const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));

/** The form of a token file, as the modules describe it. */
const COLOUR = {
  type: 'object',
  required: ['colorSpace', 'components'],
  additionalProperties: false,
  properties: {
    colorSpace: { enum: SPACES.map(({ id }) => id) },
    components: { type: 'array', minItems: 3, maxItems: 3, items: { anyOf: [{ type: 'number' }, { const: 'none' }] } },
    alpha: { type: 'number', minimum: 0, maximum: 1 },
    hex: { type: 'string', pattern: '^#[0-9a-f]{6}$' },
  },
};
const FORM = {
  $id: 'format',
  $ref: '#/$defs/group',
  $defs: {
    token: {
      type: 'object',
      required: ['$value'],
      additionalProperties: false,
      properties: {
        $type: { type: 'string' },
        $value: true,
        $description: { type: 'string' },
        $deprecated: { type: ['boolean', 'string'] },
        $extensions: { type: 'object' },
      },
      if: { properties: { $type: { const: 'color' } }, required: ['$type'] },
      then: { properties: { $value: { anyOf: [COLOUR, { type: 'string', pattern: '^\\{[^{}$.]+(\\.[^{}.]+)*\\}$' }] } } },
    },
    group: {
      type: 'object',
      properties: {
        $schema: { type: 'string' },
        $type: { type: 'string' },
        $description: { type: 'string' },
        $deprecated: { type: ['boolean', 'string'] },
        $extensions: { type: 'object' },
        $extends: { type: 'string' },
        $root: { $ref: '#/$defs/token' },
      },
      patternProperties: {
        '^[^${}.][^{}.]*$': { if: { required: ['$value'] }, then: { $ref: '#/$defs/token' }, else: { $ref: '#/$defs/group' } },
      },
      additionalProperties: false,
    },
  },
};
const RESOLVER = {
  type: 'object',
  required: ['version', 'resolutionOrder'],
  properties: {
    version: { const: '2025.10' },
    modifiers: {
      type: 'object',
      additionalProperties: {
        type: 'object',
        required: ['contexts'],
        properties: {
          contexts: { type: 'object', minProperties: 1, additionalProperties: { type: 'array' } },
          default: { type: 'string' },
        },
      },
    },
    resolutionOrder: { type: 'array', minItems: 1, items: { type: 'object' } },
  },
};
const ajv = new Ajv({ strict: false });
const isFormat = ajv.compile(FORM);
const isResolver = ajv.compile(RESOLVER);

test('examples of the format module: groups, inherited types, aliases, chains, root tokens, deprecation, older strings', () => {
  const { contexts, problems } = read({
    'token group': { 'token uno': { $value: '#ff0000', $type: 'color' } },
    brand: {
      $type: 'color',
      $description: 'Inherited by all below.',
      $deprecated: 'Use the new set.',
      acid: { $value: { colorSpace: 'srgb', components: [0, 1, 0.4], hex: '#00ff66' } },
      kept: { $value: '#123456', $deprecated: false },
      deep: { $root: { $value: '{brand.acid}' }, light: { $value: '{brand.deep.$root}' } },
    },
    alias: { $ref: '#/brand/acid', $type: 'color' },
    button: { $type: 'color', back: { $value: '#000001' }, text: { $value: '#ffffff' } },
    'button-primary': { $extends: '{button}', back: { $value: '#0000ff' } },
    space: { $type: 'dimension', small: { $value: { value: 4.0, unit: 'px' } } },
    circle: { $type: 'color', a: { $value: '{circle.b}' }, b: { $value: '{circle.a}' } },
    lost: { $type: 'color', $value: '{nowhere.at.all}' },
  });
  const tokens = [...contexts[0]!.tokens.values()].map(({ path, alias, colour, deprecated }) => [
    path,
    alias,
    colour?.hex,
    deprecated,
  ]);
  expect(tokens).toEqual([
    ['token group.token uno', null, '#ff0000', null],
    ['brand.acid', null, '#00ff66', 'Use the new set.'],
    ['brand.kept', null, '#123456', null],
    ['brand.deep', 'brand.acid', '#00ff66', 'Use the new set.'],
    ['brand.deep.light', 'brand.deep', '#00ff66', 'Use the new set.'],
    ['alias', 'brand.acid', '#00ff66', null],
    ['button.back', null, '#000001', null],
    ['button.text', null, '#ffffff', null],
    ['button-primary.text', null, '#ffffff', null],
    ['button-primary.back', null, '#0000ff', null],
    ['lost', 'nowhere.at.all', undefined, null],
  ]);
  expect(problems.map(({ message }) => message)).toEqual([
    'circle.a goes round in a circle: circle.a → circle.b → circle.a.',
    'lost points at nowhere.at.all, which is not in this file.',
  ]);
  expect(contexts[0]!.carried.map(({ keys, json }) => [keys.join('/'), json])).toContainEqual([
    'space/small',
    '{"$value":{"value":4,"unit":"px"}}',
  ]);
});

test('every colour space of the colour module comes to what CSS Color 4 makes of it, none and alpha included', () => {
  fc.assert(
    fc.property(tokenColour, (css) => {
      const brand = {
        ...emptyBrand('b', 'B'),
        tokens: [{ id: 't', path: 't', role: 'other' as const, description: '', on: [], values: { day: { colour: css } } }],
      };
      const [file] = written(brand);
      const json = JSON.parse(file!.text) as {
        t: { $value: { colorSpace: string; components: (number | 'none')[]; alpha?: number; hex: string } };
      };
      const { colorSpace, components, alpha = 1 } = json.t.$value;
      // The other library's own names of the spaces; it takes a missing component as null.
      const names: Record<string, string> = {
        'display-p3': 'p3',
        'a98-rgb': 'a98rgb',
        'prophoto-rgb': 'prophoto',
        'xyz-d65': 'xyz-d65',
        'xyz-d50': 'xyz-d50',
      };
      const theirs = new Color({
        space: Color.Space.get(names[colorSpace] ?? colorSpace),
        coords: components.map((component) => (component === 'none' ? null : component)) as [number, number, number],
        alpha,
      });
      const expected = new Color(css);
      const [a, b] = [theirs, expected].map((colour) => colour.to('xyz-d65').coords.map((value) => value ?? 0));
      a!.forEach((value, at) => expect(value).toBeCloseTo(b![at]!, 5));
      const back = readTokenFiles([file!]).contexts[0]!.tokens.get('t')!.colour!;
      expect([back.hex, back.alpha]).toEqual([resolveTheme(brand, 'day').get('t')!.colour!.hex, alpha]);
    }),
    { numRuns: 300 },
  );
});

test('what is written has the form of the modules, for the demo and for any tree', () => {
  const check = (brand: Brand) => {
    for (const { name, text } of written(brand)) {
      const data: unknown = JSON.parse(text);
      const valid = name.endsWith('.resolver.json') ? isResolver(data) : isFormat(data);
      if (!valid)
        throw new Error(`${name}: ${ajv.errorsText(name.endsWith('.resolver.json') ? isResolver.errors : isFormat.errors)}`);
    }
  };
  check(demo);
  fc.assert(fc.property(tokenTree, check), { numRuns: 60 });
  expect(isFormat({ a: { $type: 'color', $value: { colorSpace: 'srgb', components: [0, 1] } } })).toBe(false);
});

test('any tree written and read again is the same: order, aliases, colours to the last digit, words, what other tools keep', () => {
  fc.assert(
    fc.property(tokenTree, (brand) => {
      const files = written(brand);
      const again = brought(files);
      // A group that is a token as well is written where its first token stands.
      expect(again.tokens.map(({ path }) => path).sort()).toEqual(brand.tokens.map(({ path }) => path).sort());
      for (const token of brand.tokens) {
        const other = again.tokens.find(({ path }) => path === token.path)!;
        expect([other.description, other.deprecated, other.extensions]).toEqual([
          token.description,
          token.deprecated,
          token.extensions,
        ]);
        brand.themes.forEach(({ id }, at) => {
          const theme = again.themes[at + 1]!.id;
          const [one, two] = [token.values[id]!, other.values[theme]!];
          if ('token' in one)
            expect('token' in two && again.tokens.find((target) => target.id === two.token)!.path).toBe(
              brand.tokens.find((target) => target.id === one.token)!.path,
            );
          expect(resolveTheme(again, theme).get(other.id)!.colour!.oklch).toEqual(
            resolveTheme(brand, id)
              .get(token.id)!
              .colour!.oklch.map((value) => expect.closeTo(value, 6)),
          );
        });
      }
      expect(written({ ...again, themes: again.themes.slice(1), id: 'b' }).map(({ text }) => text)).toEqual(
        files.map(({ text }) => text),
      );
    }),
    { numRuns: 60 },
  );
});

test('what is not a colour comes back byte for byte, in its place and its order', () => {
  const source = `{
  "space": {
    "$type": "dimension",
    "900": { "$value": {"value": 1.0,   "unit": "px"} },
    "50": { "$value": { "value": 4e1, "unit": "px" }, "$extensions": { "b": 1, "a": [ ] } }
  },
  "ink": { "$type": "color", "$value": "#112233" },
  "edge": { "$type": "border", "$value": { "color": "{ink}", "width": "{space.900}", "style": "solid" } },
  "$extensions": { "org.example": { "version": 7.50 } }
}`;
  const brand = brought([{ name: 'x.tokens.json', bytes: bytes(source) }]);
  const text = written({ ...brand, themes: brand.themes.slice(1) })[0]!.text;
  for (const part of [
    '"900": { "$value": {"value": 1.0,   "unit": "px"} }',
    '"value": 4e1',
    '"$extensions": { "b": 1, "a": [ ] }',
    '"version": 7.50',
  ])
    expect(text).toContain(part);
  const places = ['"$type": "dimension"', '"900"', '"50"', '"ink"', '"edge"', '"org.example"'].map((key) => text.indexOf(key));
  expect(places).toEqual([...places].sort((one, two) => one - two));
});

test('a resolver: sets below, contexts above, one modifier for the themes, and files that were not given', () => {
  const files = [
    {
      name: 'tokens/brand.resolver.json',
      bytes: bytes({
        version: '2025.10',
        sets: { base: { sources: [{ $ref: 'base.json' }, { extra: { $type: 'color', $value: '#010101' } }] } },
        modifiers: {
          density: { contexts: { loose: [], tight: [{ $ref: 'tight.json' }] }, default: 'loose' },
          theme: {
            contexts: { light: [{ ground: { $type: 'color', $value: '#ffffff' } }], dark: [{ $ref: 'dark.json' }] },
            default: 'light',
          },
        },
        resolutionOrder: [{ $ref: '#/sets/base' }, { $ref: '#/modifiers/density' }, { $ref: '#/modifiers/theme' }],
      }),
    },
    {
      name: 'tokens/base.json',
      bytes: bytes({ ground: { $type: 'color', $value: '#888888' }, page: { $type: 'color', $value: '{ground}' } }),
    },
    { name: 'tokens/dark.json', bytes: bytes({ ground: { $type: 'color', $value: '#000000' } }) },
  ];
  const { contexts, problems } = readTokenFiles(files);
  expect(
    contexts.map(({ name, tokens }) => [name, ...[...tokens.values()].map(({ path, colour }) => `${path} ${colour!.hex}`)]),
  ).toEqual([
    ['light', 'ground #ffffff', 'page #ffffff', 'extra #010101'],
    ['dark', 'ground #000000', 'page #000000', 'extra #010101'],
  ]);
  expect(problems.map(({ severity, message }) => `${severity} ${message}`)).toEqual([
    'warning tokens/brand.resolver.json: The modifier density is taken in its default context; themes come from theme.',
  ]);
  expect(readTokenFiles(files.slice(0, 2)).problems.map(({ message }) => message)).toContainEqual(
    expect.stringContaining('The resolver takes dark.json, which was not given; add that file.'),
  );
});

test('the demo through its own files is the demo: nothing is different', () => {
  const { contexts } = readTokenFiles(written(demo));
  const mapped = contexts.map((context, at) => ({ theme: demo.themes[at]!, context }));
  expect(compareTokens(demo, mapped)).toEqual([]);
});
