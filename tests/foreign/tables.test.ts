/** Tables as spreadsheets and people write them (RFC 4180 and its cousins): drawn by hand, and so are the expectations. */
import { told } from './told';

test.each<[string, string, string, string[]]>([
  [
    'headings: name, hex, RGB in three columns, CMYK, opacity, note',
    'a.csv',
    'Name,Hex,R,G,B,C,M,Y,K,Opacity,Note\nHarbour,#006871,0,104,113,100,8,0,56,100%,"Signs, doors"\nFoam,#ddf0ee,221,240,238,8,0,1,6,50%,\n',
    ['2 Harbour | #006871', '3 Foam | #ddf0ee 50%'],
  ],
  [
    'one notation that really differs is said',
    'a.csv',
    'name,hex,rgb\nHarbour,#006871,"0, 104, 113"\nFoam,#ddf0ee,"31, 240, 238"\n',
    ['2 Harbour | #006871', '3 Foam | #ddf0ee | disagrees'],
  ],
  [
    'only columns of colours give colours; a name may be a hex word, a colour word or a number',
    'a.csv',
    'name,hex\nFacade,#123456\nTeal,#654321\n100,#abcdef\ndecade,#fedcba\n',
    ['2 Facade | #123456', '3 Teal | #654321', '4 100 | #abcdef', '5 decade | #fedcba'],
  ],
  [
    'the same without headings',
    'a.csv',
    'Facade,#123456\nTeal,#654321\n100,#abcdef\n',
    ['1 Facade | #123456', '2 Teal | #654321', '3 100 | #abcdef'],
  ],
  [
    'codes without # below their heading, digits alone too',
    'a.csv',
    'Swatch;HTML code\nPier;102030\nBuoy;da452c\nLost;6871\n',
    ['2 Pier | #102030 | bare', '3 Buoy | #da452c | bare', '4 Lost | #66887711'.replace('#66887711', '#668877 7%') + ' | bare'],
  ],
  [
    'a line whose colour cannot be read, and an empty one',
    'a.csv',
    'name,hex\nPier,#1f6f78\nBuoy,#12345\nMist,\n\nFog,grey-ish\n',
    [
      '2 Pier | #1f6f78',
      '3 Buoy | – | left | length',
      '4 Mist | – | left | no colour',
      '5 – | left | no colour',
      '6 Fog | – | left | unreadable',
    ],
  ],
  [
    'quoted cells with commas, quotes and line breaks',
    'a.csv',
    'name,hex\r\n"Pier, ""old""\r\nside",#1f6f78\r\nBuoy,#da452c\r\n',
    ['2 Pier, "old" side | #1f6f78', '4 Buoy | #da452c'],
  ],
  [
    'rows of shades keep their labels, columns give the names',
    'a.csv',
    'Family,50,100,200\nPier,#f1f5f6,#d3e0e2,#a8c2c6\nBuoy,,#f9d5cf,grey-ish\n',
    [
      '2 Pier 50 | #f1f5f6 | in Pier',
      '2 Pier 100 | #d3e0e2 | in Pier',
      '2 Pier 200 | #a8c2c6 | in Pier',
      '3 Buoy 100 | #f9d5cf | in Buoy',
      '3 Buoy 200 | – | in Buoy | left | unreadable',
    ],
  ],
  [
    'a grid of RGB codes without any words',
    'a.csv',
    '"0, 0, 16","0, 0, 32"\n"16, 0, 16","16, 0, 32"\n',
    ['1 #000010 | in Row 1', '1 #000020 | in Row 1', '2 #100010 | in Row 2', '2 #100020 | in Row 2'],
  ],
  [
    'names between the colours of a row',
    'a.csv',
    'Pier,#102030,Buoy,#405060\nMist,#708090,Fog,#a0b0c0\n',
    ['1 Pier | #102030', '1 Buoy | #405060', '2 Mist | #708090', '2 Fog | #a0b0c0'],
  ],
  [
    'ink alone, in four columns',
    'a.tsv',
    'Ink\tName\tCyan\tMagenta\tYellow\tBlack\n3155\tHarbour\t100\t8\t0\t56\n',
    ['2 Harbour | #006770 | approximate'],
  ],
  ['shares of 1 and percentages', 'a.csv', 'name,red,green,blue\nA,0.5,0,1\nB,0.25,1,0\n', ['2 A | #8000ff', '3 B | #40ff00']],
  [
    'a title above the headings',
    'a.csv',
    'House colours 2026,,\n,,\nColour,Hex,Use\nHarbour,#006871,doors\n',
    ['4 Harbour | #006871'],
  ],
  ['UTF-16 with a mark, as spreadsheets save “Unicode text”', 'a.tsv', 'x', []],
  [
    'figures are no codes',
    'a.csv',
    'port,fares,code\nNorth,102030,#1f6f78\nSouth,4051,#da452c\n',
    ['2 North | #1f6f78', '3 South | #da452c'],
  ],
])('%s', async (_what, name, content, expected) => {
  if (expected.length === 0) {
    const text = 'Name\tHex\nPier\t#1f6f78\n';
    const bytes = new Uint8Array([
      0xff,
      0xfe,
      ...new Uint8Array(Uint16Array.from(text, (character) => character.charCodeAt(0)).buffer),
    ]);
    expect(await told(name, bytes)).toEqual(['2 Pier | #1f6f78']);
  } else expect(await told(name, content)).toEqual(expected);
});
