import { disagreements, type GivenNotation } from '../notations-compared';
import { literals } from './literals';
import { type Doubt, type EntryParts, taken } from '../intake';
import { spelled, type LineMatch } from './spelled';
import type { TextLine } from './text-lines';

/** Models whose word begins a line of a style guide; the first that is given is taken, ink last. */
const MODELS = ['Hex', 'RGB', 'HSL', 'HSB', 'Lab', 'LCH', 'CMYK'] as const;
type Model = (typeof MODELS)[number];

const LABEL =
  /^\s*(?:[-*•]\s*)?(hex(?:adecimal)?(?:\s?code)?|html|web|s?rgb|cmyk|hsl|hsb|hsv|(?:cie\s?)?lab|lch)\b\s*[:=]?\s*(?=[#(\d.-]|[a-f\d]{3})/i;
const RGB_LETTERS = /^\s*R\s?[:=]?\s?\d{1,3}\b.*\bB\s?[:=]?\s?\d/i;
const INK_LETTERS = /^\s*C\s?[:=]?\s?\d{1,3}\b.*\bK\s?[:=]?\s?\d/i;
/** Ink numbers and the like, which name no colour. */
const ASIDE = /^\s*(?:(?:spot\s+)?ink|spot|no\.?|nr\.?)\b|^\s*\d[\d\s.-]*[A-Z]{0,3}\s*$/i;

interface Notation {
  readonly model: Model;
  readonly match: LineMatch | null;
  readonly line: TextLine;
}

export interface Guide {
  readonly entries: readonly EntryParts[];
  /** Lines that belong to its blocks. */
  readonly used: ReadonlySet<number>;
}

/**
 * Blocks of a style guide: a name, and below it the same colour as HEX, RGB, CMYK and the like on lines of their own, in
 * any order (common practice). Each block is one colour; of its other notations only a real difference is said.
 */
export function styleGuide(lines: readonly TextLine[]): Guide {
  const entries: EntryParts[] = [];
  const used = new Set<number>();
  const notations = lines.map(notationOf);
  for (let at = 0; at < lines.length; at++) {
    if (!notations[at]) continue;
    const { given, end } = blockFrom(lines, notations, at);
    if (given.length > 1 && given.some(({ match }) => match?.colour)) {
      const name = nameAbove(lines, notations, at, used);
      entries.push(blockEntry(given, name === null ? '' : lines[name]!.text.trim()));
      if (name !== null) used.add(name);
      for (let n = at; n <= end; n++) used.add(n);
    }
    at = Math.max(at, end);
  }
  return { entries, used };
}

function notationOf(line: TextLine): Notation | null {
  const { text } = line;
  if (text.length > 200) return null;
  const word = LABEL.exec(text)?.[1]?.toLowerCase();
  const model = word ? modelOf(word) : RGB_LETTERS.test(text) ? 'RGB' : INK_LETTERS.test(text) ? 'CMYK' : null;
  if (!model) return null;
  const label = LABEL.exec(text)?.[0] ?? '';
  const match =
    model === 'Hex'
      ? ([...literals(`${' '.repeat(label.length)}${text.slice(label.length)}`)][0] ?? null)
      : (spelled(text)[0] ?? [...literals(text)][0] ?? null);
  return { model, match, line };
}

function modelOf(word: string): Model {
  if (word.startsWith('hex') || word === 'html' || word === 'web') return 'Hex';
  if (word === 'hsv') return 'HSB';
  return MODELS.find((model) => word.endsWith(model.toLowerCase()))!;
}

/** The notations of one block, each model once; lines of other words may stand between them, blank lines not. */
function blockFrom(
  lines: readonly TextLine[],
  notations: readonly (Notation | null)[],
  start: number,
): { given: Notation[]; end: number } {
  const given: Notation[] = [];
  const seen = new Set<Model>();
  let end = start;
  for (let at = start; at < lines.length && lines[at]!.text.trim() !== ''; at++) {
    const notation = notations[at];
    if (!notation) {
      // Words are within the block only as an ink number, or when more of it follows.
      if (!ASIDE.test(lines[at]!.text)) break;
      if (at === end + 1) end = at;
      continue;
    }
    if (seen.has(notation.model)) break;
    seen.add(notation.model);
    given.push(notation);
    end = at;
  }
  return { given, end };
}

/** The line above a block that names it. */
function nameAbove(
  lines: readonly TextLine[],
  notations: readonly (Notation | null)[],
  start: number,
  used: ReadonlySet<number>,
): number | null {
  for (let at = start - 1; at >= 0 && start - at <= 3; at--) {
    if (used.has(at) || notations[at]) return null;
    const text = lines[at]!.text.trim();
    if (text === '') return null;
    if (!ASIDE.test(text)) return text.length <= 80 ? at : null;
  }
  return null;
}

function blockEntry(given: readonly Notation[], name: string): EntryParts {
  const readable = given.filter(({ match }) => match?.colour);
  const chosen = MODELS.flatMap((model) => readable.find((notation) => notation.model === model) ?? [])[0]!;
  const match = chosen.match!;
  const others = given.filter((notation) => notation !== chosen);
  const compared = others.map(({ model, match: other, line }): GivenNotation => ({
    label: model,
    text: (other?.text ?? line.text).replace(LABEL, '').trim(),
    colour: other?.colour ?? null,
  }));
  const doubts: Doubt[] = [...match.doubts.filter(({ kind }) => kind !== 'bare'), ...disagreements(match.colour!, compared)];
  const from = chosen.line.from + match.at;
  return taken(match.colour!, {
    line: chosen.line.number,
    column: match.at + 1,
    span: { from, to: from + match.text.length },
    text: match.text,
    name,
    doubts,
    also: others.map(({ line }) => ({ from: line.from, to: line.from + line.text.length })),
    ...(match.other && { other: match.other }),
  });
}
