/** Workbooks put together part by part from ECMA-376 part 1, 18 (SpreadsheetML): none of them comes from a writer of ours. */
import { strToU8, zipSync } from 'fflate';
import { reading, told } from './told';

const theme = `<a:theme xmlns:a="x" name="T"><a:themeElements><a:clrScheme name="Quay"><a:dk1><a:sysClr val="windowText" lastClr="101418"/></a:dk1><a:lt1><a:srgbClr val="FFFFFF"/></a:lt1><a:dk2><a:prstClr val="dkBlue"/></a:dk2><a:lt2><a:scrgbClr r="100000" g="50000" b="0"/></a:lt2><a:accent1><a:srgbClr val="1F6F78"/></a:accent1></a:clrScheme></a:themeElements></a:theme>`;

interface Parts {
  readonly sheet: string;
  readonly words?: readonly string[];
  /** Contents of `fill` elements behind the two reserved ones; style n + 1 has fill n. */
  readonly fills?: readonly string[];
  readonly indexed?: readonly string[];
  readonly theme?: string;
}

function workbook({ sheet, words = [], fills = [], indexed = [], theme: themeXml }: Parts): Uint8Array {
  const solid = fills.map((colour) => `<fill><patternFill patternType="solid"><fgColor ${colour}/></patternFill></fill>`);
  const styles = fills.map((_, at) => `<xf fillId="${at + 2}"/>`);
  const palette =
    indexed.length > 0
      ? `<colors><indexedColors>${indexed.map((rgb) => `<rgbColor rgb="${rgb}"/>`).join('')}</indexedColors></colors>`
      : '';
  const parts: Record<string, string> = {
    // The sheet stands first, as streams may: its words and styles come after it.
    'xl/worksheets/sheet7.xml': `<worksheet><sheetData>${sheet}</sheetData></worksheet>`,
    'xl/workbook.xml':
      '<workbook xmlns:r="r"><sheets><sheet name="House &amp; home" sheetId="7" r:id="rId3"/></sheets></workbook>',
    'xl/_rels/workbook.xml.rels': '<Relationships><Relationship Id="rId3" Target="worksheets/sheet7.xml"/></Relationships>',
    'xl/styles.xml': `<styleSheet><fills><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill>${solid.join('')}</fills><cellXfs><xf fillId="0"/>${styles.join('')}</cellXfs>${palette}</styleSheet>`,
    'xl/sharedStrings.xml': `<sst>${words.map((word) => `<si>${word}</si>`).join('')}</sst>`,
    ...(themeXml !== undefined && { 'xl/theme/theme1.xml': themeXml }),
  };
  return zipSync(Object.fromEntries(Object.entries(parts).map(([path, xml]) => [path, strToU8(xml)])));
}

test.each<[string, Parts, string[]]>([
  [
    'shared, rich and inline words, headings, and a row whose colour is missing',
    {
      words: [
        '<t>Name</t>',
        '<t>Hex</t>',
        '<r><t>Har</t></r><r><t>bour</t></r><rPh sb="0" eb="1"><t>no</t></rPh>',
        '<t>#006871</t>',
      ],
      sheet:
        '<row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" t="s"><v>1</v></c></row><row r="2"><c r="A2" t="s"><v>2</v></c><c r="B2" t="s"><v>3</v></c></row><row r="4"><c r="A4" t="inlineStr"><is><t>Mist</t></is></c></row>',
    },
    ['2 Harbour | #006871', '4 Mist | – | left | no colour'],
  ],
  [
    'cells and rows without their addresses are placed by order',
    {
      sheet:
        '<row><c t="str"><v>Pier</v></c><c t="str"><v>#1f6f78</v></c></row><row><c t="str"><v>Buoy</v></c><c t="str"><v>#da452c</v></c></row>',
    },
    ['1 Pier | #1f6f78', '2 Buoy | #da452c'],
  ],
  [
    'fills by code, by number, by theme with a tint, without any word, and before the word that is written in them',
    {
      fills: ['rgb="FF1F6F78"', 'indexed="10"', 'theme="4"', 'theme="4" tint="0.5"', 'rgb="FFDA452C"'],
      theme,
      sheet:
        '<row r="1"><c r="A1" s="1" t="str"><v>red</v></c></row><row r="2"><c r="A2" s="2"/></row><row r="3"><c r="A3" s="3" t="str"><v>Sound</v></c></row><row r="4"><c r="A4" s="4"/></row><row r="5"><c r="A5" s="5" t="str"><v>#1f6f78</v></c></row>',
    },
    [
      '1 House & home/red | #1f6f78',
      '2 House & home/#ff0000'.replace('/#', '/#'),
      '3 House & home/Sound | #1f6f78',
      '4 House & home/#70cfda',
      '5 House & home/#da452c | disagrees',
      '1 Quay theme/Dark 1 | #101418 | left | apart',
      '2 Quay theme/Light 1 | #ffffff | left | apart',
      '3 Quay theme/Dark 2 | #00008b | left | apart',
      '4 Quay theme/Light 2 | #ffbc00 | left | apart',
      '5 Quay theme/Accent 1 | #1f6f78 | left | apart',
    ],
  ],
  [
    'numbers of a palette of the workbook’s own',
    {
      fills: ['indexed="1"'],
      indexed: ['00000000', '00C0FFEE'],
      sheet: '<row r="1"><c r="B1" s="1" t="str"><v>Froth</v></c></row>',
    },
    ['1 Froth | #c0ffee'],
  ],
  [
    'a grid of fills with its labels',
    {
      fills: ['rgb="FF111111"', 'rgb="FF222222"', 'rgb="FF333333"', 'rgb="FF444444"'],
      sheet:
        '<row r="1"><c r="A1"/><c r="B1"><v>50</v></c><c r="C1"><v>100</v></c></row><row r="2"><c r="A2" t="str"><v>Pier</v></c><c r="B2" s="1"/><c r="C2" s="2"/></row><row r="3"><c r="A3" t="str"><v>Quay</v></c><c r="B3" s="3"/><c r="C3" s="4"/></row>',
    },
    [
      '2 Pier 50 | #111111 | in Pier',
      '2 Pier 100 | #222222 | in Pier',
      '3 Quay 50 | #333333 | in Quay',
      '3 Quay 100 | #444444 | in Quay',
    ],
  ],
])('%s', async (_what, parts, expected) => {
  expect(await told('house.xlsx', workbook(parts))).toEqual(expected);
});

test('a directory that lies about a size is not believed: parts are counted while they are inflated', async () => {
  const bytes = workbook({ sheet: '<row><c t="str"><v>#1f6f78</v></c></row>' });
  // The uncompressed size in every local header (APPNOTE 4.3.7) and central one (4.3.12) becomes four gigabytes.
  const view = new DataView(bytes.buffer);
  for (let at = 0; at + 4 < bytes.length; at++) {
    const mark = view.getUint32(at, true);
    if (mark === 0x04034b50) view.setUint32(at + 22, 0xfffffff0, true);
    if (mark === 0x02014b50) view.setUint32(at + 24, 0xfffffff0, true);
  }
  expect(await told('house.xlsx', bytes)).toEqual(['1 #1f6f78']);
});

test('rows beyond the limit are counted, and a damaged sheet says so', async () => {
  const rows = Array.from({ length: 20_050 }, (_, at) => `<row><c t="str"><v>#${(at + 0x100000).toString(16)}</v></c></row>`);
  const { entries, problems } = (await reading('a.xlsx', workbook({ sheet: rows.join('') })))!;
  expect([entries.length, problems.map(({ entries: held }) => held)]).toEqual([20_000, [50]]);
  const damaged = (await reading('a.xlsx', workbook({ sheet: '<row><c t="str"><v>#1f6f78</v></c></row><row><c' })))!;
  expect([damaged.entries.length, damaged.problems[0]!.message]).toEqual([
    1,
    expect.stringContaining('Sheet House & home is damaged'),
  ]);
});
