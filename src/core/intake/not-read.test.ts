import { coloursOf } from '../../../tests/colours-of';
import { readFile } from './readers';
import { zipSync } from 'fflate';
import { whyNotRead } from './not-read';

const bytes = (latin: string) => Uint8Array.from(latin, (character) => character.charCodeAt(0));

test.each([
  ['a PDF without a NUL, which looks like any text', bytes('%PDF-1.4\n1 0 obj #123456\n'), 'paste that'],
  // OpenDocument 1.3 part 2, 3.3: the media type is the first entry, stored.
  [
    'an OpenDocument sheet',
    zipSync({ mimetype: [bytes('application/vnd.oasis.opendocument.spreadsheet'), { level: 0 }] }),
    'Save it as XLSX or CSV.',
  ],
  ['an old workbook', bytes('\xd0\xcf\x11\xe0\xa1\xb1\x1a\xe1'), 'of the old kind'],
  ['a bitmap', bytes('BM\x36\x10\0\0\0\0\0\0\x36\0\0\0'), 'Save it as PNG or JPEG.'],
  ['a TIFF', bytes('II*\0\x08\0\0\0'), 'Save it as PNG or JPEG.'],
  ['a HEIC', bytes('\0\0\0\x18ftypheic\0\0\0\0'), 'Save it as PNG or JPEG.'],
  ['anything else', bytes('\0\x01\x02'), 'of a kind that is not read here'],
])('%s is not read, and the sentence says what to do', async (_what, file, sentence) => {
  expect(await readFile({ name: 'x', bytes: file })).toBeNull();
  expect(whyNotRead(file)).toContain(sentence);
});

test('a text that begins like a bitmap is a text', async () => {
  const intake = await readFile({ name: 'x.txt', bytes: bytes('BM blue #1f6f78') });
  expect(coloursOf(intake!)[0]!.swatches.map(({ css }) => css)).toEqual(['#1f6f78']);
});

test('a text that is called a picture is read as a text, and told to be none', async () => {
  const intake = (await readFile({ name: 'Swatches.PNG', bytes: bytes('harbour #1f6f78') }))!;
  expect(coloursOf(intake)[0]!.swatches.map(({ css }) => css)).toEqual(['#1f6f78']);
  expect(intake.problems).toEqual([
    expect.objectContaining({ severity: 'warning', message: expect.stringContaining('is called .png and holds no picture') }),
  ]);
  expect((await readFile({ name: 'png.txt', bytes: bytes('harbour #1f6f78') }))!.problems).toEqual([]);
});

test('a file of a brand is looked at up to 24 MB, and not a byte beyond', async () => {
  const brand = (size: number) => bytes(`{"format":"breakwater-brand"${' '.repeat(size - 29)}}`);
  const said = async (size: number) => (await readFile({ name: 'x.json', bytes: brand(size) }))!.problems[0]!.message;
  expect([brand(100).length, await said(24 * 2 ** 20)]).toEqual([100, expect.stringContaining('A brand says its version')]);
  expect(await said(24 * 2 ** 20 + 1)).toContain('A file of a brand is at most 24 MB');
});

test('the first two hundred sheets of a workbook are read, and how many more there are is said', async () => {
  const sheets = async (count: number) => {
    const all = Array.from({ length: count }, (_, at) => at);
    const file = zipSync({
      'xl/workbook.xml': bytes(
        `<workbook xmlns:r="r"><sheets>${all.map((at) => `<sheet name="S${at}" r:id="r${at}"/>`).join('')}</sheets></workbook>`,
      ),
      'xl/_rels/workbook.xml.rels': bytes(
        `<Relationships>${all.map((at) => `<Relationship Id="r${at}" Target="s${at}.xml"/>`).join('')}</Relationships>`,
      ),
      ...Object.fromEntries(
        all.map((at) => [
          `xl/s${at}.xml`,
          bytes('<worksheet><sheetData><row><c t="str"><v>#1f6f78</v></c></row></sheetData></worksheet>'),
        ]),
      ),
    });
    const { palettes, problems } = (await readFile({ name: 'x.xlsx', bytes: file }))!;
    return [palettes.length, problems.map(({ message }) => message)];
  };
  expect(await sheets(200)).toEqual([200, []]);
  expect(await sheets(201)).toEqual([
    200,
    ['This workbook has 201 sheets, and the first 200 are read. Save others by themselves.'],
  ]);
});
