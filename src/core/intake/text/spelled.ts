import { NO_PROFILE } from '../notations-compared';
import { fromBytes, fromCmyk, fromHsb, fromLab, fromUnit } from '../../colour/channel-values';
import { readColour, type ReadColour } from '../../colour/read';
import { doubt, type Doubt } from '../intake';

/** A colour found in a line. */
export interface LineMatch {
  /** Where it begins in the line, from 0. */
  readonly at: number;
  readonly text: string;
  /** null for what looks like a colour and is none; its first doubt says why. */
  readonly colour: ReadColour | null;
  readonly doubts: readonly Doubt[];
  readonly other?: ReadColour;
}

interface Meant {
  readonly css: string | null;
  readonly doubts: readonly Doubt[];
}

const NUMBER = String.raw`(-?(?:\d{1,3}(?:\.\d{1,6})?|\.\d{1,6}))`;
const UNIT = String.raw`\s?(?:%|°|deg)?`;
// Bounded, or a long run of spaces would be tried in every division of it.
const SPACE = String.raw`\s{0,20}`;
const PARTING = `${SPACE}[,;/\\s]${SPACE}`;
const list = (count: number) => Array.from({ length: count }, () => NUMBER + UNIT).join(PARTING);
const lettered = (letters: string) =>
  letters
    .split('')
    .map((letter) => String.raw`${letter}\*?${SPACE}[:=]?${SPACE}${NUMBER}${UNIT}`)
    .join(String.raw`[,;/\s]{0,20}`);
const anywhere = (pattern: string) => new RegExp(String.raw`(?<![\w.-])${pattern}(?![\w.])`, 'gi');
const word = (words: string, count: number) => anywhere(String.raw`(?:${words})${SPACE}[:=(]?${SPACE}${list(count)}\)?`);

/** Colours spelled out in numbers with their letters or their model's word, the most particular first. */
const SPELLINGS: readonly {
  readonly pattern: RegExp;
  readonly read: (values: number[]) => Meant | null;
}[] = [
  { pattern: anywhere(lettered('CMYK')), read: meantInks },
  { pattern: word('device-cmyk|cmyk', 4), read: meantInks },
  { pattern: anywhere(lettered('HSB')), read: hsb },
  { pattern: anywhere(lettered('HSV')), read: hsb },
  { pattern: word('hsb|hsv', 3), read: hsb },
  { pattern: word('cielab|lab', 3), read: ([l, a, b]) => sure(l! <= 100 && l! >= 0 ? fromLab(l!, a!, b!) : null) },
  {
    pattern: anywhere(
      String.raw`L\*${SPACE}[:=]?${SPACE}${NUMBER}[,;/\s]{0,20}a\*${SPACE}[:=]?${SPACE}${NUMBER}[,;/\s]{0,20}b\*${SPACE}[:=]?${SPACE}${NUMBER}`,
    ),
    read: ([l, a, b]) => sure(fromLab(l!, a!, b!)),
  },
  { pattern: word('lch', 3), read: ([l, c, h]) => sure(`lch(${l} ${c} ${h})`) },
  { pattern: word('hsl', 3), read: ([h, s, l]) => sure(`hsl(${h} ${s}% ${l}%)`) },
  { pattern: anywhere(lettered('RGB')), read: (values) => sure(bytes(values)) },
];

const TRIPLE = new RegExp(
  String.raw`(?<![\d.%-])${NUMBER}\s?(%?)${PARTING}${NUMBER}\s?(%?)${PARTING}${NUMBER}\s?(%?)(?![\d.])`,
  'g',
);

/** What a line says in numbers instead of a code. */
export function spelled(line: string): LineMatch[] {
  if (!hasThreeNumbers(line)) return [];
  // Every model's word or letters have one of these; what has none can only be three plain numbers.
  for (const { pattern, read } of /[chlr]/i.test(line) ? SPELLINGS : []) {
    const found = [...line.matchAll(pattern)].flatMap((match): LineMatch[] => {
      const meant = read(match.slice(1).map(Number));
      const colour = meant?.css ? readColour(meant.css) : null;
      return colour ? [{ at: match.index, text: match[0].trim(), colour, doubts: meant!.doubts }] : [];
    });
    if (found.length > 0) return found;
  }
  return [...triples(line)];
}

/** Three numbers: 0..255, 0..1, or percent. */
function* triples(line: string): Generator<LineMatch> {
  for (const match of line.matchAll(TRIPLE)) {
    const values = [match[1], match[3], match[5]].map(Number);
    const signs = [match[2], match[4], match[6]].join('');
    const place = { at: match.index, text: match[0] };
    if (signs === '%%%') {
      if (values.every(within(100))) yield { ...place, colour: readColour(fromUnit(share(values))), doubts: [] };
    } else if (signs !== '') continue;
    else if (values.every(Number.isInteger)) {
      const css = bytes(values);
      if (!css) continue;
      if (Math.max(...values) > 1 || Math.max(...values) === 0) yield { ...place, colour: readColour(css), doubts: [] };
      else {
        const reason = `Read as shares of 1; as numbers up to 255 it is ${css}.`;
        const colour = readColour(fromUnit(values as [number, number, number]));
        yield { ...place, colour, doubts: [doubt('ambiguous', reason)], other: readColour(css)! };
      }
    } else if (values.every(within(1)))
      yield { ...place, colour: readColour(fromUnit(values as [number, number, number])), doubts: [] };
  }
}

/** No spelling has fewer, and most lines and cells have none: looking for every model in them would cost most of the time. */
function hasThreeNumbers(line: string): boolean {
  const numbers = /\d+/g;
  for (let count = 0; count < 3; count++) if (!numbers.test(line)) return false;
  return true;
}

const within = (top: number) => (value: number) => value >= 0 && value <= top;
const share = (values: number[]) => values.map((value) => value / 100) as [number, number, number];
const sure = (css: string | null): Meant => ({ css, doubts: [] });

function bytes(values: number[]): string | null {
  const [r, g, b] = values as [number, number, number];
  return values.every((value) => Number.isInteger(value) && within(255)(value)) ? fromBytes(r, g, b) : null;
}

function meantInks(values: number[]): Meant | null {
  if (!values.every(within(100))) return null;
  const [c, m, y, k] = values.map((value) => value / 100) as [number, number, number, number];
  return { css: fromCmyk(c, m, y, k), doubts: [NO_PROFILE] };
}

function hsb([h, s, b]: number[]): Meant | null {
  return within(360)(h!) && within(100)(s!) && within(100)(b!) ? sure(fromHsb(h!, s! / 100, b! / 100)) : null;
}
