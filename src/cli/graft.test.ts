import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { breakwater } from '../../tests/command-line';

const folder = mkdtempSync(join(tmpdir(), 'breakwater-graft-'));
const host = (name: string, bytes: string | Uint8Array) => {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
};
const planner = host(
  'planner.xml',
  '<planner>\n  <!-- ü --><berth fill="#1F6F78" line="#abc8"/>\n  <berth fill="0x11223344"/>\n</planner>\n',
);

test('lists the slots in the file’s order, by bytes, with their literals as they stand', async () => {
  const { status, stdout } = await breakwater('graft', planner, '--json');
  expect([status, JSON.parse(stdout)]).toEqual([
    0,
    {
      slots: [
        { offset: 36, length: 7, line: 2, column: 26, text: '#1F6F78', notation: 'hex', hex: '#1f6f78', alpha: 1 },
        { offset: 51, length: 5, line: 2, column: 41, text: '#abc8', notation: 'hex', hex: '#aabbcc', alpha: 136 / 255 },
        { offset: 75, length: 10, line: 3, column: 16, text: '0x11223344', notation: '0x argb', hex: '#223344', alpha: 17 / 255 },
      ],
    },
  ]);
  const bytes = readFileSync(planner);
  for (const { offset, length, text } of (JSON.parse(stdout) as { slots: { offset: number; length: number; text: string }[] })
    .slots)
    expect(bytes.subarray(offset, offset + length).toString()).toBe(text);
});

test('writes the host with some colours replaced, in their own notation; with none, the same bytes', async () => {
  const out = join(folder, 'out.xml');
  expect((await breakwater('graft', planner, '--set', '0=#abcdef', '--set', '2=rgb(1, 2, 3)', '--out', out)).status).toBe(0);
  expect(readFileSync(out, 'utf8')).toBe(
    readFileSync(planner, 'utf8').replace('#1F6F78', '#ABCDEF').replace('0x11223344', '0x11010203'),
  );
  await breakwater('graft', planner, '--out', out);
  expect(readFileSync(out).equals(readFileSync(planner))).toBe(true);
});

test.each([
  ['no host', '/nowhere.xml', [], '/nowhere.xml is not there.'],
  ['an empty one', host('empty.xml', ''), [], 'empty.xml is empty; there is nothing to graft onto.'],
  [
    'no text',
    host('x.bin', Uint8Array.of(0, 1, 2, 0, 4, 5, 6, 7, 8, 9)),
    [],
    'x.bin is no text; a host is a text file such as XML, JSON, INI or a style sheet.',
  ],
  [
    'no colours',
    host('none.ini', 'a = 1\n; #112233\n'),
    [],
    'none.ini holds no colour that could be replaced. 1 stand in comments or sentences, which can be asked for.',
  ],
  ['a slot that there is not', planner, ['--set', '9=#112233'], 'there is no slot 9; this host has 3, numbered from 0.'],
  ['no number', planner, ['--set', 'x=#112233'], '“x=#112233” sets nothing; write INDEX=#rrggbb, such as 3=#1f6f78.'],
  ['no colour', planner, ['--set', '0=bluish'], '“bluish” is no colour; write one such as #1f6f78.'],
  ['a slot set twice', planner, ['--set', '0=#112233', '--set', '0=#112233'], 'slot 0 is set twice.'],
  [
    'an order that there is not',
    planner,
    ['--order', 'rbga'],
    'there is no order of bytes “rbga”; choose one of rgba, argb, bgra, abgr.',
  ],
  ['an opacity that cannot be held', planner, ['--set', '0=#11223380', '--set', '2=#11223380'], null],
  [
    'an opacity that a number cannot hold',
    host('c.c', 'int sea = 0x1f6f78;'),
    ['--set', '0=#11223380'],
    'c.c, line 1, column 11: 0x1f6f78 (/sea) cannot become #112233 with an opacity of 50 % in its own notation; bind another colour, or change the notation in the host file.',
  ],
])('%s: one line, and nothing is written', async (_what, path, more, sentence) => {
  const out = join(folder, 'never.xml');
  const { status, stderr, stdout } = await breakwater(
    'graft',
    path,
    ...more,
    '--out',
    sentence === null ? join(folder, 'held.xml') : out,
  );
  if (sentence === null) return expect(status).toBe(0);
  expect([status, stdout, stderr.replaceAll(`${folder}/`, '')]).toEqual([2, '', `breakwater: ${sentence}\n`]);
  expect(() => readFileSync(out)).toThrow();
});

test('a host that is damaged as what it is, is read as plain text, and that is said', async () => {
  const { status, stderr, stdout } = await breakwater('graft', host('half.xml', '<a>\n<b fill="#112233"></a>'), '--json');
  expect([status, (JSON.parse(stdout) as { slots: object[] }).slots.length]).toEqual([0, 1]);
  expect(stderr).toMatch(
    /half\.xml, line 2: This is not whole XML: unexpected close tag; its colours are found as in plain text, without its structure\.\n$/,
  );
});

test('one line of 20 MB, and more than that', async () => {
  const long = host('long.json', `{"fill": "#112233", "x": "${'y'.repeat(19_900_000)}"}`);
  expect((JSON.parse((await breakwater('graft', long, '--json')).stdout) as { slots: object[] }).slots).toHaveLength(1);
  expect((await breakwater('graft', host('large.txt', ' '.repeat(21_000_000)), '--json')).stderr).toMatch(
    /is larger than 20 MB; a host is at most that\.\n$/,
  );
});
