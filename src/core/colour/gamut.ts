import { unit } from '../base/clamp';
import { encode, oklabToLinear, type Srgb } from './oklab';

/** What a screen of sRGB shows for a colour that may lie outside its gamut. */
export interface Shown {
  /** Each 0..1. */
  readonly rgb: Srgb;
  /** ΔE-OK between the colour asked for and the one shown; 0 inside the gamut. */
  readonly clipped: number;
}

/** How far a channel may lie outside 0..1 through rounding alone and still count as inside the gamut. */
const TOLERANCE = 1e-6;
/** CSS Color 4, section 13.2: a just noticeable difference, and the width at which the search for chroma ends. */
const JND = 0.02;
const EPSILON = 1e-4;
/** More chroma than any sRGB colour has, OKLCH; and how far apart the gamut's border is looked for. */
const BEYOND = 0.4;
const STRIDE = 0.02;

/**
 * OKLCH (l 0..1, c 0.., h in degrees) as sRGB shows it. Inside the gamut it is only converted; outside, chroma is
 * reduced at constant lightness and hue until clipping the rest cannot be noticed. CSS Color 4, section 13.2.
 * Plain numbers in and out, so that a slider's tracks may be repainted in every frame.
 */
export function showOklch(l: number, c: number, h: number): Shown {
  const angle = (h * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const whole = oklabToLinear(l, c * cos, c * sin);
  if (isInside(whole)) return { rgb: encoded(whole), clipped: 0 };
  if (l >= 1) return { rgb: [1, 1, 1], clipped: Math.hypot(l - 1, c) };
  if (l <= 0) return { rgb: [0, 0, 0], clipped: Math.hypot(l, c) };
  // Some twelve steps a colour and thousands of colours a repaint: plain numbers, and both conversions written out.
  // What chroma adds to each root of the cone responses at this hue:
  const byL = 0.3963377773761749 * cos + 0.2158037573099136 * sin;
  const byM = -0.1055613458156586 * cos - 0.0638541728258133 * sin;
  const byS = -0.0894841775298119 * cos - 1.2914855480194092 * sin;
  // The cut colour, and how far it stands from the one asked for.
  let r = 0;
  let g = 0;
  let b = 0;
  let clipped = 0;
  let low = 0;
  let high = c;
  let lowIsInside = true;
  for (let chroma = c; ; chroma = (low + high) / 2) {
    const rootL = l + byL * chroma;
    const rootM = l + byM * chroma;
    const rootS = l + byS * chroma;
    const long = rootL * rootL * rootL;
    const middle = rootM * rootM * rootM;
    const short = rootS * rootS * rootS;
    const red = 4.0767416360759574 * long - 3.3077115392580616 * middle + 0.2309699031821044 * short;
    const green = -1.2684379732850317 * long + 2.6097573492876887 * middle - 0.3413193760026573 * short;
    const blue = -0.0041960761386755 * long - 0.7034186179359362 * middle + 1.7076146940746117 * short;
    if (lowIsInside && red >= 0 && red <= 1 && green >= 0 && green <= 1 && blue >= 0 && blue <= 1) low = chroma;
    else {
      r = unit(red);
      g = unit(green);
      b = unit(blue);
      const cutL = rootNear(0.412221469470763 * r + 0.5363325372617348 * g + 0.0514459932675022 * b, rootL, long);
      const cutM = rootNear(0.2119034958178252 * r + 0.6806995506452344 * g + 0.1073969535369406 * b, rootM, middle);
      const cutS = rootNear(0.0883024591900564 * r + 0.2817188391361215 * g + 0.6299787016738222 * b, rootS, short);
      const dl = 0.210454268309314 * cutL + 0.7936177747023054 * cutM - 0.0040720430116193 * cutS - l;
      const da = 1.9779985324311684 * cutL - 2.4285922420485799 * cutM + 0.450593709617411 * cutS - chroma * cos;
      const db = 0.0259040424655478 * cutL + 0.7827717124575296 * cutM - 0.8086757549230774 * cutS - chroma * sin;
      const moved = Math.sqrt(dl * dl + da * da + db * db);
      const wholeA = da - (c - chroma) * cos;
      const wholeB = db - (c - chroma) * sin;
      clipped = dl * dl + wholeA * wholeA + wholeB * wholeB;
      if (moved < JND) {
        // Cutting the colour as it was asked for is not noticed; or the search is as near to noticing as it needs to be.
        if (chroma === c || JND - moved < EPSILON) break;
        lowIsInside = false;
        low = chroma;
      } else high = chroma;
    }
    // Put so that it ends for what is no number, too.
    if (!(high - low > EPSILON)) break;
  }
  return { rgb: [unit(encode(r)), unit(encode(g)), unit(encode(b))], clipped: Math.sqrt(clipped) };
}

/**
 * The most chroma sRGB has at this OKLCH lightness and hue, to 1e-6: where the way outward from grey first leaves the gamut.
 * Near dark blue it may enter again farther out; that is not counted.
 */
export function maxChroma(l: number, h: number): number {
  if (l <= 0 || l >= 1) return 0;
  const angle = (h * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  let high = STRIDE;
  while (high < BEYOND && isInside(oklabToLinear(l, high * cos, high * sin))) high += STRIDE;
  let low = high - STRIDE;
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (isInside(oklabToLinear(l, middle * cos, middle * sin))) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * The cube root of `x`, given the root of a number that is mostly close by: two steps of Halley's method from there, which
 * cost less than a root from nothing and err by less than 1e-9.
 */
function rootNear(x: number, root: number, cube: number): number {
  if (Math.abs(x - cube) > 0.3 * Math.abs(cube)) return Math.cbrt(x);
  const once = (root * (cube + 2 * x)) / (2 * cube + x);
  const onceCubed = once * once * once;
  return (once * (onceCubed + 2 * x)) / (2 * onceCubed + x);
}

/** Whether gamma-encoded or linear channels lie in 0..1, rounding aside. */
export function isInside([r, g, b]: Srgb): boolean {
  return Math.min(r, g, b) >= -TOLERANCE && Math.max(r, g, b) <= 1 + TOLERANCE;
}

/** Linear light to gamma-encoded, cut to 0..1. */
function encoded([r, g, b]: Srgb): Srgb {
  return [unit(encode(r)), unit(encode(g)), unit(encode(b))];
}
