import fc from 'fast-check';
import { hexColour } from '../../../tests/arbitrary-colours';
import { byte, readColour } from '../colour/read';
import { codeLiteral, integerLiteral, numbersLiteral, readLiteral, writeLiteral, type Literal } from './literal';

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
