import type { CountedColour } from './distinct-colours';
import { Nearest } from './nearest';

/** Hues of one material are no farther apart than this from one shade to the next, in degrees. */
const SAME_HUE = 28;
/** Below this OKLab chroma a colour is grey, and all greys are one material. */
const GREY = 0.03;
/** What it costs, as a distance in OKLab, that two shades of a material become one colour. */
const MERGED = 0.1;

/**
 * Where each colour goes when the order of lightness within a material is to be kept: of two shades of one hue the darker
 * never becomes the lighter, and they stay apart where the palette has colours for both. Among all such ways the one with
 * the least sum of squared distances in OKLab is found, each shade counting once however many pixels have it.
 * @param fixed colours with a place of their own, which are left out
 * @returns places in the palette by `0xrrggbb`
 */
export function keepOrder(
  colours: readonly CountedColour[],
  palette: readonly number[],
  fixed: ReadonlyMap<number, number>,
): Map<number, number> {
  const nearest = new Nearest(palette);
  const byLightness = (one: Shade, two: Shade) => one.lab[0] - two.lab[0] || one.rgb - two.rgb;
  const shade = (rgb: number, place = -1): Shade => ({ rgb, place, lab: nearest.labOf(rgb) });
  const targets = palette.map((rgb, at) => shade(rgb, at)).sort(byLightness);
  const places = new Map<number, number>();
  const open = colours.filter(({ rgb }) => !fixed.has(rgb)).map(({ rgb }) => shade(rgb));
  for (const material of materialsOf(open)) {
    for (const [rgb, place] of inOrder(material.sort(byLightness), targets)) places.set(rgb, place);
  }
  return places;
}

interface Shade {
  readonly rgb: number;
  /** Where it stands in the palette; of a source's colour nowhere. */
  readonly place: number;
  readonly lab: readonly [l: number, a: number, b: number];
}

/** Shades that follow one another in hue without a gap; greys are one. */
function materialsOf(shades: readonly Shade[]): Shade[][] {
  const greys = shades.filter(({ lab: [, a, b] }) => Math.hypot(a, b) < GREY);
  const hueOf = ({ lab: [, a, b] }: Shade) => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  const hued = shades
    .filter((shade) => !greys.includes(shade))
    .map((shade) => ({ shade, hue: hueOf(shade) }))
    .sort((one, two) => one.hue - two.hue);
  const materials: Shade[][] = [];
  for (const [at, { shade, hue }] of hued.entries()) {
    const before = hued[at - 1];
    if (before && hue - before.hue <= SAME_HUE) materials.at(-1)!.push(shade);
    else materials.push([shade]);
  }
  // The circle closes where the last hue is near the first.
  if (materials.length > 1 && hued[0]!.hue + 360 - hued.at(-1)!.hue <= SAME_HUE) materials[0]!.push(...materials.pop()!);
  return greys.length > 0 ? [greys, ...materials] : materials;
}

/** The cheapest way to go through shades and targets from dark to light without turning back (dynamic programming). */
function inOrder(shades: readonly Shade[], targets: readonly Shade[]): [rgb: number, place: number][] {
  const cost = ({ lab: [l, a, b] }: Shade, { lab: [l2, a2, b2] }: Shade) => (l - l2) ** 2 + (a - a2) ** 2 + (b - b2) ** 2;
  const from: Int32Array[] = [];
  let sums = Float64Array.from(targets, (target) => cost(shades[0]!, target));
  for (const shade of shades.slice(1)) {
    const next = new Float64Array(targets.length);
    const came = new Int32Array(targets.length);
    // The best of those before; the same target may be used again, at a price.
    let best = -1;
    for (const [at, target] of targets.entries()) {
      const again = sums[at]! + MERGED ** 2;
      const stay = best < 0 || again < sums[best]!;
      came[at] = stay ? at : best;
      next[at] = (stay ? again : sums[best]!) + cost(shade, target);
      if (best < 0 || sums[at]! < sums[best]!) best = at;
    }
    from.push(came);
    sums = next;
  }
  let at = sums.indexOf(Math.min(...sums));
  const ways: [number, number][] = [];
  for (let n = shades.length - 1; n >= 0; n--) {
    ways.push([shades[n]!.rgb, targets[at]!.place]);
    if (n > 0) at = from[n - 1]![at]!;
  }
  return ways;
}
