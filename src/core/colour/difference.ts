import { differenceEuclidean, type Color } from 'culori';
import { labOf, type LabD65 } from './lab';

/**
 * ΔE2000 between two CSS colours, 0 for equal, about 1 just noticeable side by side, on Lab under D65 (the white of
 * sRGB), as throughout Breakwater. Both must be colours.
 */
export function deltaE2000(one: string, two: string): number {
  return ciede2000(labOf(one), labOf(two));
}

const RADIANS = Math.PI / 180;
const TURN = 2 * Math.PI;
const POW_25_7 = 25 ** 7;
/** Cosines and sines of the angles in the formula's T. */
const [COS_30, SIN_30] = [Math.cos(30 * RADIANS), Math.sin(30 * RADIANS)];
const [COS_6, SIN_6] = [Math.cos(6 * RADIANS), Math.sin(6 * RADIANS)];
const [COS_63, SIN_63] = [Math.cos(63 * RADIANS), Math.sin(63 * RADIANS)];
/** Of hues so near to opposite each other rounding would choose the side; there the angles themselves are compared. */
const OPPOSITE = 1e-4;

/**
 * ΔE2000 between two colours in Lab. CIE 142-2001 with kL = kC = kH = 1, after Sharma, Wu and Dalal, "The CIEDE2000
 * color-difference formula: implementation notes" (2005). It jumps where two hues stand opposite each other: that is in
 * the formula itself.
 *
 * Asked for every pair of a palette many times over, so it is plain numbers throughout, and angles are kept as directions:
 * the mean hue is the bisector of two, and the cosines of its multiples follow by the addition theorems.
 */
export function ciede2000(one: LabD65, two: LabD65): number {
  const l1 = one[0];
  const l2 = two[0];
  const b1 = one[2];
  const b2 = two[2];
  const chroma = (Math.sqrt(one[1] * one[1] + b1 * b1) + Math.sqrt(two[1] * two[1] + b2 * b2)) / 2;
  const g = 1 + 0.5 * (1 - greyed(chroma));
  const a1 = one[1] * g;
  const a2 = two[1] * g;
  const c1 = Math.sqrt(a1 * a1 + b1 * b1);
  const c2 = Math.sqrt(a2 * a2 + b2 * b2);
  const l50 = (l1 + l2) / 2 - 50;
  const l = (l2 - l1) / (1 + (0.015 * l50 * l50) / Math.sqrt(20 + l50 * l50));
  const mean = (c1 + c2) / 2;
  const c = (c2 - c1) / (1 + 0.045 * mean);
  const both = c1 * c2;
  // Of a grey no hue can differ.
  if (both === 0) return Math.sqrt(l * l + c * c);

  const dot = a1 * a2 + b1 * b2;
  const cross = a1 * b2 - a2 * b1;
  let dh: number;
  let x: number;
  let y: number;
  if (dot >= 0) {
    dh = cross / Math.sqrt((both + dot) / 2);
    x = a1 / c1 + a2 / c2;
    y = b1 / c1 + b2 / c2;
  } else if (Math.abs(cross) > OPPOSITE * both) {
    const side = cross > 0 ? 1 : -1;
    dh = side * Math.sqrt(2 * (both - dot));
    x = side * (b2 / c2 - b1 / c1);
    y = side * (a1 / c1 - a2 / c2);
  } else {
    const h1 = hue(b1, a1);
    const h2 = hue(b2, a2);
    const apart = h2 - h1;
    const turn = apart > Math.PI ? apart - TURN : apart < -Math.PI ? apart + TURN : apart;
    dh = 2 * Math.sqrt(both) * Math.sin(turn / 2);
    const h = (h1 + h2) / 2 + (Math.abs(apart) > Math.PI ? Math.PI : 0);
    x = Math.cos(h);
    y = Math.sin(h);
  }
  const length = Math.sqrt(x * x + y * y);
  const cos = x / length;
  const sin = y / length;
  const cos2 = 2 * cos * cos - 1;
  const sin2 = 2 * sin * cos;
  const cos3 = cos * (4 * cos * cos - 3);
  const sin3 = sin * (3 - 4 * sin * sin);
  const t =
    1 -
    0.17 * (cos * COS_30 + sin * SIN_30) +
    0.24 * cos2 +
    0.32 * (cos3 * COS_6 - sin3 * SIN_6) -
    0.2 * ((2 * cos2 * cos2 - 1) * COS_63 + 2 * sin2 * cos2 * SIN_63);
  const h = dh / (1 + 0.015 * mean * t);
  // The turn of blues: from yellow to green, where the sine is above .8, it is below 1e-15 and not worth its price.
  let rt = 0;
  if (sin <= 0.8) {
    const blue = (hue(sin, cos) / RADIANS - 275) / 25;
    rt = -2 * greyed(mean) * Math.sin(60 * RADIANS * Math.exp(-blue * blue));
  }
  return Math.sqrt(Math.max(0, l * l + c * c + h * h + rt * c * h));
}

/** ΔE2000 of each colour with each, row by row, as many numbers as the square of their count; each pair is computed once. */
export function differences(labs: readonly LabD65[]): Float64Array {
  const count = labs.length;
  const all = new Float64Array(count * count);
  for (let one = 0; one < count; one++) {
    for (let two = one + 1; two < count; two++) {
      const distance = ciede2000(labs[one]!, labs[two]!);
      all[one * count + two] = distance;
      all[two * count + one] = distance;
    }
  }
  return all;
}

/** The square root of c⁷ / (c⁷ + 25⁷), by which the formula tells greys from colours. */
function greyed(c: number): number {
  const c2 = c * c;
  const c7 = c2 * c2 * c2 * c;
  return Math.sqrt(c7 / (c7 + POW_25_7));
}

/** 0..2π; 0 for no hue at all. */
function hue(b: number, a: number): number {
  if (a === 0 && b === 0) return 0;
  const angle = Math.atan2(b, a);
  return angle < 0 ? angle + TURN : angle;
}

/** ΔE of 1976: the straight distance in Lab. CIE 15:2018. */
export function deltaE76(one: LabD65, two: LabD65): number {
  return Math.hypot(one[0] - two[0], one[1] - two[1], one[2] - two[2]);
}

/** ΔE-OK: the straight distance in OKLab, 0..about 1. CSS Color 4, section 13. */
export const deltaEOk: (one: string | Color, two: string | Color) => number = differenceEuclidean('oklab');
