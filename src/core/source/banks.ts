import type { Edit, SourceText, Span } from './source-text';
import type { Slot } from './slot';
import { pathText, type Step } from './occurrence';

/** Slots that stand for one another in a list, and take a palette in order. */
export interface Bank {
  /** The way to its slots, with `*` where they differ. */
  readonly key: string;
  /** Indices of its slots in the file's order; at least two. */
  readonly slots: readonly number[];
  /** What is repeated for each slot, where that can be told: an element, an entry of a list. */
  readonly entries: readonly Span[] | null;
}

/**
 * Groups slots: those that differ in one number on their way are a bank. The innermost number counts first, so that the
 * stops of each gradient are a bank, and not the first stops of all gradients.
 */
export function banksOf(slots: readonly Slot[]): Bank[] {
  const banks: Bank[] = [];
  let left = slots.map((_, at) => at);
  const deepest = slots.reduce((most, { path }) => Math.max(most, path.length), 0);
  // Several in one value have the same way: they come last.
  for (let up = 0; up <= deepest && left.length > 1; up++) {
    const isValue = up === deepest;
    const groups = new Map<string, number[]>();
    for (const at of left) {
      const key = isValue ? pathText(slots[at]!.path) : starred(slots[at]!.path, up);
      if (key === null) continue;
      const group = groups.get(key);
      if (group) group.push(at);
      else groups.set(key, [at]);
    }
    const taken = new Set<number>();
    for (const [key, members] of groups) {
      if (members.length < 2) continue;
      for (const at of members) taken.add(at);
      const entries = isValue
        ? null
        : entriesOf(
            members.map((at) => slots[at]!),
            up,
          );
      banks.push({ key: `/${key}`, slots: members, entries });
    }
    left = left.filter((at) => !taken.has(at));
  }
  return banks.sort((one, two) => one.slots[0]! - two.slots[0]!);
}

/** The way with a star for the number of the step so far from its end; null when that step has none. */
function starred(path: readonly Step[], up: number): string | null {
  const at = path.length - 1 - up;
  const here = path[at];
  return here && (here.at !== null || /\D\d+$/.test(here.key)) ? pathText(path, at) : null;
}

/** What is repeated for each slot; null unless each stands in one of its own. */
function entriesOf(slots: readonly Slot[], up: number): Span[] | null {
  const steps = slots.map(({ path }) => path.at(-1 - up)!);
  if (new Set(steps).size < steps.length || steps.some(({ extent }) => extent === null)) return null;
  return steps.map(({ extent }) => extent!);
}

/** A bank made longer or shorter: edits of the host, and where in them the literals of new entries stand. */
export interface Resized {
  readonly edits: readonly Edit[];
  /** Of each new entry: the stretch of its text that is its literal. */
  readonly added: readonly Span[];
}

/**
 * Makes a bank longer by repeating its last entry with the white space before it, or shorter by taking its last entries
 * out. It is only done where that is evident: all entries are written alike, but for their literals and for one number
 * that counts up by an equal step.
 * @returns one sentence when it is not
 */
export function resized(
  source: SourceText,
  slots: readonly Slot[],
  bank: Bank,
  length: number,
  literalTexts: readonly string[],
): Resized | string {
  const { entries } = bank;
  if (!entries) return 'The entries of this bank cannot be told from each other, so it keeps its length.';
  if (length < 1) return 'A bank keeps at least one entry.';
  const members = bank.slots.map((at) => slots[at]!);
  if (length <= members.length) {
    const [from, to] = [entries[length - 1]!.to, entries.at(-1)!.to];
    return { edits: from === to ? [] : [{ span: { from, to }, text: '' }], added: [] };
  }
  const pattern = patternOf(source, members, entries);
  if (typeof pattern === 'string') return pattern;
  const between = source.text.slice(entries.at(-2)!.to, entries.at(-1)!.from);
  let text = '';
  const end = entries.at(-1)!.to;
  const added: Span[] = [];
  for (let n = members.length; n < length; n++) {
    text += between + pattern.before(n);
    const literal = literalTexts[n - members.length] ?? members.at(-1)!.literal.text;
    added.push({ from: text.length, to: text.length + literal.length });
    text += literal + pattern.behind(n);
  }
  return { edits: [{ span: { from: end, to: end }, text }], added };
}

interface Pattern {
  /** What stands before and behind the literal of an entry, by its place from 0. */
  readonly before: (at: number) => string;
  readonly behind: (at: number) => string;
}

/** How entries are written, when all are written alike. */
function patternOf(source: SourceText, members: readonly Slot[], entries: readonly Span[]): Pattern | string {
  const halves = members.map(
    ({ span }, at) => [source.text.slice(entries[at]!.from, span.from), source.text.slice(span.to, entries[at]!.to)] as const,
  );
  const [before, behind] = [counted(halves.map(([half]) => half)), counted(halves.map(([, half]) => half))];
  if (!before || !behind)
    return 'The entries of this bank differ in more than their colours and one number that counts, so it keeps its length.';
  return { before, behind };
}

/** The text of the nth, when all texts are equal but for numbers that count up evenly; null when they are not. */
function counted(texts: readonly string[]): ((at: number) => string) | null {
  const parts = texts.map((text) => text.split(/(\d{1,9})/));
  const [first, second] = parts as [string[], string[]];
  if (parts.some(({ length }) => length !== first.length)) return null;
  const pieces = first.map((piece, at): ((n: number) => string) | null => {
    if (parts.every((each) => each[at] === piece)) return () => piece;
    if (at % 2 === 0) return null;
    const begin = Number(piece);
    const pace = Number(second[at]) - begin;
    const digits = /^0/.test(piece) ? piece.length : 0;
    const nth = (n: number) => String(begin + n * pace).padStart(digits, '0');
    return pace !== 0 && parts.every((each, n) => each[at] === nth(n)) ? nth : null;
  });
  return pieces.includes(null) ? null : (n) => pieces.map((piece) => piece!(n)).join('');
}
