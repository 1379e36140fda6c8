import { fromCmyk } from '../../colour/channel-values';
import { NO_PROFILE } from '../notations-compared';
import { certain, type Doubt } from '../intake';
import type { ReadColour } from '../../colour/read';

/** A colour of a swatch file, with what is doubtful about it. */
export interface Coloured {
  readonly colour: ReadColour;
  readonly doubts: readonly Doubt[];
}

export function sure(css: string): Coloured {
  return { colour: certain(css), doubts: [] };
}

/** Ink 0..1. */
export function inked(c: number, m: number, y: number, k: number): Coloured {
  return { colour: certain(fromCmyk(c, m, y, k)), doubts: [NO_PROFILE] };
}
