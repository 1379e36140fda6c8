import fc from 'fast-check';
import { apply } from '../../brand/commands/apply';
import { compareTokens } from './compare-tokens';
import { Brand, emptyBrand } from '../../brand/document/document';
import { newId } from '../../brand/document/identity';
import { takeTokens } from './take-tokens';
import { unmarked } from '../../formats/kit/marks';
import { markedTokenText } from '../../formats/tokens/dtcg-text';
import { readTokenFiles } from './token-files';

const bytes = (text: string) => new TextEncoder().encode(text);
const file = (text: string, name = 'x.tokens.json') => ({ name, bytes: bytes(text) });

/** Everything of a file taken into an empty brand, as a person would with every tick set. */
function taken(text: string): Brand {
  const brand = emptyBrand('b', 'B');
  const mapped = readTokenFiles([file(text)]).contexts.map((context) => ({ theme: brand.themes[0]!, context }));
  const command = takeTokens(brand, mapped, compareTokens(brand, mapped), true, newId);
  if (!command) return brand;
  const result = apply(brand, command);
  if (!result.ok) throw new Error(result.refusal);
  return Brand.parse(result.brand);
}

/** JSON that now and then looks like tokens, with keys that objects have already. */
const anyJson = fc.letrec((tie) => ({
  node: fc.oneof(
    { maxDepth: 4 },
    fc.constantFrom('#112233', '{a}', '{__proto__}', '#/a', 'red', '', 7, null, true, [0, 1]),
    fc.record({
      colorSpace: fc.constantFrom('srgb', 'oklch', '__proto__'),
      components: fc.array(fc.oneof(fc.double(), fc.constant('none'))),
    }),
    fc.dictionary(
      fc.constantFrom(
        'a',
        'b',
        '__proto__',
        'constructor',
        '$value',
        '$type',
        '$root',
        '$ref',
        '$extends',
        '$deprecated',
        'x y',
        'sets',
        'resolutionOrder',
      ),
      tie('node'),
      {
        maxKeys: 5,
      },
    ),
  ),
})).node;

test('whatever JSON arrives is read without a throw, and what is taken of it is a whole brand', () => {
  fc.assert(
    fc.property(anyJson, (json) => {
      const brand = taken(JSON.stringify(json));
      expect(() => JSON.parse(unmarked(markedTokenText(brand, brand.themes[0]!)).text) as unknown).not.toThrow();
    }),
    { numRuns: 400 },
  );
  expect(Object.keys({})).toEqual([]);
});

test.each([
  ['damaged JSON', '{"a": {"$type": "color", "$value": "#112233"}, "b": ', 'damaged'],
  ['no JSON at all', 'hello', 'damaged'],
  ['too deep', '{"a":'.repeat(300) + '1' + '}'.repeat(300), 'nested more than'],
  ['a group that extends itself', '{"a": {"$extends": "{a}", "b": {"$type": "color", "$value": "#112233"}}}', 'in a circle'],
  [
    'a resolver whose set takes itself',
    '{"version": "2025.10", "sets": {"s": {"sources": [{"$ref": "#/sets/s"}]}}, "resolutionOrder": [{"$ref": "#/sets/s"}]}',
    'circle',
  ],
  [
    'a resolver that asks for a file elsewhere',
    '{"version": "2025.10", "resolutionOrder": [{"$ref": "https://example.org/a.json"}]}',
    'which is not in it',
  ],
])('%s: one clear sentence with its place, and what can be read is read', (_name, text, sentence) => {
  const { problems, contexts } = readTokenFiles([file(text)]);
  expect(problems.map(({ message }) => message).join(' ')).toContain(sentence);
  expect(problems.every(({ line, column }) => line >= 1 && column >= 1)).toBe(true);
  if (text.includes('#112233'))
    expect([...contexts[0]!.tokens.values()].some(({ colour }) => colour?.hex === '#112233')).toBe(true);
});

test('ten thousand tokens in a chain are read, and a circle of as many is told', () => {
  const chain = (end: string) =>
    JSON.stringify(
      Object.fromEntries(
        Array.from({ length: 10_000 }, (_, at) => [`t${at}`, { $type: 'color', $value: at === 9_999 ? end : `{t${at + 1}}` }]),
      ),
    );
  expect(readTokenFiles([file(chain('#112233'))]).contexts[0]!.tokens.get('t0')!.colour!.hex).toBe('#112233');
  expect(readTokenFiles([file(chain('{t0}'))]).contexts[0]!.damaged.size).toBe(10_000);
});

test('files of equal names in different folders are told apart by the longer part of the path', () => {
  const resolver = JSON.stringify({ version: '2025.10', resolutionOrder: [{ sources: [{ $ref: 'dark/colour.json' }] }] });
  const { contexts } = readTokenFiles([
    file(resolver, 'brand.json'),
    file('{"a": {"$type": "color", "$value": "#ffffff"}}', 'light/colour.json'),
    file('{"a": {"$type": "color", "$value": "#000000"}}', 'dark/colour.json'),
  ]);
  expect(contexts[0]!.tokens.get('a')!.colour!.hex).toBe('#000000');
});
