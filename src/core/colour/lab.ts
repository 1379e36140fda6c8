import { showOklch } from './gamut';
import { decode, oklabToLinear, type Srgb } from './oklab';
import { readColour, type ReadColour } from './read';

/** CIE 1976 L*a*b* under D65, the white of sRGB: l 0..100, a and b about -110..110. CSS `lab()` is under D50 instead. */
export type LabD65 = readonly [l: number, a: number, b: number];

/** D65 by its chromaticity 0.3127, 0.3290, as CSS Color 4 has it; Y is 1. */
const WHITE = { x: 0.3127 / 0.329, z: (1 - 0.3127 - 0.329) / 0.329 } as const;
/** CIE 15:2018: below this share of white the cube root gives way to a straight line of this slope. */
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;

/** Linear-light sRGB, which may lie outside 0..1, to Lab. Matrix of CSS Color 4, section 10; Lab of CIE 15:2018. */
export function linearToLabD65([r, g, b]: Srgb): LabD65 {
  const x = curved((0.41239079926595934 * r + 0.357584339383878 * g + 0.1804807884018343 * b) / WHITE.x);
  const y = curved(0.21263900587151027 * r + 0.715168678767756 * g + 0.07219231536073371 * b);
  const z = curved((0.01933081871559182 * r + 0.11919477979462598 * g + 0.9505321522496607 * b) / WHITE.z);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

function curved(share: number): number {
  return share > EPSILON ? Math.cbrt(share) : (KAPPA * share + 16) / 116;
}

/** Lab of a colour as it was authored, also where sRGB cannot show it. Opacity does not count. */
export function labD65({ rgb, oklch: [l, c, h], clipped }: ReadColour): LabD65 {
  if (clipped === 0) return srgbToLabD65(rgb);
  const angle = (h * Math.PI) / 180;
  return linearToLabD65(oklabToLinear(l, c * Math.cos(angle), c * Math.sin(angle)));
}

/** Lab of gamma-encoded sRGB, each channel 0..1. */
export function srgbToLabD65([r, g, b]: Srgb): LabD65 {
  return linearToLabD65([decode(r), decode(g), decode(b)]);
}

/** Lab of what a screen shows of an OKLCH colour, before it is rounded to 8 bits. */
export function shownLab([l, c, h]: ReadColour['oklch']): LabD65 {
  return srgbToLabD65(showOklch(l, c, h).rgb);
}

/** Lab of a CSS colour. `css` must be a colour. */
export function labOf(css: string): LabD65 {
  return labD65(readColour(css)!);
}
