import { unit } from '../base/clamp';

/** sRGB, gamma-encoded or linear, each channel 0..1 inside the gamut. */
export type Srgb = readonly [r: number, g: number, b: number];
/** OKLab: l 0..1, a and b about -0.4..0.4. */
export type Oklab = readonly [l: number, a: number, b: number];

/** Gamma-encoded to linear light. IEC 61966-2-1. */
export function decode(channel: number): number {
  return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
}

/** Linear light to gamma-encoded. IEC 61966-2-1. */
export function encode(linear: number): number {
  return linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055;
}

/** OKLab to linear-light sRGB: the matrices of CSS Color 4's sample code, multiplied out. */
export function oklabToLinear(lightness: number, a: number, b: number): Srgb {
  const rootL = lightness + 0.3963377773761749 * a + 0.2158037573099136 * b;
  const rootM = lightness - 0.1055613458156586 * a - 0.0638541728258133 * b;
  const rootS = lightness - 0.0894841775298119 * a - 1.2914855480194092 * b;
  // Multiplied out: a power costs as much as all the rest.
  const l = rootL * rootL * rootL;
  const m = rootM * rootM * rootM;
  const s = rootS * rootS * rootS;
  return [
    4.0767416360759574 * l - 3.3077115392580616 * m + 0.2309699031821044 * s,
    -1.2684379732850317 * l + 2.6097573492876887 * m - 0.3413193760026573 * s,
    -0.0041960761386755 * l - 0.7034186179359362 * m + 1.7076146940746117 * s,
  ];
}

/** Linear-light sRGB to OKLab: the inverse of the above. */
export function linearToOklab([r, g, b]: Srgb): Oklab {
  const l = Math.cbrt(0.412221469470763 * r + 0.5363325372617348 * g + 0.0514459932675022 * b);
  const m = Math.cbrt(0.2119034958178252 * r + 0.6806995506452344 * g + 0.1073969535369406 * b);
  const s = Math.cbrt(0.0883024591900564 * r + 0.2817188391361215 * g + 0.6299787016738222 * b);
  return [
    0.210454268309314 * l + 0.7936177747023054 * m - 0.0040720430116193 * s,
    1.9779985324311684 * l - 2.4285922420485799 * m + 0.450593709617411 * s,
    0.0259040424655478 * l + 0.7827717124575296 * m - 0.8086757549230774 * s,
  ];
}

/** Channels 0..255, not necessarily whole, to OKLab. */
export function bytesToOklab(r: number, g: number, b: number): Oklab {
  return linearToOklab([decode(r / 255), decode(g / 255), decode(b / 255)]);
}

/** OKLab as whole channels 0..255, cut to the gamut. */
export function oklabToBytes([l, a, b]: Oklab): [r: number, g: number, b: number] {
  const [r, g, bb] = oklabToLinear(l, a, b);
  return [toByte(r), toByte(g), toByte(bb)];
}

function toByte(linear: number): number {
  return Math.round(255 * unit(encode(linear)));
}
