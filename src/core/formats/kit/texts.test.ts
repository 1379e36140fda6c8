import { fewTokens, idOf } from '../../../../tests/few-tokens';
import { unzipSync } from 'fflate';
import { readColour } from '../../colour/read';
import { emptyBrand, type Brand } from '../../brand/document/document';
import { cssText, CSS_NOTATIONS } from './css-text';
import { textFile } from './format';
import { markedNumbers, unmarked, withoutHash } from './marks';
import { material } from './material';
import { NameScope } from './name-scope';
import { ancestors, objectText, propertyKey, treeOf } from './nested';
import { chosenPalettes, eachPalette } from './palette-files';
import { brandName, constantGroups, fourNumbers, hexInteger, indented } from './program-text';
import { tokenNote } from './token-note';
import { zipFiles } from './zip';

const read = (css: string) => readColour(css)!;
const bare = (text: string) => unmarked(text).text;

test.each([
  ['hex', '#1f6f7880', '#1f6f78'],
  ['rgb', 'rgb(31 111 120 / 0.502)', 'rgb(31 111 120)'],
  ['hsl', 'hsl(186.07 58.94% 29.61% / 0.502)', 'hsl(186.07 58.94% 29.61%)'],
  ['hwb', 'hwb(186.07 12.16% 52.94% / 0.502)', 'hwb(186.07 12.16% 52.94%)'],
  ['oklch', 'oklch(0.49898 0.0753 206.033 / 0.502)', 'oklch(0.49898 0.0753 206.033)'],
  ['lab', 'lab(42.5198 -22.0681 -12.3381 / 0.502)', 'lab(42.5198 -22.0681 -12.3381)'],
  ['lch', 'lch(42.5198 25.283 209.209 / 0.502)', 'lch(42.5198 25.283 209.209)'],
] as const)('CSS in %s, translucent and opaque', (notation, translucent, opaque) => {
  expect(CSS_NOTATIONS).toContain(notation);
  expect([cssText(read('#1f6f7880'), { notation }), cssText(read('#1f6f78'), { notation })]).toEqual([translucent, opaque]);
});

test('CSS is a hex code unless asked otherwise, has four more digits where asked, and says what is shown', () => {
  expect(cssText(read('#1f6f7880'))).toBe('#1f6f7880');
  expect(cssText(read('#1f6f78'), { notation: 'oklch', precision: 'more' })).toBe('oklch(0.498983369 0.075302153 206.0331306)');
  expect(cssText(read('oklch(0.5 0.0712345 200.5)'), { notation: 'oklch' })).toBe('oklch(0.5 0.07123 200.5)');
  const wide = read('color(display-p3 0 1 0)');
  expect(read(cssText(wide, { notation: 'oklch' })).hex).toBe(wide.hex);
  expect(read(cssText(wide, { notation: 'oklch' })).clipped).toBeLessThan(1e-4);
});

test('numbers of a program: integers in either order, bytes, and linear light with a point in each', () => {
  const colour = read('#1f6f7880');
  expect([hexInteger(colour, 'rgba'), hexInteger(colour, 'argb')]).toEqual(['0x1f6f7880', '0x801f6f78']);
  expect(fourNumbers(colour, 'bytes')).toEqual(['31', '111', '120', '128']);
  expect(fourNumbers(colour, 'linear')).toEqual(['0.013702', '0.158961', '0.187821', '0.501961']);
  expect(fourNumbers(read('#ff0000'), 'linear')).toEqual(['1.0', '0.0', '0.0', '1.0']);
});

describe('constants', () => {
  const brand: Brand = fewTokens({ 'a.b': ['#102030', '#405060'], night: ['#111111', '#222222'] });
  const groups = (options: Parameters<typeof constantGroups>[2], what = brand) =>
    constantGroups(what, what.themes, options, 'pascal', { themeNames: { Day: 'the class itself' } });

  test('are named groups, one a theme, whose names no constant has', () => {
    const { groups: found, findings } = groups({ naming: 'pascal' });
    expect(
      found.map(({ name, title, constants }) => [
        name,
        title,
        ...constants.map((c) => `${c.name} ${c.path} ${c.colour.hex}${c.note}`),
      ]),
    ).toEqual([
      ['Day', 'Day', 'AB a.b #102030', 'NightColour night #111111'],
      ['Night', 'Night', 'AB a.b #405060', 'NightColour night #222222'],
    ]);
    expect(findings.map(({ message }) => message)).toEqual([
      'the class itself and Day would both be written as Day; rename one.',
    ]);
    expect(unmarked(found[1]!.constants[0]!.mark('x')).marks).toEqual([
      { from: 0, to: 1, token: idOf('a.b'), theme: 'night', hex: '#405060' },
    ]);
  });

  test('carry what is known of them where that is asked for, in a way no comment ends at', () => {
    const [first, ...rest] = brand.tokens;
    const old = { note: 'Use night.', use: 'night' };
    const known = { ...brand, tokens: [{ ...first!, description: 'Ends */ here', deprecated: old }, ...rest] };
    const note = 'Ends * / here Deprecated. Use night.';
    expect(groups({ comments: true }, known).groups[0]!.constants.map((constant) => constant.note)).toEqual([note, '']);
    expect(groups({}, known).groups[0]!.constants[0]!.note).toBe('');
    const [theme] = material(known, known.themes).themes;
    expect(theme!.tokens.map(tokenNote)).toEqual([note, '']);
    expect(tokenNote({ ...theme!.tokens[1]!, token: { ...first!, deprecated: old } })).toBe('Deprecated. Use night.');
  });

  test('are held to the target’s number of colours', () => {
    const many = fewTokens(Object.fromEntries(['a', 'b', 'c', 'd', 'e'].map((path, at) => [path, `#${`${at}`.repeat(6)}`])));
    expect(groups({ depth: '4' }, many).findings[0]).toMatchObject({ rule: 'depth', severity: 'error' });
    expect(groups({ depth: '4', beyond: 'reduce' }, many).findings[0]).toMatchObject({ rule: 'depth', severity: 'warning' });
    expect(groups({}, many).findings.filter(({ rule }) => rule === 'depth')).toEqual([]);
  });

  test('stand in a type that has the brand’s name', () => {
    expect(brandName({ ...brand, name: 'Quay & Sons 2' }, 'pascal', {})).toBe('QuaySons2');
    expect(indented(['a', '', '  b'], '  ')).toBe('  a\n\n    b');
  });
});

describe('a tree of paths', () => {
  test('in their order; a group that is a token as well keeps its own colour under a key of its own', () => {
    const scope = new NameScope();
    const tree = treeOf([['text.link', "'1'"], ['page', "'2'"], ['text.link.hover', "'3'"], ['text', "'4'"], ['__proto__.a-b', "'5'"]], 'own', scope); // prettier-ignore
    expect(objectText(tree)).toBe(
      [
        '{',
        '  text: {',
        '    link: {',
        "      own: '1',",
        "      hover: '3',",
        '    },',
        "    own: '4',",
        '  },',
        "  page: '2',",
        '  ["__proto__"]: {',
        '    "a-b": \'5\',',
        '  },',
        '}',
      ].join('\n'),
    );
    expect(scope.findings).toEqual([]);
    treeOf([['a', '1'], ['a.own', '2'], ['a.b', '3']], 'own', scope); // prettier-ignore
    expect(scope.findings.map(({ message }) => message)).toEqual(['a and a.own would both be written as a.own; rename one.']);
  });

  test('groups of a path from the outermost in, and keys that need quotation marks', () => {
    expect([ancestors('a.b.c'), ancestors('a')]).toEqual([['a', 'a.b'], []]);
    expect(['a1', '$a', '_', '1a', 'a-b', 'ä', '__proto__'].map(propertyKey)).toEqual([
      'a1', '$a', '_', '"1a"', '"a-b"', '"ä"', '["__proto__"]',
    ]); // prettier-ignore
  });
});

describe('files of palettes', () => {
  const swatch = (id: string, value: string) => ({ id, name: `Swatch ${id}`, value, locked: false });
  const brand: Brand = {
    ...emptyBrand('b', 'B'),
    palettes: [
      { id: 'one', name: 'Sea', kind: 'brand', swatches: [swatch('a', '#1f6f78'), swatch('b', '#ff000080')] },
      { id: 'two', name: 'sea!', kind: 'brand', swatches: [swatch('c', '#808080')] },
      { id: 'three', name: 'Bare', kind: 'brand', swatches: [] },
    ],
  };
  const where = { folder: 'here', extension: '.txt', mediaType: 'text/plain' };
  const written = (palette: string, what = brand) => {
    const { files, findings } = eachPalette(what, { palette }, where, (_palette, swatches) => JSON.stringify(swatches));
    return {
      files: files.map(
        ({ path, mediaType, bytes }) => [path, mediaType, JSON.parse(new TextDecoder().decode(bytes)) as unknown[]] as const,
      ),
      told: findings.map(({ rule, severity, message }) => `${rule} ${severity}: ${message}`),
    };
  };

  test('one each, named by it, none for an empty one; opacity is said to be lost', () => {
    const { files, told } = written('');
    expect(files.map(([path, type]) => [path, type])).toEqual([
      ['here/sea.txt', 'text/plain'],
      ['here/sea-2.txt', 'text/plain'],
    ]);
    expect(files[0]![2]).toEqual([
      { id: 'a', name: 'Swatch a', rgb: [31, 111, 120], hex: '#1f6f78' },
      { id: 'b', name: 'Swatch b', rgb: [255, 0, 0], hex: '#ff0000' },
    ]);
    expect(told).toEqual([
      'opacity warning: Sea: swatches that are translucent: 1. Swatch files hold no opacity, so they are written opaque.',
    ]);
    expect(written('sea!')).toEqual({ files: [['here/sea.txt', 'text/plain', [expect.anything()]]], told: [] });
  });

  test('with nothing in them are an error', () => {
    expect(written('Bare').told).toEqual(['nothing-to-write error: There is no swatch in a palette Bare; name another.']);
    expect(written('', emptyBrand('b', 'B')).told).toEqual(['nothing-to-write error: There is no swatch to write yet.']);
    expect(chosenPalettes(brand, '').palettes.map(({ id }) => id)).toEqual(['one', 'two']);
  });

  test('of bytes are left as they are', () => {
    const bytes = new Uint8Array([1, 2]);
    expect(eachPalette(brand, { palette: 'Sea' }, where, () => bytes).files).toEqual([
      { path: 'here/sea.txt', mediaType: 'text/plain', bytes },
    ]);
  });
});

test('marks are found again in a text, numbers without the quotation marks of JSON', () => {
  const token = { token: { id: 't' }, theme: { id: 'd' }, colour: { hex: '#102030' } };
  const file = textFile('a.json', 'application/json', JSON.stringify({ a: markedNumbers(token, [1, 0.5]), b: 2 }));
  expect(new TextDecoder().decode(file.bytes)).toBe('{"a":[1, 0.5],"b":2}');
  expect(file.marks).toEqual([{ from: 5, to: 13, token: 't', theme: 'd', hex: '#102030' }]);
  expect(textFile('a.txt', 'text/plain', 'none').marks).toBeUndefined();
  expect(bare(withoutHash('a#b #102030'))).toBe('a#b 102030');
});

test('a zip of equal files is equal, and holds them', () => {
  const files = [{ path: 'a/b.txt', bytes: new Uint8Array([1, 2, 3]) }, { path: 'c.txt', bytes: new Uint8Array() }]; // prettier-ignore
  const zip = zipFiles(files);
  expect(zipFiles(files)).toEqual(zip);
  expect(unzipSync(zip)).toEqual({ 'a/b.txt': files[0]!.bytes, 'c.txt': files[1]!.bytes });
  // DOS date of the first file's local header: 1 January 1980 (APPNOTE.TXT, 4.4.6).
  expect([...zip.slice(10, 14)]).toEqual([0, 0, 0x21, 0]);
});
