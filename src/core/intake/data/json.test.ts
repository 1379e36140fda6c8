import { coloursOf, leftOutOf } from '../../../../tests/colours-of';
import { readFile } from '../readers';

const read = async (source: string) => (await readFile({ name: 'deck.json', bytes: new TextEncoder().encode(source) }))!;
const found = async (source: string) =>
  coloursOf(await read(source)).flatMap(({ swatches }) => swatches.map(({ name, css }) => [name, css]));

test.each([
  ['{"sound": "#1f6f78", "title": "Deck"}', [['sound', '#1f6f78']]],
  [
    '["#1f6f78", "da452c"]',
    [
      ['1', '#1f6f78'],
      ['2', '#da452c'],
    ],
  ],
  [
    '{"series": ["#1f6f78", "#da452c"]}',
    [
      ['series 1', '#1f6f78'],
      ['series 2', '#da452c'],
    ],
  ],
  [
    '{"colours": [{"name": "Sound", "hex": "#1f6f78"}, {"name": "Buoy", "value": "rgb(218 69 44)"}]}',
    [
      ['Sound', '#1f6f78'],
      ['Buoy', 'rgb(218 69 44)'],
    ],
  ],
  ['{"fill": "teal", "animal": "salmon"}', [['fill', 'teal']]],
  ['{"rgb": [31, 111, 120], "margin": [31, 111, 120]}', [['rgb', '#1f6f78']]],
  ['{"ink": [0.5, 0, 1]}', [['ink', 'color(srgb 0.5 0 1)']]],
  ['{"port": "8080", "id": "202611", "hash": "abcdef"}', []],
  ['{"// note": 1, "a": "#1f6f78",} // trailing', [['a', '#1f6f78']]],
])('%s', async (source, expected) => {
  expect(await found(source)).toEqual(expected);
});

test('a code of a wrong length is left out with its place; what stands before a fault is read', async () => {
  const left = leftOutOf(await read('{\n  "a": "#12345"\n}'));
  expect(left).toMatchObject([{ line: 2, column: 9, doubts: [{ kind: 'length' }] }]);
  const damaged = await read('{"a": "#1f6f78", "b": ');
  expect(coloursOf(damaged)[0]!.swatches[0]!.css).toBe('#1f6f78');
  expect(damaged.problems[0]!.message).toContain('This JSON is damaged here');
});

test('an object of a hundred thousand keys is looked through once', async () => {
  // Looking through all keys at each key would take minutes.
  const source = JSON.stringify(
    Object.fromEntries(Array.from({ length: 100_000 }, (_, at) => [`key${at}`, at % 1_000 ? at : '#1f6f78'])),
  );
  expect(await found(source)).toHaveLength(100);
});
