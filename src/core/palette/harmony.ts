import { interpolate } from './even-steps';

/** The wheels hues are turned on: OKLCH's, which is even to the eye, or the painters' with red, yellow and blue. */
export const WHEELS = ['perceptual', 'traditional'] as const;
export type Wheel = (typeof WHEELS)[number];

/** Turns of the hue in degrees by which harmonies are known (common practice). */
export const HARMONIES = [
  { id: 'complement', label: 'Complement', turns: [0, 180] },
  { id: 'split', label: 'Split complement', turns: [0, 150, 210] },
  { id: 'analogous', label: 'Analogous', turns: [0, -30, 30, -60, 60] },
  { id: 'triad', label: 'Triad', turns: [0, 120, 240] },
  { id: 'tetrad', label: 'Tetrad', turns: [0, 90, 180, 270] },
] as const;

/** Lightness and chroma of a set in one hue, as shares of the leading colour's. */
const ONE_HUE = [0.55, 0.75, 1, 1.2, 1.4] as const;

type Oklch = readonly [l: number, c: number, h: number];

/**
 * The painters' wheel by its twelve hues at 30° each, from red by orange, yellow, green, blue and violet, as OKLCH hues in
 * degrees (common practice for the wheel; the hues are those of usual paints, chosen by us).
 */
const TRADITIONAL = [28, 42, 58, 74, 104, 122, 143, 185, 255, 282, 308, 350, 388] as const;
const TWELFTHS = TRADITIONAL.map((_, at) => at * 30);

/** An OKLCH hue as an angle on a wheel, both in degrees 0..360. */
export function angleOn(wheel: Wheel, hue: number): number {
  if (wheel === 'perceptual') return hue;
  return interpolate(TRADITIONAL, TWELFTHS, hue < TRADITIONAL[0] ? hue + 360 : hue) % 360;
}

/** The OKLCH hue at an angle of a wheel, in degrees 0..360. */
export function hueAt(wheel: Wheel, angle: number): number {
  const turned = ((angle % 360) + 360) % 360;
  return wheel === 'perceptual' ? turned : interpolate(TWELFTHS, TRADITIONAL, turned) % 360;
}

/** The colour with its hue turned by some degrees of a wheel. */
export function turned([l, c, h]: Oklch, turn: number, wheel: Wheel = 'perceptual'): Oklch {
  return [l, c, hueAt(wheel, angleOn(wheel, h) + turn)];
}

/** Five lightnesses of one hue about a colour, itself the third. */
export function oneHue([l, c, h]: Oklch): Oklch[] {
  return ONE_HUE.map((share) => [Math.min(0.96, l * share), c * Math.min(1, 2 - share), h]);
}
