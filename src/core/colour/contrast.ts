import { decode, type Srgb } from './oklab';
import { showOklch } from './gamut';
import { byte, hexOf, readColour, type ReadColour } from './read';

/**
 * Relative luminance of an sRGB colour (channels 0..1), 0 black to 1 white.
 * WCAG 2.2, definition "relative luminance".
 */
export function relativeLuminance([r, g, b]: Srgb): number {
  return 0.2126 * decode(r) + 0.7152 * decode(g) + 0.0722 * decode(b);
}

/**
 * Contrast ratio of WCAG 2.2 between what a screen shows of two colours, 1 to 21.
 * A translucent text colour is first laid over its ground; the ground counts as opaque.
 */
export function contrastRatio(text: ReadColour, ground: ReadColour): number {
  const under = eightBit(ground);
  return ratio(over(eightBit(text), text.alpha, under), under);
}

function ratio(a: Srgb, b: Srgb): number {
  const one = relativeLuminance(a);
  const two = relativeLuminance(b);
  return (Math.max(one, two) + 0.05) / (Math.min(one, two) + 0.05);
}

/** The ratio is promised for what is shown, so it is taken from the 8-bit value and not from the exact one. */
function eightBit(colour: ReadColour): Srgb {
  return [1, 3, 5].map((at) => parseInt(colour.hex.slice(at, at + 2), 16) / 255) as unknown as Srgb;
}

function over(top: Srgb, alpha: number, under: Srgb): Srgb {
  return [0, 1, 2].map((i) => top[i]! * alpha + under[i]! * (1 - alpha)) as unknown as Srgb;
}

/** A ground, and the contrast that what is set on it needs: a WCAG ratio, 1..21. */
export interface Ground {
  readonly colour: ReadColour;
  readonly needed: number;
}

/** `nearestOn` with one ratio for all grounds. */
export function nearestPassing(text: ReadColour, grounds: readonly ReadColour[], needed: number): ReadColour | null {
  return nearestOn(
    text,
    grounds.map((colour) => ({ colour, needed })),
  );
}

/**
 * The nearest colour to `text` that reaches what is needed on every one of `grounds`. It moves OKLCH lightness least,
 * keeps the hue, and keeps chroma as far as the sRGB gamut allows. The answer is opaque.
 * @returns an `#rrggbb` colour; null when no lightness of this hue reaches the ratios on all grounds.
 */
export function nearestOn(text: ReadColour, grounds: readonly Ground[]): ReadColour | null {
  const [start, c, h] = text.oklch;
  // Luminance once a ground; a candidate is opaque, and its ratio is taken from its eight bits.
  const under = grounds.map(({ colour, needed }) => ({ luminance: relativeLuminance(eightBit(colour)), needed }));
  const passes = (l: number): ReadColour | null => {
    const { rgb } = showOklch(l, c, h);
    const [r, g, b] = rgb.map((channel) => byte(channel) / 255) as unknown as Srgb;
    const own = relativeLuminance([r, g, b]);
    const reached = under.every(
      ({ luminance, needed }) => (Math.max(own, luminance) + 0.05) / (Math.min(own, luminance) + 0.05) >= needed,
    );
    return reached ? readColour(hexOf(rgb)) : null;
  };
  // A thousandth of lightness is finer than one 8-bit step of any channel, so the walk cannot step over an answer.
  const STEP = 0.001;
  for (let distance = 0; distance <= 1; distance += STEP) {
    for (const l of [start - distance, start + distance]) {
      if (l < -STEP || l > 1 + STEP) continue;
      // The ends themselves are tried too: black and white reach what nothing beside them does.
      const found = passes(Math.min(1, Math.max(0, l)));
      if (found) return found;
    }
  }
  return null;
}

/** Black or white, whichever reads better on the colour: for labels set on patches. */
export function inkOn(colour: ReadColour): '#000000' | '#ffffff' {
  const luminance = relativeLuminance(colour.rgb);
  return (luminance + 0.05) / 0.05 >= 1.05 / (luminance + 0.05) ? '#000000' : '#ffffff';
}

/** The composite of a translucent colour over an opaque ground, as `#rrggbb`. */
export function flatten(colour: ReadColour, ground: ReadColour): string {
  return hexOf(over(eightBit(colour), colour.alpha, eightBit(ground)));
}
