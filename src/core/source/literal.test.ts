import fc from 'fast-check';
import { hexColour } from '../../../tests/arbitrary-colours';
import { byte, readColour } from '../colour/read';
import {
  codeLiteral,
  cssOf,
  integerLiteral,
  numbersLiteral,
  readLiteral,
  writeLiteral,
  type ByteOrder,
  type Literal,
} from './literal';

const read: Record<string, (text: string) => Literal | null> = {
  css: readLiteral,
  'opacity first': (text) => readLiteral(text, 'argb'),
  'blue first': (text) => codeLiteral(text, '0x', text.slice(2), 'bgra'),
  bytes: (text) => numbersLiteral(text, 'bytes'),
  shares: (text) => numbersLiteral(text, 'shares'),
  percent: (text) => numbersLiteral(text, 'percent'),
  integer: (text) => integerLiteral(text, 'rgb'),
  'integer, blue first': (text) => integerLiteral(text, 'bgr'),
};

/** A literal, what it is, and the colour #8a2be2 in its manner. */
const MANNERS: [how: string, text: string, hex: string, other: string][] = [
  ['css', '#1f6f78', '#1f6f78', '#8a2be2'],
  ['css', '#1F6F78', '#1f6f78', '#8A2BE2'],
  ['css', '#fff', '#ffffff', '#8a2be2'],
  ['css', '#1f6f78ff', '#1f6f78', '#8a2be2ff'],
  ['css', '0x1F6F78', '#1f6f78', '0x8A2BE2'],
  ['css', '&H1F6F78', '#1f6f78', '&H8A2BE2'],
  ['opacity first', '#ff1f6f78', '#1f6f78', '#ff8a2be2'],
  ['blue first', '0x786f1fff', '#1f6f78', '0xe22b8aff'],
  ['css', 'rgb(31, 111, 120)', '#1f6f78', 'rgb(138, 43, 226)'],
  ['css', 'rgba(31,111,120,1.0)', '#1f6f78', 'rgba(138,43,226,1.0)'],
  ['css', 'rgb( 31 111 120 / 100% )', '#1f6f78', 'rgb( 138 43 226 / 100% )'],
  ['css', 'RGB(12.2% 43.5% 47.1%)', '#1f6f78', 'RGB(54.1% 16.9% 88.6%)'],
  ['css', 'hsl(186deg, 59%, 30%)', '#1f717a', 'hsl(271.1deg, 75.9%, 52.7%)'],
  ['css', 'color(display-p3 0.2 0.4 0.5)', '#1b6882', 'color(display-p3 0.499 0.196 0.854)'],
  ['css', 'teal', '#008080', '#8a2be2'],
  ['bytes', '31,111,120', '#1f6f78', '138,43,226'],
  ['bytes', '31, 111, 120, 255', '#1f6f78', '138, 43, 226, 255'],
  ['shares', '.12 .44 .47', '#1f7078', '.541 .169 .886'],
  ['percent', '12% 44% 47%', '#1f7078', '54.1% 16.9% 88.6%'],
  ['integer', '2060152', '#1f6f78', '9055202'],
  ['integer, blue first', '7892767', '#1f6f78', '14822282'],
];

test.each(MANNERS)('%s: %s is %s, and another colour is written %s', (how, text, hex, other) => {
  const literal = read[how]!(text)!;
  expect([literal.text, literal.colour.hex]).toEqual([text, hex]);
  expect(writeLiteral(literal.manner, readColour('#8a2be2')!)).toEqual({ text: other, opacityKept: true });
});

test('whatever the manner and the colour, what is written is read back as the same 8 bits, and its own colour as itself', () => {
  fc.assert(
    fc.property(fc.constantFrom(...MANNERS), hexColour, fc.constantFrom('', '80', '00'), ([how, text], hex, opacity) => {
      const { manner, colour } = read[how]!(text)!;
      const wanted = readColour(hex + opacity)!;
      const written = writeLiteral(manner, wanted);
      const again = read[manner.kind === 'name' ? 'css' : how]!(written.text)!;
      expect([text, written.text, again?.colour.hex]).toEqual([text, written.text, wanted.hex]);
      if (written.opacityKept) expect(byte(again.colour.alpha)).toBe(byte(wanted.alpha));
      if (manner.kind !== 'name') expect(writeLiteral(manner, colour).text).toBe(text);
    }),
    { numRuns: 600 },
  );
});

test.each(['12', '#12', '#12345', '123456', 'rgb(1 2)', 'nocolour', ''])('%j is no literal', (text) => {
  expect(readLiteral(text)).toBeNull();
});

const own = (text: string, order?: ByteOrder) => readLiteral(text, order)!;

/** A literal, a colour, how that is written in the literal's manner, and whether its opacity was kept. */
const OTHERS: [own: Literal, colour: string, text: string, opacityKept: boolean][] = [
  // Only codes behind a # grow by an opacity; three and four digits stay short while they can.
  [own('#1f6f78'), '#8a2be280', '#8a2be280', true],
  [own('#abc'), '#aabbcc80', '#aabbcc80', true],
  [own('#abc'), '#aabbcc88', '#abc8', true],
  [own('#abc8'), '#aabbcc', '#abcf', true],
  [own('#abc8'), '#aabbcd', '#aabbcdff', true],
  [own('#ABC'), '#ddeeff', '#DEF', true],
  [own('0x1f6f78'), '#8a2be280', '0x8a2be2', false],
  [own('&H1f6f78'), '#8a2be2', '&H8a2be2', true],
  [own('$112233'), '#aabbcc', '$aabbcc', true],
  [own('0X112233'), '#aabbcc', '0XAABBCC', true],
  [own('#112233'), '#aabbcc', '#aabbcc', true],
  // Orders of bytes.
  [own('#80112233', 'argb'), '#aabbccdd', '#ddaabbcc', true],
  [own('#11223380', 'bgra'), '#aabbccdd', '#ccbbaadd', true],
  [own('#80112233', 'abgr'), '#aabbccdd', '#ddccbbaa', true],
  [own('#112233', 'abgr'), '#aabbcc', '#ccbbaa', true],
  [own('#112233', 'bgra'), '#aabbcc', '#ccbbaa', true],
  [own('#112233', 'argb'), '#aabbcc', '#aabbcc', true],
  // Names become codes, in capitals where the name is.
  [own('RED'), '#8a2be2', '#8A2BE2', true],
  [own('Red'), '#8a2be280', '#8a2be280', true],
  [integerLiteral('255', 'rgb')!, '#01020380', '66051', false],
  [integerLiteral('255', 'bgr')!, '#010203', '197121', true],
  // Four bytes: opacity first unless said otherwise, with a sign where it had one.
  [integerLiteral('-14716040', 'rgb')!, '#8a2be2', '-7722014', true],
  [integerLiteral('4280250488', 'argb')!, '#8a2be280', '2156538850', true],
  [integerLiteral('527398143', 'rgba')!, '#010203', '16909311', true],
  [numbersLiteral('1, 2, 3', 'bytes')!, '#01020380', '1, 2, 3', false],
  [numbersLiteral('1, 2, 3, 4', 'bytes')!, '#01020380', '1, 2, 3, 128', true],
  [numbersLiteral('1, 2, 3, 0.5', 'bytes')!, '#01020380', '1, 2, 3, 0.5', true],
  [numbersLiteral('10 20 30 40', 'percent')!, '#ff000080', '100 0 0 50', true],
  [numbersLiteral('0.1 0.2 0.3 1.0', 'shares')!, '#ff000080', '1.0 0.0 0.0 0.5', true],
  // Functions take an opacity in, with the sign of their kind.
  [own('rgb(1, 2, 3)'), '#01020380', 'rgb(1, 2, 3, 0.502)', true],
  [own('rgb(1 2 3)'), '#01020380', 'rgb(1 2 3 / 0.502)', true],
  [own('rgb(1 2 3 / 10%)'), '#01020380', 'rgb(1 2 3 / 50%)', true],
  [own('hsl(0.5turn 50% 50%)'), '#00ff00', 'hsl(0.3333turn 100% 50%)', true],
  [own('hsl(200grad 50% 50%)'), '#00ff00', 'hsl(133.3grad 100% 50%)', true],
  [own('hsl(3.1rad 50% 50%)'), '#00ff00', 'hsl(2.094rad 100% 50%)', true],
  [own('oklch(50% .1 100)'), '#00ff00', 'oklch(86.64% .295 142.5)', true],
  [own('lab(50 -.5 none)'), '#808080', 'lab(53.6 0 0)', true],
];

test.each(OTHERS.map((row) => [row[0].text, ...row] as const))('%s', (_own, literal, colour, text, opacityKept) => {
  expect(writeLiteral(literal.manner, readColour(colour)!)).toEqual({ text, opacityKept });
});

test.each([
  [numbersLiteral('1, 2', 'bytes')],
  [numbersLiteral('1 2 3 4 5', 'bytes')],
  [numbersLiteral('1 2 256', 'bytes')],
  [numbersLiteral('1 2 -1', 'bytes')],
  [numbersLiteral('0.5 0.5 1.01', 'shares')],
  [numbersLiteral('0 0 101', 'percent')],
  [integerLiteral('4294967296', 'rgb')],
  [integerLiteral('-2147483649', 'rgb')],
  [integerLiteral('1.5', 'rgb')],
  [codeLiteral('#ggg', '#', 'ggg', 'rgba')],
])('numbers that can be no colour are none', (literal) => {
  expect(literal).toBeNull();
});

test.each([
  [numbersLiteral('255 255 255', 'bytes'), '#ffffff', 1],
  [numbersLiteral('0 128 255 128', 'bytes'), '#0080ff', 128 / 255],
  [numbersLiteral('0 128 255 1', 'bytes'), '#0080ff', 1],
  [numbersLiteral('0 128 255 0.25', 'bytes'), '#0080ff', 0.25],
  [numbersLiteral('0 0.5 1 .5', 'shares'), '#0080ff', 0.5],
  [numbersLiteral('0 50 100 25', 'percent'), '#0080ff', 0.25],
  [numbersLiteral('31.5 0 0', 'bytes'), '#200000', 1],
  [integerLiteral('16777215', 'bgr'), '#ffffff', 1],
  [integerLiteral('255', 'bgr'), '#ff0000', 1],
  [own('#8012', 'argb'), '#001122', 136 / 255],
])('numbers and codes with their opacity', (literal, hex, alpha) => {
  expect(literal!.colour.hex).toBe(hex);
  expect(literal!.colour.alpha).toBeCloseTo(alpha, 9);
});

test('as CSS a literal is itself where it is CSS, and its colour where it is not', () => {
  expect([own('RED'), own('rgb(1, 2, 3)'), own('#ABC'), own('0x112233'), numbersLiteral('1 2 3', 'bytes')!].map(cssOf)).toEqual([
    'RED',
    'rgb(1, 2, 3)',
    '#aabbcc',
    '#112233',
    '#010203',
  ]);
});
