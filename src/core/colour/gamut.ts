import { encode, linearToOklab, oklabToLinear, type Srgb } from './oklab';

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

/**
 * OKLCH (l 0..1, c 0.., h in degrees) as sRGB shows it. Inside the gamut it is only converted; outside, chroma is
 * reduced at constant lightness and hue until clipping the rest cannot be noticed. CSS Color 4, section 13.2.
 * Plain numbers in and out, so that a slider's tracks may be repainted in every frame.
 */
export function showOklch(l: number, c: number, h: number): Shown {
  const cos = Math.cos((h * Math.PI) / 180);
  const sin = Math.sin((h * Math.PI) / 180);
  const whole = oklabToLinear(l, c * cos, c * sin);
  if (isInside(whole)) return { rgb: encoded(whole), clipped: 0 };
  if (l >= 1) return { rgb: [1, 1, 1], clipped: Math.hypot(l - 1, c) };
  if (l <= 0) return { rgb: [0, 0, 0], clipped: Math.hypot(l, c) };
  const away = (linear: Srgb, chroma: number): number => {
    const [L, a, b] = linearToOklab(linear);
    return Math.hypot(L - l, a - chroma * cos, b - chroma * sin);
  };
  let shown = cut(whole);
  const once = away(shown, c);
  if (once < JND) return { rgb: encoded(shown), clipped: once };
  let [low, high] = [0, c];
  let lowIsInside = true;
  while (high - low > EPSILON) {
    const chroma = (low + high) / 2;
    const linear = oklabToLinear(l, chroma * cos, chroma * sin);
    if (lowIsInside && isInside(linear)) {
      low = chroma;
      continue;
    }
    shown = cut(linear);
    const distance = away(shown, chroma);
    if (distance >= JND) {
      high = chroma;
      continue;
    }
    if (JND - distance < EPSILON) break;
    lowIsInside = false;
    low = chroma;
  }
  return { rgb: encoded(shown), clipped: away(shown, c) };
}

/** Whether gamma-encoded or linear channels lie in 0..1, rounding aside. */
export function isInside([r, g, b]: Srgb): boolean {
  return Math.min(r, g, b) >= -TOLERANCE && Math.max(r, g, b) <= 1 + TOLERANCE;
}

function cut([r, g, b]: Srgb): Srgb {
  return [unit(r), unit(g), unit(b)];
}

function unit(value: number): number {
  return Math.min(1, Math.max(0, value));
}

/** Linear light to gamma-encoded, cut to 0..1. */
function encoded([r, g, b]: Srgb): Srgb {
  return [unit(encode(r)), unit(encode(g)), unit(encode(b))];
}
