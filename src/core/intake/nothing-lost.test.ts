/** Whatever a source holds, its entries in are those taken, left out with a reason, or reported: none goes in silence. */
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { readFile } from './readers';
import { entryCount } from './intake';

interface Kind {
  readonly name: string;
  /** One entry, as its file has it. */
  readonly entry: fc.Arbitrary<string>;
  readonly file: (entries: readonly string[]) => Uint8Array;
}

const colour = fc.constantFrom('#1f6f78', '#1F6F78', '#da452c', '#fff', '#1f6f7880');
const wrong = fc.constantFrom('#12345', 'grey-ish', '', '#', 'zzz');
const word = fc.constantFrom('Pier', 'Facade', '100', 'Teal', '"a, b"', 'x y');
const text = (parts: readonly string[]) => strToU8(parts.join('\n') + '\n');
const u16 = (value: number) => [(value >> 8) & 255, value & 255];
const u32 = (value: number) => [...u16(value >>> 16), ...u16(value & 0xffff)];
const latin = (characters: string) => [...characters].map((character) => character.charCodeAt(0));
/** Bytes carried through texts, one character each. */
const packed = (bytes: readonly number[]) => String.fromCharCode(...bytes);

const KINDS: readonly Kind[] = [
  {
    name: 'a.csv',
    entry: fc.tuple(word, fc.oneof(colour, wrong)).map(([name, code]) => `${name},${code}`),
    file: (entries) => text(['name,hex', ...entries]),
  },
  {
    name: 'a.xlsx',
    entry: fc.tuple(fc.constantFrom('Pier', 'Teal'), fc.oneof(colour, wrong)).map(([name, code]) => {
      const cell = (value: string) => `<c t="inlineStr"><is><t>${value}</t></is></c>`;
      return `<row>${cell(name)}${cell(code)}</row>`;
    }),
    file: (entries) =>
      zipSync({
        'xl/workbook.xml': strToU8('<workbook xmlns:r="r"><sheets><sheet name="A" r:id="r1"/></sheets></workbook>'),
        'xl/_rels/workbook.xml.rels': strToU8('<Relationships><Relationship Id="r1" Target="s.xml"/></Relationships>'),
        'xl/s.xml': strToU8(
          `<worksheet><sheetData><row><c t="str"><v>name</v></c><c t="str"><v>hex</v></c></row>${entries.join('')}</sheetData></worksheet>`,
        ),
      }),
  },
  { name: 'a.hex', entry: fc.oneof(colour, fc.constantFrom('zzz', '12345', 'x')), file: text },
  {
    name: 'a.gpl',
    entry: fc.constantFrom('1 2 3 Pier', '255 255 255', '300 0 0', 'what'),
    file: (entries) => text(['GIMP Palette', ...entries]),
  },
  {
    name: 'a.txt',
    entry: fc.oneof(colour, fc.constantFrom('Pier: #1f6f78', 'no colour here', '#12345', 'Sky: teal', '1, 2, 300')),
    file: text,
  },
  {
    name: 'a.soc',
    entry: fc.oneof(colour, wrong).map((code) => `<d:color d:name="x" d:color="${code}"/>`),
    file: (entries) => text(['<o:color-table xmlns:o="o" xmlns:d="d">', ...entries, '</o:color-table>']),
  },
  { name: 'a.css', entry: colour.map((code) => `a { color: ${code} }`), file: text },
  { name: 'a.svg', entry: colour.map((code) => `<g fill="${code}"/>`), file: (entries) => text(['<svg>', ...entries, '</svg>']) },
  {
    name: 'a.json',
    entry: fc.oneof(colour, fc.constantFrom('#12345')).map((code) => JSON.stringify(code)),
    file: (entries) => text([`[${entries.join(',\n')}]`]),
  },
  {
    name: 'a.ase',
    entry: fc.constantFrom('RGB ', 'Gray', 'CMYK', 'LAB ', 'What').map((model) => {
      const body = [...u16(2), ...u16(65), 0, 0, ...latin(model), ...Array<number>(16).fill(0), 0, 0];
      return packed([...u16(1), ...u32(body.length), ...body]);
    }),
    file: (entries) =>
      Uint8Array.from([...latin('ASEF'), ...u16(1), ...u16(0), ...u32(entries.length), ...latin(entries.join(''))]),
  },
  {
    name: 'a.aco',
    entry: fc.constantFrom(0, 1, 2, 7, 8, 9, 3, 77).map((space) => packed([...u16(space), ...Array<number>(8).fill(9)])),
    file: (entries) => Uint8Array.from([...u16(1), ...u16(entries.length), ...latin(entries.join(''))]),
  },
  {
    name: 'a.tokens.json',
    entry: fc.constantFrom(
      '{"$type": "color", "$value": "#1f6f78"}',
      '{"$type": "color", "$value": "{t0}"}',
      '{"$type": "color", "$value": "{t1}"}',
      '{"$type": "color", "$value": "{nowhere}"}',
      '{"$type": "color", "$value": "no"}',
      '{"$type": "dimension", "$value": 3}',
      '{"$value": 3}',
    ),
    file: (entries) => text([`{${entries.map((entry, at) => `"t${at}": ${entry}`).join(',\n')}}`]),
  },
];

test.each(KINDS)('$name: entries in are those taken, left out with a reason, or reported', async ({ name, entry, file }) => {
  await fc.assert(
    fc.asyncProperty(fc.array(entry, { minLength: 1, maxLength: 30 }), async (entries) => {
      const intake = (await readFile({ name, bytes: file(entries) }))!;
      expect([entries, entryCount(intake)]).toEqual([entries, entries.length]);
      for (const { take, doubts } of intake.entries) if (!take) expect(doubts.length).toBeGreaterThan(0);
    }),
    { numRuns: 150 },
  );
});

test.each(KINDS.filter(({ name }) => !/aco|css|svg|json/.test(name)))(
  '$name: those beyond the limit are counted too',
  async ({ name, entry, file }) => {
    const some = fc.sample(entry, { seed: 7, numRuns: 20 }).filter((sample) => !/^\w+,$/.test(sample));
    const entries = Array.from({ length: 20_100 }, (_, at) => some[at % some.length]!);
    const intake = (await readFile({ name, bytes: file(entries) }))!;
    expect([name, intake.entries.length <= 20_000, entryCount(intake)]).toEqual([name, true, entries.length]);
  },
);
