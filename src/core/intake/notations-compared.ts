import { deltaE2000 } from '../colour/difference';
import type { ReadColour } from '../colour/read';
import { doubt, type Doubt } from './intake';

/** One notation of a colour beside others, as tables and style guides give it. */
export interface GivenNotation {
  /** `Hex`, `RGB`, `CMYK` … */
  readonly label: string;
  readonly text: string;
  /** null when it cannot be read. */
  readonly colour: ReadColour | null;
}

/**
 * What is to be said where other notations of a colour really say something else. Ink is left out: its values are the
 * printer's and need not convert (common practice). One step of 8 bits is rounding.
 */
export function disagreements(colour: ReadColour, others: readonly GivenNotation[]): Doubt[] {
  return others.flatMap(({ label, text, colour: other }) => {
    if (!other) return [doubt('disagrees', `${label} “${text.slice(0, 40)}” cannot be read.`)];
    if (label === 'CMYK' || !isOther(colour, other)) return [];
    return [doubt('disagrees', `${label} ${text.slice(0, 40)} is another colour, ${other.hex}.`)];
  });
}

/** Whether two readings of one colour are really two: more than rounding apart, and visibly so. */
export function isOther(one: ReadColour, two: ReadColour): boolean {
  if (one.hex === two.hex) return false;
  const far = one.rgb.some((channel, at) => Math.abs(channel - two.rgb[at]!) > 2.01 / 255);
  return far && deltaE2000(one.hex, two.hex) > 1;
}

/** What is said of ink values: they need a profile, and there is none. */
export const NO_PROFILE = doubt('approximate', 'CMYK without a profile, by the plain formula.');
