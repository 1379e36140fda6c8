import { byte, type ReadColour } from '../colour/read';

/** The shown colour as the shortest CSS that every browser and preprocessor reads: `#rrggbb`, or `#rrggbbaa` when translucent. */
export function cssText(colour: ReadColour): string {
  return colour.alpha < 1 ? colour.hex + byte(colour.alpha).toString(16).padStart(2, '0') : colour.hex;
}
