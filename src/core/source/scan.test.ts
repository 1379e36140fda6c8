import { scanCode } from './code';
import { scanCss } from './css';
import { scanJson } from './json';
import { pathText, type Scan } from './occurrence';
import { scanSettings } from './settings';
import { SourceText } from './source-text';
import { scanXml } from './xml';

/** Every occurrence as its place in the structure and its text, which has to be what stands at its span. */
function told(scan: (source: SourceText) => Scan, text: string): string[] {
  const source = SourceText.ofText(text);
  return scan(source).occurrences.map(({ span, path, literal, aside }) => {
    const stands = source.textOf(span);
    return `${pathText(path)}${aside ? ` (${aside})` : ''}: ${stands}${stands === literal.text ? '' : ` not ${literal.text}`}`;
  });
}

test('XML: elements and attributes, text, CDATA and comments, each where it stands', () => {
  const xml =
    '<?xml version="1.0"?>\r\n<!-- was #010101 -->\n<set xmlns:x="u#123456"><x:rule fill = \'teal\' label="tan" b="&lt;#112233"/>\n<c>#fff<d/> rgb(1, 2, 3)</c><![CDATA[#abcdef]]></set>';
  expect(told(scanXml, xml)).toEqual([
    ' (comment): #010101',
    'set[1]/rule[1]/@fill: teal',
    'set[1]/rule[1]/@b: #112233',
    'set[1]/c[1]: #fff',
    'set[1]/c[1]: rgb(1, 2, 3)',
    'set[1]: #abcdef',
  ]);
});

test('JSON: key paths, numbers under keys that speak of colour, comments', () => {
  const json =
    '{"a": {"fill": "teal", "name": "tan", "list": ["#fff", "x #123456 y"]}, "tint": [1, 2,\n 3], "margin": [1, 2, 3]} // #010101';
  expect(told(scanJson, json)).toEqual([
    'a/fill: teal',
    'a/list[1]: #fff',
    'a/list[2]: #123456',
    'tint: 1, 2,\n 3',
    ' (comment): #010101',
  ]);
});

test('CSS: properties, functions and names where they are colours, comments', () => {
  const css =
    ':root { --sea: #1f6f78; --gap: 4px }\na { color: RED; animation-name: tan; background: linear-gradient(rgb(1 2 3), red) /* #010101 */ }';
  expect(told(scanCss, css)).toEqual([
    ':root/--sea: #1f6f78',
    'a/color: RED',
    'a/background: rgb(1 2 3)',
    'a/background[2]: red',
    'a (comment): #010101',
  ]);
});

test('settings: sections and keys, codes, triples and integers where the key speaks of colour', () => {
  const ini =
    '; was #010101\n[Deck]\r\ncolour = #1f6f78\nborder=31, 111, 120\nsize = 31, 111, 120\ninkColour: 2060152\n[Quay]\nlabel = tan\nground = tan\n';
  expect(told(scanSettings, ini)).toEqual([
    ' (comment): #010101',
    'Deck/colour: #1f6f78',
    'Deck/border: 31, 111, 120',
    'Deck/inkColour: 2060152',
    'Quay/ground: tan',
  ]);
});

test('source code: names before the values, comments of the language, marks of comments within strings', () => {
  const code = 'const Sea = 0x1F6F78; // 0x010101\nlet url = "http://x#y"; foam: "#ddf0ee" /* #020202\n#030303 */\n';
  expect(told((source) => scanCode(source), code)).toEqual([
    'Sea: 0x1F6F78',
    ' (comment): 0x010101',
    'foam: #ddf0ee',
    ' (comment): #020202',
    ' (comment): #030303',
  ]);
  expect(told((source) => scanCode(source, 'shell'), 'sea: "#1f6f78" # was #010101\n')).toEqual([
    'sea: #1f6f78',
    ' (comment): #010101',
  ]);
});

test('what only looks like a colour is none: plain numbers in other prefixes, words outside of keys that speak of colour', () => {
  expect(told(scanCode, 'a = 0xfff; b = &Habc; c = $1234; d = 0xffffff; e = $aabbcc; f = &H112233; x#fff; g = #fff-1')).toEqual([
    'd: 0xffffff',
    'e: $aabbcc',
    'f: &H112233',
  ]);
  expect(told(scanSettings, 'size = 2060152\nlast = #fff')).toEqual(['last: #fff']);
  expect(told(scanXml, '<a>\n  <b>  </b>#fff</a>')).toEqual(['a[1]: #fff']);
  expect(scanXml(SourceText.ofText('<a/>')).problems).toEqual([]);
  expect(scanXml(SourceText.ofText('<a>')).problems).toHaveLength(1);
});
