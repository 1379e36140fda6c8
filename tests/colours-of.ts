import { palettesOf, type Intake } from '@/core/intake/intake';

/** The palettes of a reading as tests compare them: each colour with its name and its authored text. */
export function coloursOf(reading: Intake) {
  return palettesOf(reading).map(({ swatches, ...head }) => ({
    ...head,
    swatches: swatches.map(({ colour, ...rest }) => ({ ...rest, css: colour.css, hex: colour.hex, alpha: colour.alpha })),
  }));
}

/** What is left out of a reading, in its order. */
export function leftOutOf({ entries }: Intake) {
  return entries.filter(({ take }) => !take);
}
