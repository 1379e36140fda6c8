import { strToU8 } from 'fflate';
import { zipFile } from './zip-file';

/**
 * Files made to take endless time or memory: small ones that say much, and large ones of one thing. Each has to be
 * answered within the bounds of docs/performance.md; `npm run bench` measures them.
 */
export const HEAVY_FILES: readonly (readonly [what: string, name: string, make: () => Uint8Array])[] = [
  [
    'a group that extends itself by way of its child',
    'a.tokens.json',
    () => json({ a: { b: { $extends: '{a}' }, c: { $extends: '{a}' }, d: { $value: '#fff' } } }),
  ],
  [
    'groups that extend each other twice, forty deep',
    'a.tokens.json',
    () => json(doubling({ x: { $type: 'color', $value: '#123456' } })),
  ],
  ['the same without a token in them', 'a.tokens.json', () => json({ ...doubling({ x: 1 }), t: { $value: '#fff' } })],
  [
    'twenty thousand groups within each other by extending',
    'a.tokens.json',
    () => json(numbered(20_000, (at) => (at ? { c: { $extends: `{n${at - 1}}` } } : { k: { $value: '#fff' } }))),
  ],
  [
    'a ring of twenty thousand aliases',
    'a.tokens.json',
    () => json(numbered(20_000, (at) => ({ $type: 'color', $value: `{n${(at + 1) % 20_000}}` }))),
  ],
  [
    'forty thousand references to one token',
    'a.tokens.json',
    () => json(numbered(40_000, (at) => (at ? { $type: 'color', $ref: '#/n0' } : { $type: 'color', $value: '#123456' }))),
  ],
  [
    'a resolver of sets of sets, fifty wide and nine deep',
    'a.resolver.json',
    () =>
      json({
        version: '2025.10',
        sets: numbered(9, (at) => ({ sources: Array(50).fill({ $ref: `#/sets/n${at + 1}` }) })),
        resolutionOrder: [{ $ref: '#/sets/n0' }],
      }),
  ],
  [
    'a resolver with twenty thousand contexts',
    'a.resolver.json',
    () =>
      json({
        version: '2025.10',
        modifiers: { theme: { contexts: numbered(20_000, () => [{ t: { $type: 'color', $value: '#fff' } }]) } },
        resolutionOrder: [{ $ref: '#/modifiers/theme' }],
      }),
  ],
  ['a million numbers in a list of JSON', 'a.json', () => strToU8(`{"data":[${Array(1_100_000).fill('17').join()}]}`)],
  [
    'a million figures between commas, three in a cell',
    'a.csv',
    () => strToU8(`${Array(500).fill('x1 y2 z3').join()}\n`.repeat(1_000)),
  ],
  ['two million words between commas', 'a.csv', () => strToU8(`${Array(2_000).fill('x').join()}\n`.repeat(1_000))],
  [
    'a table of sixty thousand lines',
    'a.csv',
    () =>
      strToU8(`name,hex\n${Array.from({ length: 60_000 }, (_, at) => `n${at},#${at.toString(16).padStart(6, '0')}\n`).join('')}`),
  ],
  ['as long a style sheet as is read', 'a.css', () => strToU8('a{color:red}'.repeat(104_000))],
  ['a drawing of two hundred thousand squares', 'a.svg', () => strToU8(`<svg>${'<rect fill="#123456"/>'.repeat(200_000)}</svg>`)],
  ['a style guide of four hundred thousand lines', 'a.txt', () => strToU8('HEX #123456\n'.repeat(400_000))],
  [
    'lists of numbers within a hundred and fifty lists',
    'a.json',
    () => strToU8(`{"color":${'['.repeat(150)}${'[1,2,3],'.repeat(300_000)}[1,2,3]${']'.repeat(150)}}`),
  ],
  ['a workbook that would unpack to a hundred megabytes', 'a.xlsx', () => workbook(new Uint8Array(100 * 1024 * 1024).fill(32))],
  [
    'a workbook of three hundred thousand rows',
    'a.xlsx',
    () =>
      workbook(
        strToU8(`<worksheet><sheetData>${'<row><c t="str"><v>#1f6f78</v></c></row>'.repeat(300_000)}</sheetData></worksheet>`),
      ),
  ],
  [
    'a workbook of five thousand sheets with two hundred rows each',
    'a.xlsx',
    () =>
      workbook(
        strToU8(`<worksheet><sheetData>${'<row><c t="str"><v>#1f6f78</v></c></row>'.repeat(200)}</sheetData></worksheet>`),
        5_000,
      ),
  ],
];

const json = (data: object) => strToU8(JSON.stringify(data));

function numbered(count: number, make: (at: number) => unknown): Record<string, unknown> {
  return Object.fromEntries(Array.from({ length: count }, (_, at) => [`n${at}`, make(at)]));
}

function doubling(first: object): Record<string, unknown> {
  return numbered(40, (at) => (at === 0 ? first : { p: { $extends: `{n${at - 1}}` }, q: { $extends: `{n${at - 1}}` } }));
}

function workbook(sheet: Uint8Array, sheets = 1): Uint8Array {
  const all = Array.from({ length: sheets }, (_, at) => at + 1);
  const each = (make: (at: number) => string) => all.map(make).join('');
  return zipFile({
    'xl/workbook.xml': strToU8(
      `<workbook xmlns:r="r"><sheets>${each((at) => `<sheet name="A${at}" r:id="r${at}"/>`)}</sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `<Relationships>${each((at) => `<Relationship Id="r${at}" Target="sheet${at}.xml"/>`)}</Relationships>`,
    ),
    ...Object.fromEntries(all.map((at) => [`xl/sheet${at}.xml`, sheet])),
  });
}
