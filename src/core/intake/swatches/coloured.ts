import { fromCmyk } from '../../colour/channel-values';
import { certain, doubt, type Doubt } from '../reading';
import type { ReadColour } from '../../colour/read';

/** A colour of a swatch file, with what is doubtful about it. */
export interface Coloured {
  readonly colour: ReadColour;
  readonly doubts: readonly Doubt[];
}

export function sure(css: string): Coloured {
  return { colour: certain(css), doubts: [] };
}

/** What is said of ink values: they need a profile, and there is none. */
export const INK = doubt('approximate', 'CMYK without a profile, by the plain formula.');

/** Ink 0..1. */
export function inked(c: number, m: number, y: number, k: number): Coloured {
  return { colour: certain(fromCmyk(c, m, y, k)), doubts: [INK] };
}
