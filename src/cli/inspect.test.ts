import { chmodSync, mkdtempSync, rmSync, symlinkSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { breakwater } from '../../tests/command-line';
import { printable } from './patch';

let folder: string;
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'breakwater-inspect-'))));
afterAll(() => rmSync(folder, { recursive: true }));
const put = (name: string, content: string | Uint8Array) => {
  writeFileSync(join(folder, name), content);
  return join(folder, name);
};

test('a list for people: palettes with their kind, opacity, tokens with their aliases, what was not read', async () => {
  const list = put('deck.txt', 'Keel: #162631\nBuoy rgb(218 69 44 / 50%)\n#12345\n');
  expect((await breakwater('inspect', list)).stdout).toBe(
    [
      'deck (loose, 2)',
      '  #162631  Keel',
      '  #da452c 50 %  Buoy',
      'warning, line 3, column 1: #12345: A hex code has 3, 4, 6 or 8 digits; this has 5.',
      '',
    ].join('\n'),
  );
  const tokens = put('few.tokens.json', '{"ink":{"$type":"color","$value":"#162631"},"text":{"$type":"color","$value":"{ink}"}}');
  expect((await breakwater('inspect', tokens)).stdout).toBe(
    'few (loose, 1)\n  #162631  ink\nTokens (2)\n  #162631  ink\n  #162631  text → ink\n',
  );
});

test('what a file and its colours are called cannot move the cursor or recolour the screen', async () => {
  const list = put('a\u001b[2Jb.txt', 'x\u001b]0;y\u0007z #010203\n#12345\u009b1m\n');
  const { stdout } = await breakwater('inspect', list);
  expect(stdout).toContain('#010203');
  expect(stdout).toMatch(/^[^\p{Cc}]*$/mu);
  const { stderr } = await breakwater('inspect', put('a\u001b[2Jb.bin', new Uint8Array(3)));
  expect(stderr).toMatch(/^breakwater: a·\[2Jb\.bin: [^\p{Cc}]+\n$/u);
  expect(printable('a\u001b[2J\u009b1m\u007f\n\té“')).toBe('a·[2J·1m···é“');
});

describe('in a terminal', () => {
  const terminal = Object.getOwnPropertyDescriptor(process.stdout, 'isTTY');
  const environment = { ...process.env };
  afterEach(() => {
    process.env = { ...environment };
    if (terminal) Object.defineProperty(process.stdout, 'isTTY', terminal);
    else delete (process.stdout as { isTTY?: boolean }).isTTY;
  });

  test.each([
    [true, {}, true],
    [false, {}, false],
    [false, { FORCE_COLOR: '1' }, true],
    [true, { FORCE_COLOR: '0' }, false],
    [true, { NO_COLOR: '1' }, false],
    [false, { NO_COLOR: '1', FORCE_COLOR: '1' }, true],
  ])('(%s) with %j each colour has two columns of itself: %s', async (isTTY, given, shown) => {
    delete process.env.FORCE_COLOR;
    delete process.env.NO_COLOR;
    Object.assign(process.env, given);
    Object.defineProperty(process.stdout, 'isTTY', { value: isTTY, configurable: true });
    const { stdout } = await breakwater('inspect', put('one.txt', '#162631 Keel\n'));
    expect(stdout).toBe(`one (loose, 1)\n  ${shown ? '\u001b[48;2;22;38;49m    \u001b[0m ' : ''}#162631  Keel\n`);
  });
});

test('for programs: formats, kinds, rows, opacity and problems by their places', async () => {
  const { stdout } = await breakwater(
    'inspect',
    put('rows.csv', 'shade,name\n#102030,Keel\n#20304080,Foam\n#12345,Buoy\n'),
    '--json',
  );
  expect(JSON.parse(stdout)).toEqual({
    format: 'csv',
    palettes: [
      {
        name: 'rows',
        kind: 'loose',
        taken: true,
        swatches: [
          { name: 'Keel', css: '#102030', hex: '#102030', alpha: 1 },
          { name: 'Foam', css: '#20304080', hex: '#203040', alpha: 128 / 255 },
        ],
      },
    ],
    tokens: [],
    problems: [{ severity: 'warning', line: 4, column: 1, message: expect.stringContaining('this has 5') }],
  });
});

test('files that cannot be used end with 2 and one line', async () => {
  const large = put('large.txt', '');
  truncateSync(large, 64 * 1024 * 1024 + 1);
  const closed = put('closed.txt', '#fff');
  chmodSync(closed, 0);
  const rows: [args: string[], line: string][] = [
    [[join(folder, 'none.txt')], `${join(folder, 'none.txt')} is not there.`],
    [[folder], `${folder} is a folder; give a file.`],
    [[large], `${large} is larger than 64 MB; give a smaller file.`],
    [
      [put('words.txt', 'nothing here')],
      'words.txt holds no colour that can be read (line 1: nothing here: No colour on this line.).',
    ],
    [[put('a.txt', '#fff'), '--as', 'ase'], 'a.txt: this cannot be read as ase.'],
    [[put('a.txt', '#fff'), '--range', 'B2:'], '“B2:” is no range of cells; write B2:I8 or Sheet!B2:I8.'],
  ];
  // Root reads everything.
  if (process.getuid?.() !== 0) rows.push([[closed], `${closed} may not be read by this user.`]);
  for (const [args, line] of rows)
    expect([args, await breakwater('inspect', ...args)]).toEqual([
      args,
      { status: 2, stdout: '', stderr: `breakwater: ${line}\n` },
    ]);
  const { stderr } = await breakwater('inspect', put('a.txt', '#fff'), '--as', 'nope');
  expect(stderr).toMatch(/^breakwater: there is no reader “nope”; choose one of brand, palette, .+, text\.\n$/);
});

test('a link in a loop is no file', async () => {
  symlinkSync(join(folder, 'loop'), join(folder, 'loop'));
  await expect(breakwater('inspect', join(folder, 'loop'))).rejects.toThrow(/ELOOP/);
});
