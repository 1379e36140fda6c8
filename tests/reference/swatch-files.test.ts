/** Files built byte by byte from their published layouts, so that a reader and a writer cannot be wrong alike. */
import { coloursOf, leftOutOf } from '../colours-of';
import { type Brand, emptyBrand } from '@/core/brand/document/document';
import { readFile } from '@/core/intake/readers';
import ExcelJS from 'exceljs';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readColour } from '@/core/colour/read';
import { demo } from '../harsh-brand';
import { zipSync, strToU8 } from 'fflate';
import { zipFile } from '../zip-file';
import { PNG } from 'pngjs';
import { writeDestination } from '@/core/formats/registry';
import { decodePng } from '../decode-png';

const bytesOf = (...parts: (number[] | string)[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'string' ? [...part].map((character) => character.charCodeAt(0)) : part)),
  );
const u16 = (value: number) => [(value >> 8) & 255, value & 255];
const u32 = (value: number) => [...u16(value >>> 16), ...u16(value & 0xffff)];
const f32 = (value: number) => [...new Uint8Array(new Float32Array([value]).buffer)].reverse();
const utf16 = (text: string) => [...text].flatMap((character) => u16(character.charCodeAt(0))).concat(0, 0);
const read = async (name: string, bytes: Uint8Array) => (await readFile({ name, bytes }, { decode: decodePng }))!;
const short = async (name: string, bytes: Uint8Array) =>
  coloursOf(await read(name, bytes)).map((palette) => [
    palette.name,
    palette.swatches.map((swatch) => [swatch.name, swatch.css]),
  ]);
const text = (source: string) => strToU8(source);

// ASE: block kinds, lengths and models as common practice has them.
const aseBlock = (kind: number, body: number[]) => [...u16(kind), ...u32(body.length), ...body];
const aseColour = (name: string, model: string, values: number[]) =>
  aseBlock(1, [...u16(name.length + 1), ...utf16(name), ...bytesOf(model), ...values.flatMap(f32), ...u16(2)]);

test('ASE: groups, all four models, and a file that ends too early', async () => {
  const blocks = [
    aseBlock(0xc001, [...u16(6), ...utf16('Boats')]),
    aseColour('Hull', 'RGB ', [31 / 255, 111 / 255, 120 / 255]),
    aseColour('Ink', 'CMYK', [0, 0.5, 1, 0]),
    aseBlock(0xc002, []),
    aseColour('Wine', 'LAB ', [0.292345, 39.3825, 20.0664]),
    aseColour('Fog', 'Gray', [0.5]),
  ];
  const file = bytesOf('ASEF', u16(1), u16(0), u32(blocks.length), ...blocks);
  expect(await short('deck.ase', file)).toEqual([
    [
      'deck',
      [
        ['Wine', 'lab(29.2345 39.3825 20.0664)'],
        ['Fog', 'color(srgb 0.5 0.5 0.5)'],
      ],
    ],
    [
      'Boats',
      [
        ['Hull', '#1f6f78'],
        ['Ink', '#ff8000'],
      ],
    ],
  ]);
  const half = await read('deck.ase', file.subarray(0, file.length - 10));
  expect(coloursOf(half).flatMap(({ swatches }) => swatches)).toHaveLength(3);
  expect(half.problems[0]!.message).toBe('The file ends after 5 of 6 entries; what came before is here.');
});

test('ACO: version 1 by itself, version 2 with names, every colour space', async () => {
  const entry = (space: number, ...values: number[]) => [space, ...values].flatMap((value) => u16(value & 0xffff));
  const colours = [
    entry(0, 0x1f1f, 0x6f6f, 0x7878, 0),
    entry(1, 0, 65_535, 65_535, 0),
    entry(2, 65_535, 32_768, 0, 65_535),
    entry(7, 2_923, 3_938, -2_007, 0),
    entry(8, 10_000, 0, 0, 0),
    entry(9, 0, 5_000, 10_000, 0),
  ];
  const first = [...u16(1), ...u16(colours.length), ...colours.flat()];
  const plain = ['#1f6f78', '#ff0000', '#ff8000', 'lab(29.23 39.38 -20.07)', '#ffffff', '#ff8000'];
  expect(coloursOf(await read('a.aco', bytesOf(first)))[0]!.swatches.map(({ css }) => css)).toEqual(plain);
  const second = [
    ...u16(2),
    ...u16(colours.length),
    ...colours.flatMap((colour, at) => [...colour, ...u32(3), ...utf16(`N${at}`)]),
  ];
  const named = await read('a.aco', bytesOf(first, second));
  expect(coloursOf(named)[0]!.swatches.map(({ name, css }) => [name, css])).toEqual(plain.map((css, at) => [`N${at}`, css]));
});

test('RIFF PAL: Multimedia Programming Interface 1.0, and one that ends too early', async () => {
  const little = (value: number) => [value & 255, (value >> 8) & 255];
  const data = [0, 3, ...little(2), 0x1f, 0x6f, 0x78, 0, 0xda, 0x45, 0x2c, 0];
  const file = bytesOf('RIFF', [...little(data.length + 12), 0, 0], 'PAL data', [...little(data.length), 0, 0], data);
  expect(await short('x.pal', file)).toEqual([
    [
      'x',
      [
        ['#1f6f78', '#1f6f78'],
        ['#da452c', '#da452c'],
      ],
    ],
  ]);
  expect((await read('x.pal', file.subarray(0, file.length - 3))).problems[0]!.message).toContain('within colour 2 of 2');
});

test('GPL and SOC take their names from inside and say which line is no colour', async () => {
  const gpl = text('GIMP Palette\nName: Deck paint\nColumns: 4\n# made by hand\n 31 111 120\tSound\n218  69  44\n300 0 0 No\n');
  expect(await short('x.gpl', gpl)).toEqual([
    [
      'Deck paint',
      [
        ['Sound', '#1f6f78'],
        ['#da452c', '#da452c'],
      ],
    ],
  ]);
  expect(leftOutOf(await read('x.gpl', gpl))).toMatchObject([{ line: 7, doubts: [{ kind: 'unreadable' }] }]);
  const soc =
    '<o:color-table xmlns:o="x" xmlns:draw="y"><draw:color draw:name="Sound" draw:color="#1F6F78"/><draw:color draw:name="No" draw:color="red-ish"/></o:color-table>';
  expect(await short('x.soc', text(soc))).toEqual([['x', [['Sound', '#1F6F78']]]]);
  expect(leftOutOf(await read('x.soc', text(soc)))[0]!.doubts[0]!.reason).toContain('red-ish');
});

test('OOXML: the twelve theme colours (ECMA-376, clrScheme), by themselves or in an office file', async () => {
  const colour = (place: string, inner: string) => `<a:${place}>${inner}</a:${place}>`;
  const theme = `<a:theme xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" name="T"><a:themeElements><a:clrScheme name="Quay">${colour('dk1', '<a:sysClr val="windowText" lastClr="101418"/>')}${colour('lt1', '<a:srgbClr val="FFFFFF"/>')}${colour('accent1', '<a:srgbClr val="1F6F78"/>')}</a:clrScheme></a:themeElements></a:theme>`;
  const expected = [
    [
      'Quay',
      [
        ['Dark 1', '#101418'],
        ['Light 1', '#ffffff'],
        ['Accent 1', '#1f6f78'],
      ],
    ],
  ];
  expect(await short('theme1.xml', text(theme))).toEqual(expected);
  expect(await short('deck.pptx', zipSync({ 'ppt/theme/theme1.xml': text(theme) }))).toEqual(expected);
});

test('workbooks made by another program (exceljs): an 8 by 7 grid of codes, channel columns, filled cells', async () => {
  const book = new ExcelJS.Workbook();
  const grid = book.addWorksheet('Grid');
  for (let row = 0; row < 7; row++) grid.addRow(Array.from({ length: 8 }, (_, at) => `${row * 30}, ${at * 30}, 120`));
  book.addWorksheet('Channels').addRows([
    ['Colour', 'R', 'G', 'B'],
    ['Sound', 31, 111, 120],
    ['Bad', 31, 999, 120],
  ]);
  const fills = book.addWorksheet('Fills');
  fills.getCell('B2').value = 'Sound';
  fills.getCell('B2').fill = { type: 'pattern', pattern: 'solid', fgColor: { argb: 'FF1F6F78' } };
  const palettes = coloursOf(await read('house.xlsx', new Uint8Array(await book.xlsx.writeBuffer())));
  expect(palettes.slice(0, 3).map(({ name, swatches }) => [name, swatches.length])).toEqual([
    ['Grid', 56],
    ['Channels', 1],
    ['Fills', 1],
  ]);
  expect(palettes[0]!.swatches[9]).toMatchObject({ css: '#1e1e78', line: 2, column: 2 });
  expect(palettes[1]!.swatches[0]).toMatchObject({ name: 'Sound', css: '#1f6f78' });
  expect(palettes[2]!.swatches[0]).toMatchObject({ name: 'Sound', css: '#1f6f78', line: 2, column: 2 });
});

test('a workbook of ours opens in another program (exceljs) with codes and fills', async () => {
  const brand: Brand = {
    ...emptyBrand('b', 'House'),
    palettes: [
      { id: 'p', name: 'A/B: "x"', kind: 'loose', swatches: [{ id: 's', name: '<Sound>', value: '#1f6f78', locked: false }] },
    ],
  };
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(writeDestination(brand, { name: 'x', format: 'xlsx', options: {} }).files[0]!.bytes.slice().buffer);
  const row = book.worksheets[0]!.getRow(2);
  expect([book.worksheets[0]!.name, row.getCell(2).value, row.getCell(3).value, row.getCell(6).value]).toEqual([
    'A B  "x"',
    '<Sound>',
    '#1f6f78',
    120,
  ]);
  expect(row.getCell(1).fill).toMatchObject({ pattern: 'solid', fgColor: { argb: 'FF1F6F78' } });
  const [sheet] = book.worksheets;
  expect(sheet!.views[0]).toMatchObject({ state: 'frozen', ySplit: 1 });
  expect(sheet!.getRow(1).getCell(1).font).toMatchObject({ bold: true });
  expect(sheet!.pageSetup).toMatchObject({ paperSize: 9, fitToPage: true, fitToWidth: 1, printTitlesRow: '1:1' });
});

const OFFICE = '/usr/bin/ssconvert';
(existsSync(OFFICE) ? test : test.skip)('an office program (gnumeric) shows and prints a workbook of ours whole', () => {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-office-'));
  const [file] = writeDestination(demo, { name: 'x', format: 'xlsx', options: {} }).files;
  writeFileSync(join(folder, 'book.xlsx'), file!.bytes);
  const opened = (as: string, type: string) => {
    execFileSync(OFFICE, ['-T', type, 'book.xlsx', as], { cwd: folder, stdio: 'pipe' });
    return readFileSync(join(folder, as));
  };
  const shown = opened('book.html', 'Gnumeric_html:html40').toString().toLowerCase();
  for (const { swatches } of demo.palettes)
    for (const { name, value } of swatches)
      for (const seen of [name.toLowerCase(), `background:${readColour(value)!.hex};`]) expect(shown).toContain(seen);
  // A page of A4 for each palette, as wide as the sheet.
  const printed = opened('book.pdf', 'Gnumeric_pdf:pdf_assistant').toString('latin1');
  expect(printed.match(/\/Type\s*\/Page\b/g)).toHaveLength(demo.palettes.length);
  expect(printed).toMatch(/\/MediaBox \[ 0 0 59[45][.\d]* 84[12][.\d]* \]/);
});

test('design tokens: the 2025.10 form with groups, types and pointers, and the older strings', async () => {
  const file = {
    sea: {
      $type: 'color',
      deep: { $value: { colorSpace: 'srgb', components: [0, 0.4, 0.6], alpha: 0.5 } },
      wide: { $value: { colorSpace: 'display-p3', components: [0, 1, 0] } },
      hue: { $value: { colorSpace: 'oklch', components: [0.6, 'none', 200] } },
      old: { $value: '#1f6f78' },
      $root: { $value: '#001122' },
    },
    link: { $type: 'color', $value: '{sea.old}' },
    also: { $type: 'color', $ref: '#/link' },
    gap: { $type: 'dimension', $value: { value: 4, unit: 'px' } },
    round: { $type: 'color', $value: '{round.about}', about: {} },
    lost: { $type: 'color', $value: '{nowhere}' },
  };
  const reading = await read('brand.tokens.json', text(JSON.stringify(file)));
  const { tokens, problems } = reading;
  const palettes = coloursOf(reading);
  expect(tokens.map(({ path, hex, alias }) => [path, hex, alias])).toEqual([
    ['sea.deep', '#006699', null],
    ['sea.wide', expect.any(String), null],
    ['sea.hue', expect.any(String), null],
    ['sea.old', '#1f6f78', null],
    ['sea', '#001122', null],
    ['link', '#1f6f78', 'sea.old'],
    ['also', '#1f6f78', 'link'],
  ]);
  expect(palettes[0]!.swatches.map(({ css }) => css)).toEqual([
    // No 8-bit opacity is just a half.
    'color(srgb 0 0.4 0.6 / 0.5)',
    'color(display-p3 0 1 0)',
    'oklch(0.6 none 200)',
    '#1f6f78',
  ]);
  expect(leftOutOf(reading).map(({ name }) => name)).toEqual(['gap']);
  expect(problems.map(({ message }) => message)).toEqual([
    'round is a token and has others within it (about); all are read.',
    'round points at round.about, which is not in this file.',
    'lost points at nowhere, which is not in this file.',
  ]);
});

test('CSS and SVG: names of custom properties, and what is used, once each with how often', async () => {
  const css = text(
    ':root { --sound: #1f6f78; --gap: 4px }\na { color: RED; border: 1px solid #1f6f78; animation-name: tan }\nb { background: linear-gradient(rgb(1 2 3), red) }',
  );
  expect(
    coloursOf(await read('site.css', css))[0]!.swatches.map((swatch) => [swatch.name, swatch.css, swatch.line, swatch.text]),
  ).toEqual([
    ['sound', '#1f6f78', 1, '#1f6f78'],
    ['#ff0000', 'RED', 2, 'color, background: RED, 2 times'],
    ['#010203', 'rgb(1 2 3)', 3, 'background: rgb(1 2 3), once'],
  ]);
  const svg = text(
    '<svg xmlns="x"><title>Pennant</title><style>.a{fill:#da452c}</style><script>alert(1)</script><rect fill="#1f6f78" stroke="none"/><g style="stroke: #1f6f78; fill: url(#p)"/></svg>',
  );
  expect(await short('p.svg', svg)).toEqual([
    [
      'Pennant',
      expect.arrayContaining([
        ['#1f6f78', '#1f6f78'],
        ['#da452c', '#da452c'],
      ]),
    ],
  ]);
});

/** A PNG whose pixels are told one by one; `null` is transparent. */
function png(width: number, height: number, at: (x: number, y: number) => string | null): Uint8Array {
  const picture = new PNG({ width, height });
  for (let n = 0; n < width * height; n++) {
    const hex = at(n % width, Math.floor(n / width));
    if (hex) picture.data.set([1, 3, 5].map((from) => parseInt(hex.slice(from, from + 2), 16)).concat(255), n * 4);
  }
  return new Uint8Array(PNG.sync.write(picture));
}
const SIX = ['#1f6f78', '#da452c', '#f0bb3b', '#162631', '#162631', '#ddf0ee'];

test.each([
  ['a strip of one pixel a colour', png(6, 1, (x) => SIX[x]!)],
  ['a column', png(1, 6, (_, y) => SIX[y]!)],
  ['blocks side by side, two neighbours alike', png(120, 20, (x) => SIX[Math.floor(x / 20)]!)],
  [
    'a grid with gaps and a margin',
    png(74, 50, (x, y) => (x % 24 < 2 || y % 24 < 2 ? '#ffffff' : SIX[Math.floor(y / 24) * 3 + Math.floor(x / 24)]!)),
  ],
  ['a grid whose last row is not full', png(80, 40, (x, y) => SIX[Math.floor(y / 20) * 4 + Math.floor(x / 20)] ?? null)],
])('PNG, %s: exact and in order', async (_name, bytes) => {
  expect(coloursOf(await read('six.png', bytes))[0]!.swatches.map(({ css }) => css)).toEqual(SIX);
});

test('beyond twenty thousand entries or five megabytes a file is cut or refused, and says so', async () => {
  const long = await read('x.gpl', text('GIMP Palette\n' + '1 2 3\n'.repeat(30_000)));
  expect([coloursOf(long)[0]!.swatches.length, long.problems[0]!.message]).toEqual([
    20_000,
    'Reading stopped after 20000 entries; 10000 more are not here. Give the file in parts.',
  ]);
  expect((await read('x.hex', text('112233\n'.repeat(20_000)))).problems).toEqual([]);
  const heavy = await read('x.txt', text('#1f6f78\n'.repeat(700_000)));
  expect([heavy.palettes, heavy.problems[0]!.message]).toEqual([
    [],
    'This file is 5.3 MB and up to 5 MB of its kind are read at once; give it in parts.',
  ]);
});

test('in a table six digits are a figure where figures stand, and a code where codes stand', async () => {
  const codes = async (source: string) =>
    coloursOf(await read('x.csv', text(source))).flatMap((palette) => palette.swatches.map(({ css }) => css));
  expect(await codes('port,code\nNorth,102030\nSouth,405060\n')).toEqual(['#102030', '#405060']);
  expect(await codes('port,fares,code\nNorth,102030,#1f6f78\nSouth,4051,#da452c\n')).toEqual(['#1f6f78', '#da452c']);
});

test('a zip of a few kilobytes that would unpack to many megabytes is unpacked only as far as its bound', async () => {
  const parts = {
    'xl/workbook.xml': text('<workbook><sheets><sheet name="A" r:id="r1" xmlns:r="r"/></sheets></workbook>'),
    'xl/_rels/workbook.xml.rels': text('<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>'),
    'xl/worksheets/sheet1.xml': new Uint8Array(66 * 1024 * 1024).fill(32),
  };
  const bomb = zipFile(parts);
  expect(bomb.length).toBeLessThan(200_000);
  expect((await read('b.xlsx', bomb)).problems[0]!.message).toContain('unpacks to more than 64 MB');
  // What nobody asks for is not unpacked at all.
  const other = zipFile({
    ...parts,
    'xl/worksheets/sheet1.xml': text('<worksheet/>'),
    'xl/media/a.bin': new Uint8Array(66 * 1024 * 1024),
  });
  expect((await read('b.xlsx', other)).problems).toEqual([]);
});
