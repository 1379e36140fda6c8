import { unit } from '../base/clamp';
import { decode, type Srgb } from './oklab';
import { showOklch } from './gamut';
import { hexOf, readColour, type ReadColour } from './read';

/**
 * Relative luminance of an sRGB colour (channels 0..1), 0 black to 1 white.
 * WCAG 2.2, definition "relative luminance".
 */
export function relativeLuminance([r, g, b]: Srgb): number {
  return 0.2126 * decode(r) + 0.7152 * decode(g) + 0.0722 * decode(b);
}

/**
 * Contrast ratio of WCAG 2.2 between what a screen of 8 bits shows of two colours, 1 to 21.
 * A translucent text colour is first laid over its ground, and rounded as the screen rounds it; the ground counts as
 * opaque.
 */
export function contrastRatio(text: ReadColour, ground: ReadColour): number {
  const two = hexLuminance(ground.hex);
  const textLuminance = hexLuminance(text.alpha < 1 ? flatten(text, ground) : text.hex);
  return (Math.max(textLuminance, two) + 0.05) / (Math.min(textLuminance, two) + 0.05);
}

/** Linear light of each 8-bit channel value. */
const LINEAR = Float64Array.from({ length: 256 }, (_, value) => decode(value / 255));

/** `relativeLuminance` of an `#rrggbb`. */
export function hexLuminance(hex: string): number {
  const value = parseInt(hex.slice(1), 16);
  return 0.2126 * LINEAR[value >> 16]! + 0.7152 * LINEAR[(value >> 8) & 255]! + 0.0722 * LINEAR[value & 255]!;
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
  const under = grounds.map(({ colour, needed }) => ({ luminance: hexLuminance(colour.hex), needed }));
  const reaches = (candidate: number, slack = 0) =>
    under.every(
      ({ luminance, needed }) =>
        (Math.max(candidate, luminance) + 0.05) / (Math.min(candidate, luminance) + 0.05) >= needed - slack,
    );
  const passes = (l: number): ReadColour | null => {
    const { rgb } = showOklch(l, c, h);
    // The ratio is promised for eight bits.
    const hex = hexOf(rgb);
    return reaches(hexLuminance(hex)) ? readColour(hex) : null;
  };
  const here = start >= 0 && start <= 1 ? passes(start) : null;
  if (here) return here;
  // The luminances at which one of the grounds begins to be far enough away, and with it perhaps all of them. Luminance
  // grows with lightness, so each is found by halving; eight bits may want a few more steps away from the ground.
  const borders = under.flatMap(({ luminance, needed }) => [
    { luminance: needed * (luminance + 0.05) - 0.05, step: STEP },
    { luminance: (luminance + 0.05) / needed - 0.05, step: -STEP },
  ]);
  let best: { readonly colour: ReadColour; readonly far: number } | null = null;
  for (const { luminance, step } of borders) {
    if (luminance < -1e-9 || luminance > 1 + 1e-9 || !reaches(luminance, 1e-6)) continue;
    const from = lightnessAt(luminance, c, h);
    for (let moves = 0; moves <= MOST_STEPS; moves++) {
      const l = unit(from + moves * step);
      const colour = passes(l);
      const far = Math.abs(l - start);
      if (colour && (!best || far < best.far)) best = { colour, far };
      if (colour || l <= 0 || l >= 1) break;
    }
  }
  return best?.colour ?? null;
}

/** A thousandth of lightness is finer than one 8-bit step of any channel. */
const STEP = 0.001;
const MOST_STEPS = 30;

/** The OKLCH lightness at which a hue with a chroma, as far as sRGB has it, reaches a relative luminance; to 1e-5. */
export function lightnessAt(luminance: number, c: number, h: number): number {
  let [low, high] = [0, 1];
  while (high - low > 1e-5) {
    const middle = (low + high) / 2;
    if (relativeLuminance(showOklch(middle, c, h).rgb) < luminance) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Black or white, whichever reads better on the colour: for labels set on patches. */
export function inkOn(colour: ReadColour): '#000000' | '#ffffff' {
  const luminance = hexLuminance(colour.hex);
  return (luminance + 0.05) / 0.05 >= 1.05 / (luminance + 0.05) ? '#000000' : '#ffffff';
}

/** What a screen of 8 bits shows of a translucent colour over an opaque ground (Compositing 1, "source over"): `#rrggbb`. */
export function flatten(colour: ReadColour, ground: ReadColour): string {
  return hexOf(over(eightBit(colour), colour.alpha, eightBit(ground)));
}
