import { deltaE2000 } from '../colour/difference';
import { byte, shownHex, type ReadColour } from '../colour/read';
import type { Edit } from '../source/source-text';

/** A colour that a delivered file should hold and does not, or holds and should not. */
export interface Difference {
  readonly kind: 'differs' | 'missing' | 'extra';
  /** Line in the delivered file, from 1; of what is missing, where it should stand. In a file without lines, the entry's number. */
  readonly line: number;
  /** `#rrggbb`, with two more digits when it is translucent; null when nothing is expected. */
  readonly expected: string | null;
  /** The same, or the text that stands there where that is no colour; null when it is missing. */
  readonly found: string | null;
  /** ΔE2000 between the two; null when one of them is no colour. */
  readonly deltaE: number | null;
  /** Id of the token, or of the swatch in files that hold palettes; null when it is not known. */
  readonly token: string | null;
  readonly swatch: string | null;
  /** Id of the theme. */
  readonly theme: string | null;
  /** What should stand where in the delivered text; nothing where it cannot be put right in place. */
  readonly mends: readonly Edit[];
}

/** What is expected at a place. */
export interface Expected {
  readonly hex: string;
  readonly token?: string | undefined;
  readonly swatch?: string | undefined;
  readonly theme?: string | undefined;
}

/** What was found in its place. @param text as it stands there */
export function differs(
  expected: Expected,
  found: ReadColour | null,
  text: string,
  line: number,
  mends: readonly Edit[] = [],
): Difference {
  return {
    ...subjectOf(expected),
    kind: 'differs',
    line,
    expected: expected.hex,
    found: found ? shownHex(found) : text.slice(0, 80),
    deltaE: found ? rounded(deltaE2000(expected.hex, found.hex)) : null,
    mends,
  };
}

export function missing(expected: Expected, line: number): Difference {
  return { ...subjectOf(expected), kind: 'missing', line, expected: expected.hex, found: null, deltaE: null, mends: [] };
}

export function extra(found: ReadColour, line: number): Difference {
  return {
    token: null,
    swatch: null,
    theme: null,
    kind: 'extra',
    line,
    expected: null,
    found: shownHex(found),
    deltaE: null,
    mends: [],
  };
}

function subjectOf({
  token = null,
  swatch = null,
  theme = null,
}: { [key in 'token' | 'swatch' | 'theme']?: string | null | undefined }) {
  return { token, swatch, theme };
}

function rounded(value: number): number {
  return Number(value.toFixed(2));
}

/** Whether two colours look the same on a screen. */
export function isSameShown(one: ReadColour, two: ReadColour): boolean {
  return one.hex === two.hex && byte(one.alpha) === byte(two.alpha);
}
