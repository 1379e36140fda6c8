import { notationOf } from './graft';
import { kindOfSource } from './scan';
import { slotsOf, type SlotWishes } from './slots';
import { SourceText } from './source-text';

const found = (name: string, text: string, wishes?: SlotWishes) => {
  const source = SourceText.ofText(text);
  return slotsOf(source, kindOfSource(name, source), name, wishes);
};

/** Every slot as its line, its text and its colour, with an opacity that is not whole. */
function told(name: string, text: string, wishes?: SlotWishes): string[] {
  const source = SourceText.ofText(text);
  return found(name, text, wishes).slots.map(({ span, literal }) => {
    expect(source.textOf(span)).toBe(literal.text);
    const alpha = literal.colour.alpha === 1 ? '' : ` ${literal.colour.alpha.toFixed(2)}`;
    return `${source.placeOf(span.from).line} ${literal.text} ${notationOf(literal)} ${literal.colour.hex}${alpha}`;
  });
}

const HOSTS: [kind: string, name: string, host: string[], slots: string[]][] = [
  [
    'XML: elements, attributes, values of keys, tuples, numbers with a sign; neither comments, nor sentences, nor measures',
    'planner.xml',
    [
      '<?xml version="1.0"?><!-- was #010101 -->',
      '<planner stroke-width="123456" version="20260101">',
      '<berth name="North" fill="#1F6F78" line=\'#abc\' depth="4.5"/>',
      '<entry key="ink.colour" value="2060152"/><entry key="depth" value="2060152"/>',
      '<tint>31, 111, 120</tint><tint>0.12 0.44 0.47</tint><int name="header_color">-14716040</int>',
      '<ground>teal</ground><title>teal</title><note>Never use the red #ff0000 at night.</note>',
      '<gradient>linear-gradient(90deg, #fff, rgb(1 2 3 / 50%))</gradient></planner>',
    ],
    [
      '3 #1F6F78 hex #1f6f78',
      '3 #abc hex #aabbcc',
      '4 2060152 integer rgb #1f6f78',
      '5 31, 111, 120 bytes #1f6f78',
      '5 0.12 0.44 0.47 floats #1f7078',
      '5 -14716040 integer argb #1f7378',
      '6 teal name #008080',
      '7 #fff hex #ffffff',
      '7 rgb(1 2 3 / 50%) rgb #010203 0.50',
    ],
  ],
  [
    'JSON with comments: strings, lists of numbers, packed numbers, names under keys that speak of colour',
    'signs.json',
    [
      '{ // was #010101',
      '"palette": ["#1f6f78", "#DDF0EE80"], "colour": 2060152, "margin": [1, 2, 3], "depth": 2060152,',
      '"tint": [31, 111, 120], "ink": [0.12, 0.44, 0.47, 0.5], "fill": "teal", "name": "tan",',
      '"description": "Signs were #010101 once", "accent": "1F6F78", "colours": {"sea": "navy"}}',
    ],
    [
      '2 #1f6f78 hex #1f6f78',
      '2 #DDF0EE80 hex #ddf0ee 0.50',
      '2 2060152 integer rgb #1f6f78',
      '3 31, 111, 120 bytes #1f6f78',
      '3 0.12, 0.44, 0.47, 0.5 floats #1f7078 0.50',
      '3 teal name #008080',
      '4 1F6F78 hex without # #1f6f78',
      '4 navy name #000080',
    ],
  ],
  [
    'INI: sections that speak of colour, inline comments, numbers',
    'console.ini',
    [
      '; was #010101',
      '[Colours]',
      'deck = #1f6f78 ; was #020202',
      'sea=31,111,120',
      'width = 2060152',
      '[Other]',
      'limit = 1,2,3',
      'label = tan',
      'background: 2060152',
    ],
    ['3 #1f6f78 hex #1f6f78', '4 31,111,120 bytes #1f6f78', '9 2060152 integer rgb #1f6f78'],
  ],
  ['properties', 'a.properties', ['! was #010101', 'app.background=#1F6F78', 'app.title=Deck \\#4'], ['2 #1F6F78 hex #1f6f78']],
  [
    'TOML: quotes, comments behind values, lists over several lines',
    'a.toml',
    [
      '[colours]',
      'sea = "#1f6f78" # was #010101',
      "foam = 'teal'",
      'route = [',
      '  "#111111", # the first',
      '  "#222222",',
      ']',
      'series = ["#333333", "#444"]',
    ],
    [
      '2 #1f6f78 hex #1f6f78',
      '3 teal name #008080',
      '5 #111111 hex #111111',
      '6 #222222 hex #222222',
      '8 #333333 hex #333333',
      '8 #444 hex #444444',
    ],
  ],
  [
    'YAML: mappings and lists, quotes; a bare # begins a comment; texts of several lines',
    'a.yaml',
    [
      '# was #010101',
      'berths:',
      '  - name: North # the #020202 one',
      "    fill: '#1f6f78'",
      '  - name: South',
      '    fill: "#ddf0ee"',
      '    lost: #030303',
      'colours: ["#111111", "#222"]',
      'tint: teal',
      'sheet: |',
      '  a { color: #333333 }',
      'end: tan',
    ],
    [
      '4 #1f6f78 hex #1f6f78',
      '6 #ddf0ee hex #ddf0ee',
      '8 #111111 hex #111111',
      '8 #222 hex #222222',
      '9 teal name #008080',
      '11 #333333 hex #333333',
    ],
  ],
  [
    'CSS: names where they are colours, functions; no selectors, urls or comments',
    'a.css',
    [
      '#abc, #fade { color: RED; animation-name: tan; --x: 1px solid hsl(186deg 59% 30% / 0.5) }',
      'a:hover { background: url(x.svg#fff) teal; content: "#010101" } /* #020202 */',
      '@media (color) { b { border: 1px solid #1f6f7880 } }',
    ],
    ['1 RED name #ff0000', '1 hsl(186deg 59% 30% / 0.5) hsl #1f717a 0.50', '2 teal name #008080', '3 #1f6f7880 hex #1f6f78 0.50'],
  ],
  [
    'Sass: variables, maps, nesting, arguments, two kinds of comments',
    'a.scss',
    [
      '$sea: teal; // was #010101',
      "$map: (foam: #ddf0ee, 'deck': rgb(1, 2, 3));",
      '.a { &:hover { color: $sea; fill: #111 } @include tinted(#222222, 4px); }',
      '/* #020202 */ .b-#{$sea} { color: #333 }',
    ],
    [
      '1 teal name #008080',
      '2 #ddf0ee hex #ddf0ee',
      '2 rgb(1, 2, 3) rgb #010203',
      '3 #111 hex #111111',
      '3 #222222 hex #222222',
      '4 #333 hex #333333',
    ],
  ],
  [
    'a program: prefixes, tuples under names of colour, comments, sentences',
    'a.cs',
    [
      'var sea = 0xFF1F6F78; // 0xFF010101',
      'Color foam = new Color(0.5f, 0.25f, 1f, 1f);',
      'size = new Size(0.5f, 0.25f, 1f);',
      'string s = "The red #ff0000 is never used";',
      'int mask = 0xfff; string[] ramp = { "#111111", "#222222" };',
    ],
    ['1 0xFF1F6F78 0x argb #1f6f78', '2 0.5f, 0.25f, 1f, 1f floats #8040ff', '5 #111111 hex #111111', '5 #222222 hex #222222'],
  ],
  [
    'plain text: codes, but none of a sentence',
    'a.txt',
    ['Sea #1f6f78', 'We never paint the deck in #ff0000.'],
    ['1 #1f6f78 hex #1f6f78'],
  ],
];

test.each(HOSTS)('%s', (_kind, name, host, slots) => {
  expect(told(name, host.join('\n'))).toEqual(slots);
  // Line breaks of other systems change nothing.
  expect(told(name, host.join('\r\n'))).toEqual(slots);
});

test('colours in comments and sentences are counted, and slots when they are asked for', () => {
  const text = '<a><!-- #111111 --><b c="#222222"/><note>It was once the red #333333 here</note></a>';
  expect([found('a.xml', text).slots.length, found('a.xml', text).spokenOf]).toEqual([1, 2]);
  expect(told('a.xml', text, { asides: true })).toHaveLength(3);
});

test.each([
  ['opaque first', '<a b="#ff112233" c="#ff445566"/>', 'argb', 'the first byte is ff throughout'],
  ['opaque last', '<a b="#112233ff" c="#445566ff"/>', 'rgba', 'the last byte is ff throughout'],
  ['a constant opacity', '<a b="#80112233" c="#80445566" d="#80778899"/>', 'argb', 'the first byte is 80 throughout'],
  ['the file says so', '<!-- 0xAABBGGRR --><a b="#ff112233"/>', 'abgr', 'the file says ABGR'],
  ['a key says so', '<a format="bgra" b="#11223344"/>', 'bgra', 'the file says BGRA'],
  ['a function says nothing', '<a b="rgba(1, 2, 3, .5)" c="#ff112233"/>', 'argb', 'the first byte is ff throughout'],
  ['nothing tells', '<a b="#11223344" c="#55667788"/>', 'rgba', 'nothing in the file tells, so it is the usual one'],
  [
    'nothing tells of a program’s codes',
    '<a b="0x11223344" c="0x55667788"/>',
    'argb',
    'nothing in the file tells, so it is the usual one',
  ],
  [
    'each kind of codes for itself',
    '<a b="#11223344" c="0x11223344" d="0xff445566"/>',
    'argb',
    'nothing in the file tells, so it is the usual one',
  ],
])('the order of bytes is told for the whole file: %s', (_what, text, order, evidence) => {
  const { hash, program } = found('a.xml', text).orders;
  expect(/0x|[$]/.test(text.replace(/<!--.*?-->/, '')) ? program : hash).toEqual({ order, evidence });
});

test('an order chosen by hand counts for codes and packed numbers', () => {
  const text = '{"colour": 65280, "fill": "0x11223344", "ink": 4278190335}';
  expect(told('a.json', text, { order: 'bgra' })).toEqual([
    '1 65280 integer bgr #00ff00',
    '1 0x11223344 0x bgra #332211 0.27',
    '1 4278190335 integer bgra #0000ff',
  ]);
});

const banks = (name: string, text: string) => {
  const { banks: all, slots } = found(name, text);
  return all.map(
    ({ key, slots: members, entries }) =>
      `${key.slice(1)}: ${members.map((at) => slots[at]!.literal.text).join(' ')}${entries ? '' : ' (fixed)'}`,
  );
};

test.each([
  [
    'elements of one name under one parent',
    'a.xml',
    '<a><s><c v="#111"/><c v="#222"/></s><s><c v="#333"/><c v="#444"/></s><x v="#555"/></a>',
    ['a[1]/s[1]/c[*]/@v: #111 #222', 'a[1]/s[2]/c[*]/@v: #333 #444'],
  ],
  ['elements that hold one each', 'a.xml', '<a><s><c v="#111"/></s><s><c v="#222"/></s></a>', ['a[1]/s[*]/c[1]/@v: #111 #222']],
  [
    'two attributes, two banks',
    'a.xml',
    '<a><c f="#111" g="#333"/><c f="#222" g="#444"/></a>',
    ['a[1]/c[*]/@f: #111 #222', 'a[1]/c[*]/@g: #333 #444'],
  ],
  [
    'entries of a list, and objects in one',
    'a.json',
    '{"a": ["#111", "#222"], "b": [{"c": "#333"}, {"c": "#444"}]}',
    ['a[*]: #111 #222', 'b[*]/c: #333 #444'],
  ],
  ['numbered keys', 'a.ini', '[p]\ncolour1=#111\ncolour2=#222\nother=#333', ['p/colour*: #111 #222 (fixed)']],
  [
    'custom properties that are numbered',
    'a.css',
    ':root { --d-1: #111; --d-2: #222; --e: #333 }',
    [':root/--d-*: #111 #222 (fixed)'],
  ],
  [
    'a list of YAML, in lines and in one',
    'a.yaml',
    'a:\n  - "#111"\n  - "#222"\nb: ["#333", "#444"]',
    ['a[*]: #111 #222', 'b: #333 #444 (fixed)'],
  ],
  ['a list of a program', 'a.ts', 'export const ramp = ["#111", "#222"];\nconst one = "#333";', ['ramp[*]: #111 #222']],
])('banks: %s', (_what, name, text, expected) => {
  expect(banks(name, text)).toEqual(expected);
});
