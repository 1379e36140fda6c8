/** Style sheets, drawings, JSON, office themes, swatch files and token files as other programs write them. */
import { told, reading } from './told';

const bytesOf = (...parts: (number[] | string)[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'string' ? [...part].map((character) => character.charCodeAt(0)) : part)),
  );
const u16 = (value: number) => [(value >> 8) & 255, value & 255];
const u32 = (value: number) => [...u16(value >>> 16), ...u16(value & 0xffff)];
const utf16 = (text: string) => [...text].flatMap((character) => u16(character.charCodeAt(0))).concat(0, 0);
const f32 = (value: number) => [...new Uint8Array(new Float32Array([value]).buffer)].reverse();

test.each<[string, string, string, string[]]>([
  [
    'CSS: legacy rgb() beyond its range is cut as browsers do, and said',
    'a.css',
    'a { color: rgb(300, -20, 0); background: hsl(120 200% 50%) }',
    ['1 #ff0000 | outside', '1 #00ff00 | outside'],
  ],
  [
    'CSS: opacity none is 0, percentages, capitals',
    'a.css',
    'a { color: RGB(10% 20% 30% / NONE); fill: RGBA(255 0 0 / 50%) }',
    ['1 #1a334d 0%', '1 #ff0000 50%'],
  ],
  [
    'CSS: every space of color()',
    'a.css',
    'a { --p3: color(display-p3 0 1 0); --lin: color(display-p3-linear 0 1 0); --x: color(xyz 0.2 0.3 0.4); --lab: lab(50% 50% -50%) }',
    ['1 p3 | #00fb29', '1 lin | #00fb29', '1 x | #00a7a4', '1 lab | #b043e4'],
  ],
  ['CSS: a comment is no use', 'a.css', 'a { color: red /* #123456 */ }', ['1 #ff0000', '1 #123456 | left | apart']],
  [
    'SVG: lines of the file and not of the sheet in it, where the literal begins',
    'a.svg',
    '<svg>\n<style>\n.a {\n  fill: #da452c }\n</style>\n<rect\n  fill="#1f6f78"/></svg>',
    ['4 #da452c', '7 #1f6f78'],
  ],
  [
    'JSON: lists and objects of numbers under keys that speak of colour',
    'a.json',
    '{"colors": {"sea": [31, 111, 120], "fog": {"r": 0.5, "g": 0.5, "b": 0.5}},\n "margin": [31, 111, 120], "tint": [1, 0, 0.5, 0.25]}',
    ['1 sea | #1f6f78', '1 fog | #808080', '2 tint | #ff0080 25%'],
  ],
  [
    'JSON: several colours within a text',
    'a.json',
    '{"ground": "linear-gradient(#102030, rgb(1 2 3))"}',
    ['1 ground | #102030', '1 ground | #010203'],
  ],
  [
    'hex list: three and four digits',
    'a.hex',
    'fff\n#1f6f78\n0f08\nzzz\n',
    ['1 #ffffff', '2 #1f6f78', '3 #00ff00 53%', '4 – | left | unreadable'],
  ],
  [
    'office theme: preset, scRGB and HSL colours',
    'a.xml',
    '<a:theme xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"><a:clrScheme name="Q"><a:dk1><a:prstClr val="ltSlateGray"/></a:dk1><a:lt1><a:scrgbClr r="100%" g="21404" b="0"/></a:lt1><a:accent1><a:hslClr hue="7200000" sat="100000" lum="50000"/></a:accent1><a:accent2><a:schemeClr val="phClr"/></a:accent2></a:clrScheme></a:theme>',
    ['1 Dark 1 | #778899', '1 Light 1 | #ff8000', '1 Accent 1 | #00ff00', '1 Accent 2 | – | left | unreadable'],
  ],
])('%s', async (_what, name, content, expected) => {
  expect(await told(name, content)).toEqual(expected);
});

const colour = (name: string, rgb: readonly number[]) => {
  const body = [...u16(name.length + 1), ...utf16(name), ...bytesOf('RGB '), ...rgb.flatMap(f32), 0, 0];
  return [...u16(1), ...u32(body.length), ...body];
};

test.each<[string, string, Uint8Array, string]>([
  [
    'ASE with more blocks than its header says',
    'a.ase',
    bytesOf('ASEF', u16(1), u16(0), u32(1), colour('Pier', [0, 0, 0]), colour('Quay', [1, 1, 1])),
    'says that it has 1 entries, and it has 2; all are here',
  ],
  [
    'ASE with fewer',
    'a.ase',
    bytesOf('ASEF', u16(1), u16(0), u32(9), colour('Pier', [0, 0, 0]), colour('Quay', [1, 1, 1])),
    'ends after 2 of 9 entries',
  ],
  [
    'ACO whose two sections disagree',
    'a.aco',
    bytesOf(
      u16(1),
      u16(1),
      [0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
      u16(2),
      u16(2),
      ...['Pier', 'Quay'].map((name) => [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, ...u32(5), ...utf16(name)]),
    ),
    '1 colours without names and 2 with them; the named are here',
  ],
  [
    'RIFF with room for more than it counts',
    'a.pal',
    bytesOf('RIFF', [28, 0, 0, 0], 'PAL data', [12, 0, 0, 0, 0, 3, 1, 0], [1, 2, 3, 0, 4, 5, 6, 0]),
    'says that it has 1 colours, and there is room for 2',
  ],
])('%s: what is there is read, and the difference is said', async (_what, name, bytes, sentence) => {
  const { entries, problems } = (await reading(name, bytes))!;
  expect(problems.map(({ message }) => message).join(' ')).toContain(sentence);
  expect(entries.length).toBeGreaterThan(0);
});

test.each<[string, object, string[], string[]]>([
  [
    'groups that extend one another merge deeply',
    {
      base: { $type: 'color', sea: { deep: { $value: '#000011' }, pale: { $value: '#ccccff' } } },
      night: { $extends: '{base}', sea: { pale: { $value: '#333355' } } },
    },
    ['1 base.sea/deep | #000011', '1 base.sea/pale | #ccccff', '1 night.sea/deep | #000011', '1 night.sea/pale | #333355'],
    [],
  ],
  [
    'tokens within tokens and clashing paths are said, not lost',
    {
      sea: { $type: 'color', $value: '#000011', deep: { $value: '#000022' } },
      'sea.deep': { $type: 'color', $value: '#000033' },
    },
    ['1 a/sea | #000011', '1 a/deep-2 | #000033'.replace('a/', 'sea/'), '1 sea/deep | #000022'],
    [
      'sea is a token and has others within it (deep); all are read.',
      'sea.deep is there twice; the second is read as sea.deep-2.',
    ],
  ],
  [
    '$ref with escapes (RFC 6901, 3 and 6)',
    { 'a/b': { 'c~d e': { $type: 'color', $value: '#123456' } }, link: { $type: 'color', $ref: '#/a~1b/c~0d%20e' } },
    ['1 c~d e | #123456', '1 link | #123456'],
    [],
  ],
])('design tokens: %s', async (_what, file, expected, sentences) => {
  const read = (await reading('a.tokens.json', JSON.stringify(file)))!;
  const lines = await told('a.tokens.json', JSON.stringify(file));
  expect(lines.sort()).toEqual([...expected].sort());
  expect(read.problems.map(({ message }) => message)).toEqual(sentences);
});
