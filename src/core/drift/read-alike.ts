import { byte, readColour, type ReadColour } from '../colour/read';
import { fromBytes, fromUnit } from '../colour/channel-values';
import { encode } from '../colour/oklab';
import { codeLiteral, type ByteOrder } from '../source/literal';
import { literalsIn } from '../source/occurrence';

type Read = (text: string) => ReadColour | null;

const NUMBER = /-?\d*\.?\d+(?:e[+-]?\d+)?/gi;

/** The numbers of a text; what is divided by 255 counts as bytes. */
function numbersOf(text: string): number[] {
  return Array.from(text.replace(/\s*\/\s*255\b/g, '').matchAll(NUMBER), ([number]) => Number(number));
}

function ofNumbers(text: string, colour: (red: number, green: number, blue: number) => string | null): ReadColour | null {
  const numbers = numbersOf(text);
  if (numbers.length < 3) return null;
  // A call may have a number in its name, before its values.
  const [red, green, blue, alpha = 1] = numbers.slice(-(numbers.length > 3 ? 4 : 3)) as [number, number, number, number?];
  const css = colour(red, green, blue);
  const read = css === null ? null : readColour(css);
  return read && { ...read, alpha: alpha > 1 ? alpha / 255 : alpha };
}

const inside = (most: number, ...channels: number[]) => channels.every((channel) => channel >= 0 && channel <= most);

/** Every way in which a format writes a colour, as it is read back. */
const READS: readonly Read[] = [
  readColour,
  (text) => (/^[0-9a-f]{6}(?:[0-9a-f]{2})?$/i.test(text) ? readColour(`#${text}`) : null),
  // Within something else: a call, quotes.
  (text) =>
    [...literalsIn(text)].find(
      ({ literal }) => literal.text.startsWith('#') || /\($/.test(literal.text) || /^[a-z]+\(/i.test(literal.text),
    )?.literal.colour ?? null,
  ...(['rgba', 'argb', 'bgra', 'abgr'] as const satisfies readonly ByteOrder[]).map((order): Read => (text) => {
    const [, prefix, digits] = /^(0x|&h|\$)([0-9a-f]{8}|[0-9a-f]{6})[ul]{0,2}$/i.exec(text) ?? [];
    return digits === undefined ? null : (codeLiteral(text, prefix!, digits, order)?.colour ?? null);
  }),
  (text) =>
    ofNumbers(text, (red, green, blue) =>
      inside(255, red, green, blue) ? fromBytes(Math.round(red), Math.round(green), Math.round(blue)) : null,
    ),
  (text) => ofNumbers(text, (red, green, blue) => (inside(1, red, green, blue) ? fromUnit([red, green, blue]) : null)),
  // Linear light, as materials have it.
  (text) =>
    ofNumbers(text, (red, green, blue) =>
      inside(1, red, green, blue) ? fromUnit([encode(red), encode(green), encode(blue)]) : null,
    ),
];

/** A text that is known to stand for a colour. */
interface Known {
  readonly text: string;
  readonly hex: string;
}

/** Reads texts as a file writes its colours, which is told from those that are known. */
export class AlikeReader {
  private readonly reads: readonly Read[];

  /** @param known some texts of the file; the way that most of them are read by comes first */
  constructor(known: readonly Known[]) {
    const score = (read: Read) => known.reduce((sum, { text, hex }) => sum + (read(text)?.hex === hex ? 1 : 0), 0);
    this.reads = READS.map((read) => ({ read, score: score(read) }))
      .sort((one, two) => two.score - one.score)
      .map(({ read }) => read);
  }

  /** What a text stands for in the place of one that is known; null when it is no colour in that notation, nor in CSS. */
  read(expected: Known, found: string): ReadColour | null {
    const read = this.reads.find((each) => each(expected.text)?.hex === expected.hex);
    return read?.(found) ?? readColour(found);
  }

  /** Whether a known text can be read at all; that of a single channel cannot. */
  canRead(expected: Known): boolean {
    return this.reads.some((each) => each(expected.text)?.hex === expected.hex);
  }
}

/** The value of one channel alone, 0..255: a number, or two digits behind `0x`; null for anything else. */
export function channelOf(text: string): number | null {
  const value = /^0x[0-9a-f]{1,2}$/i.test(text)
    ? parseInt(text, 16)
    : /^\d{1,3}$/.test(text)
      ? Number(text)
      : /^[01](?:\.\d+)?$/.test(text)
        ? byte(Number(text))
        : null;
  return value !== null && value <= 255 ? value : null;
}
