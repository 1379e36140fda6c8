import { hueTurn } from '../colour/hue';
import { unit } from '../base/clamp';
import { ciede2000 } from '../colour/difference';
import { maxChroma } from '../colour/gamut';
import { shownLab } from '../colour/lab';
import { oklchHex, readColour, type ReadColour } from '../colour/read';
import { evenPlaces, interpolate } from './even-steps';
import { distanceAlong } from './ramp';

type Oklch = ReadColour['oklch'];

/** Classes a series for data may have; above CLASSES.most only as a continuous one. */
export const CLASSES = { least: 3, most: 12, continuous: 48 } as const;

export interface Sequential {
  /** CSS colours whose hues it passes, one or several; their order does not matter, lightness decides. */
  readonly hues: readonly string[];
  readonly count: number;
  /** OKLCH lightness of its ends, 0..1, and which comes first. */
  readonly light: number;
  readonly dark: number;
  readonly first: 'light' | 'dark';
  /** How lively, 1 as its colours are. */
  readonly chroma: number;
}

/** Shares of chroma that are left at the light and the dark end: near white and black much chroma looks like another hue. */
const ENDS = { light: 0.22, dark: 0.62 } as const;

/**
 * A sequential series: lightness falls (or rises) at every step, the steps are equal in ΔE2000 (as nearly as it allows
 * where neighbouring hues lie more than 140° apart), hue and chroma pass the given colours at their lightness. `#rrggbb`
 * each.
 */
export function sequential({ hues, count, light, dark, first, chroma }: Sequential): string[] {
  const way = fall(hues, light, dark, chroma);
  const shares = Array.from({ length: count }, (_, at) => at / (count - 1));
  const colours = evenPlaces(shares, distanceAlong(way)).map((place) => oklchHex(way(place)));
  return first === 'light' ? colours : colours.reverse();
}

/** From light (0) to dark (1) by way of some hues. */
function fall(hues: readonly string[], light: number, dark: number, chroma: number): (place: number) => Oklch {
  const passed = hues.map((css) => readColour(css)!.oklch).sort(([one], [two]) => two - one);
  const places = passed.map(([l], at) => {
    // Where its lightness is met; drawn towards its turn in the order, so that no two are passed at once nor at an end.
    const met = unit((light - l) / (light - dark));
    return 0.6 * met + (0.4 * (at + 1)) / (passed.length + 1);
  });
  const lightest = passed[0]!;
  const darkest = passed.at(-1)!;
  const knots = [0, ...places, 1];
  const chromas = [lightest[1] * ENDS.light, ...passed.map(([, c]) => c), darkest[1] * ENDS.dark];
  const turned = unrolled(passed);
  const angles = [turned[0]!, ...turned, turned.at(-1)!];
  return (place) => {
    const l = light + (dark - light) * place;
    const h = (interpolate(knots, angles, place) + 720) % 360;
    return [l, Math.min(chroma * interpolate(knots, chromas, place), maxChroma(l, h)), h];
  };
}

/** Hues one after the other by the shorter way, so that they may run past 360 or below 0; a grey has its neighbour's. */
function unrolled(colours: readonly Oklch[]): number[] {
  const lively = colours.find(([, c]) => c > 0);
  let last = lively ? lively[2] : 0;
  return colours.map(([, c, h]) => {
    if (c > 0) last += hueTurn(last, h);
    return last;
  });
}

export interface Diverging {
  /** CSS colours of the two arms; only hue and chroma are taken from them. */
  readonly low: string;
  readonly high: string;
  /** Odd with a middle, even without. */
  readonly count: number;
  /** OKLCH lightness of the middle and of both ends, 0..1. */
  readonly middle: number;
  readonly end: number;
  /** Chroma (OKLCH) of the middle; 0 is neutral. Its hue lies between the arms'. */
  readonly tint: number;
}

/**
 * A diverging series: two arms of equal lightness about a middle, with steps of equal ΔE2000 on the mean of both arms.
 * From the end of `low` to the end of `high`, `#rrggbb` each.
 */
export function diverging({ low, high, count, middle, end, tint }: Diverging): string[] {
  const [one, two] = [readColour(low)!.oklch, readColour(high)!.oklch];
  const centre = one[2] + hueTurn(one[2], two[2]) / 2;
  const [left, right] = [one, two].map(([, c, h]) => arm(c, h, middle, end, tint, centre)) as [Course, Course];
  const odd = count % 2 === 1;
  const half = Math.ceil(count / 2);
  // Without a middle the first two stand half a step from it on each side.
  const shares = Array.from({ length: half }, (_, at) => (odd ? at / (half - 1 || 1) : (at + 0.5) / (half - 0.5)));
  const places = evenPlaces(shares, (from, to) => (stretch(left, from, to) + stretch(right, from, to)) / 2);
  const armOf = (way: Course) => places.map((place) => oklchHex(way(place)));
  return [...armOf(left).reverse(), ...armOf(right).slice(odd ? 1 : 0)];
}

type Course = (place: number) => Oklch;

function stretch(way: Course, from: number, to: number): number {
  return ciede2000(shownLab(way(from)), shownLab(way(to)));
}

/** From the middle (0) to an end (1), in one hue but for the middle's tint. */
function arm(chroma: number, hue: number, middle: number, end: number, tint: number, centre: number): Course {
  return (place) => {
    const l = middle + (end - middle) * place;
    // A tinted middle hands over to the arm's own hue within its first third.
    const strength = Math.min(1, place * 3);
    const h = (centre + hueTurn(centre, hue) * (tint > 0 ? strength : 1) + 720) % 360;
    const wanted = tint + (chroma - tint) * Math.min(1, 1.25 * place);
    return [l, Math.min(wanted, maxChroma(l, h)), h];
  };
}
