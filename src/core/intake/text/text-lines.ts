import { ENTRY_LIMIT } from '../intake';

/** A line of a text without its break. */
export interface TextLine {
  /** From 1. */
  readonly number: number;
  /** Where it begins in the text. */
  readonly from: number;
  readonly text: string;
}

/** The lines of a text up to one more with something in it than there are entries, and how many such come after. */
export function linesOf(text: string): { lines: TextLine[]; more: number } {
  const lines: TextLine[] = [];
  let from = 0;
  let filled = 0;
  let more = 0;
  for (const { index, 0: end } of text.matchAll(/\r\n|\r|\n|$/g)) {
    const line = text.slice(from, index);
    const blank = line.trim() === '';
    if (filled <= ENTRY_LIMIT) lines.push({ number: lines.length + 1, from, text: line });
    else if (!blank) more++;
    if (!blank) filled++;
    from = index + end.length;
  }
  return { lines, more };
}
