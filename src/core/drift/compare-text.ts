import type { Mark } from '../formats/kit/marks';
import { literalsIn } from '../source/occurrence';
import { SourceText } from '../source/source-text';
import { aligned } from './align';
import { differs, extra, isSameShown, missing, type Difference } from './difference';
import { AlikeReader, channelOf } from './read-alike';
import { fromBytes } from '../colour/channel-values';
import { readColour, type ReadColour } from '../colour/read';

/** What comparing a text came to. */
export interface Compared {
  readonly differences: readonly Difference[];
  /** How many colours stand where and as they should. */
  readonly equal: number;
}

type Range = readonly [from: number, to: number];

function moved([from, to]: Range, by: number): Range {
  return [from + by, to + by];
}

interface Line {
  readonly text: string;
  /** Its place in the whole text, and its number from 1. */
  readonly from: number;
  readonly number: number;
}

/** Codes, functions and rows of numbers, which are colours or may be: two lines that differ only in these are the same line. */
const VALUES =
  /#[0-9a-z]{3,8}\b|0x[0-9a-f]+\w*|&H[0-9a-f]+|\b[0-9a-f]{6}(?:[0-9a-f]{2})?\b|\b(?:rgb|hsl|hwb|lab|lch|oklab|oklch|color)a?\([^()]*\)|\d*\.?\d+(?:\s*[,; ]\s*\d*\.?\d+){2,}/gi;

/**
 * Compares a delivered text with the one that should be there, of which it is known where each colour stands. Lines are
 * laid beside each other first as they are, then without their colours; what is left over is compared colour by colour.
 */
export function compareText(expected: string, marks: readonly Mark[], source: SourceText): Compared {
  const [ours, theirs] = [linesOf(expected), linesOf(source.text)];
  const result: { differences: Difference[]; equal: number } = { differences: [], equal: 0 };
  const byLine = marksByLine(marks, ours);
  const textOf = ({ from, to }: Mark) => expected.slice(from, to);
  const reader = new AlikeReader(marks.slice(0, 400).map((mark) => ({ text: textOf(mark), hex: mark.hex })));
  const apart = channelsApart(marks, textOf, reader);
  const all = [[0, ours.length] as const, [0, theirs.length] as const] as const;
  beside(
    ...all,
    ({ text }) => text,
    (one, two) => beside(one, two, withoutValues, leftOver),
  );
  compareChannels();
  return result;

  /** Lays lines beside each other by a key; what has no counterpart is left to somebody else. */
  function beside(one: Range, two: Range, keyOf: (line: Line) => string, rest: (one: Range, two: Range) => void): void {
    for (const stretch of aligned(ours.slice(...one).map(keyOf), theirs.slice(...two).map(keyOf))) {
      const [left, right] = [moved(stretch.one, one[0]), moved(stretch.two, two[0])];
      if (!stretch.equal) rest(left, right);
      else
        for (let n = 0; n < left[1] - left[0]; n++) compareLine(ours[left[0] + n]!, byLine[left[0] + n]!, theirs[right[0] + n]!);
    }
  }

  function compareLine(line: Line, here: readonly Mark[], found: Line): void {
    const captured = capture(line, here, found);
    if (!captured) return leftOver([line.number - 1, line.number], [found.number - 1, found.number]);
    compareMarks(here, captured);
  }

  function compareMarks(here: readonly Mark[], captured: readonly Captured[]): void {
    for (const [n, mark] of here.entries()) {
      const place = captured[n]!;
      const text = textOf(mark);
      const channels = apart.get(mark);
      if (channels) channels.found.set(mark, place);
      else if (place.text === text) result.equal++;
      else compareColour(mark, reader.read({ text, hex: mark.hex }, place.text), [{ mark, place }]);
    }
  }

  /** @param changed where the colour stands otherwise than expected */
  function compareColour(mark: Mark, found: ReadColour | null, changed: readonly { mark: Mark; place: Captured }[]): void {
    const wanted = apart.has(mark) ? null : reader.read({ text: textOf(mark), hex: mark.hex }, textOf(mark));
    if (found && wanted && isSameShown(found, wanted)) {
      // Another notation of the same colour.
      result.equal++;
      return;
    }
    const mends = changed.map(({ mark: each, place: { from, text } }) => ({
      span: { from, to: from + text.length },
      text: textOf(each),
    }));
    const said = changed.map(({ place }) => place.text).join(' ');
    result.differences.push(differs(mark, found, said, source.placeOf(mends[0]!.span.from).line, mends));
  }

  /** Colours whose channels stand apart, each looked at when all of them have been found. */
  function compareChannels(): void {
    for (const { marks: three, found } of new Set(apart.values())) {
      const places = three.map((mark) => found.get(mark));
      if (places.some((place) => place === undefined)) continue;
      const changed = three.flatMap((mark, n) => (places[n]!.text === textOf(mark) ? [] : [{ mark, place: places[n]! }]));
      if (changed.length === 0) result.equal++;
      else
        compareColour(
          three[0]!,
          ofChannels(
            three[0]!.hex,
            three.map(textOf),
            places.map((place) => place!.text),
          ),
          changed,
        );
    }
  }

  /** What stands in each mark's place on the other line, when all else on it is as it should be. */
  function capture(line: Line, here: readonly Mark[], found: Line): Captured[] | null {
    const captured: Captured[] = [];
    let at = 0;
    for (const [n, { from, to }] of here.entries()) {
      const before = line.text.slice(n === 0 ? 0 : here[n - 1]!.to - line.from, from - line.from);
      if (!found.text.startsWith(before, at)) return null;
      const start = at + before.length;
      const next = line.text.slice(to - line.from, n + 1 < here.length ? here[n + 1]!.from - line.from : line.text.length);
      const end = n + 1 < here.length || next !== '' ? found.text.indexOf(next, start) : found.text.length;
      // The rest of the line has to be its end.
      const stop =
        n + 1 < here.length
          ? end
          : next === ''
            ? found.text.length
            : found.text.endsWith(next)
              ? found.text.length - next.length
              : -1;
      if (stop < start) return null;
      captured.push({ text: found.text.slice(start, stop), from: found.from + start });
      at = stop;
    }
    return captured;
  }

  /** Colours of lines that have no counterpart: equal ones are found by their order, the others are changed, missing or more. */
  function leftOver(one: Range, two: Range): void {
    const wanted = ours.slice(...one).flatMap((_, n) => byLine[one[0] + n]!.filter((mark) => !apart.has(mark)));
    const found = theirs.slice(...two).flatMap(({ text, from }) => [...literalsIn(text, from)]);
    const line = (at: number) => (at < theirs.length ? theirs[at]!.number : theirs.length);
    for (const stretch of aligned(
      wanted.map(({ hex }) => hex),
      found.map(({ literal }) => literal.colour.hex),
    )) {
      const [lost, come] = [wanted.slice(...stretch.one), found.slice(...stretch.two)];
      if (stretch.equal) result.equal += lost.length;
      else if (lost.length === come.length) {
        for (const [n, mark] of lost.entries()) {
          const { span, literal } = come[n]!;
          result.differences.push(
            differs(mark, literal.colour, literal.text, source.placeOf(span.from).line, [{ span, text: textOf(mark) }]),
          );
        }
      } else {
        for (const mark of lost) result.differences.push(missing(mark, line(two[0])));
        for (const { span, literal } of come) result.differences.push(extra(literal.colour, source.placeOf(span.from).line));
      }
    }
  }
}

function withoutValues({ text }: Line): string {
  return text.replace(VALUES, '\0').trim();
}

/** Keys of a text's lines without their colours; of lines that say something. */
export function lineKeys(text: string): string[] {
  return linesOf(text)
    .map(withoutValues)
    .filter((key) => /\w{2}/.test(key));
}

function linesOf(text: string): Line[] {
  const lines: Line[] = [];
  let from = 0;
  for (const { index, 0: end } of text.matchAll(/\r\n|\r|\n|$/g)) {
    lines.push({ text: text.slice(from, index), from, number: lines.length + 1 });
    from = index + end.length;
    if (end === '') break;
  }
  return lines;
}

/** The marks of each line; one that goes over several lines counts on its first. */
function marksByLine(marks: readonly Mark[], lines: readonly Line[]): Mark[][] {
  const byLine = lines.map((): Mark[] => []);
  let at = 0;
  for (const mark of marks) {
    while (at + 1 < lines.length && lines[at + 1]!.from <= mark.from) at++;
    byLine[at]!.push(mark);
  }
  return byLine;
}

/** What stands in the place of a mark. */
interface Captured {
  readonly text: string;
  readonly from: number;
}

/** Three marks that each are a channel of one colour, and what was found in their places. */
interface Channels {
  readonly marks: readonly Mark[];
  readonly found: Map<Mark, Captured>;
}

/** Marks of colours whose channels are written apart, with their partners; other marks are none of them. */
function channelsApart(marks: readonly Mark[], textOf: (mark: Mark) => string, reader: AlikeReader): Map<Mark, Channels> {
  const waiting = new Map<string, Mark[]>();
  const apart = new Map<Mark, Channels>();
  for (const mark of marks) {
    const text = textOf(mark);
    if (channelOf(text) === null || reader.canRead({ text, hex: mark.hex })) continue;
    const key = `${mark.token} ${mark.swatch} ${mark.theme} ${mark.hex}`;
    const three = [...(waiting.get(key) ?? []), mark];
    waiting.set(key, three.length < 3 ? three : []);
    if (three.length < 3) continue;
    const channels = { marks: three, found: new Map<Mark, Captured>() };
    for (const each of three) apart.set(each, channels);
  }
  return apart;
}

/** The colour of three channels of which some are not as expected; which channel each is, the expected values tell. */
function ofChannels(hex: string, expected: readonly string[], found: readonly string[]): ReadColour | null {
  const bytes = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
  const wanted = expected.map((text) => channelOf(text));
  const order = wanted.every((value, at) => value === bytes[at]) ? [0, 1, 2] : [2, 1, 0];
  const channels = found.map((text) => channelOf(text));
  if (channels.includes(null)) return null;
  return readColour(fromBytes(...(order.map((at) => channels[at]!) as [number, number, number])));
}
