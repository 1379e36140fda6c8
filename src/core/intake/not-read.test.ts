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
