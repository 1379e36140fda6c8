import { converter, fixupHueLonger, fixupHueShorter, interpolate, type Color } from 'culori';
import { GREY_CHROMA } from '../colour/grey';
import { ciede2000 } from '../colour/difference';
import { shownLab, type LabD65 } from '../colour/lab';
import { oklchHex, readColour, type ReadColour } from '../colour/read';
import { evenPlaces } from './even-steps';

/** The spaces a ramp can lead through, by the trade's names; Lab is under D65. */
export const RAMP_SPACES = ['oklch', 'oklab', 'lab', 'linear'] as const;
export type RampSpace = (typeof RAMP_SPACES)[number];

const MODES = { oklch: 'oklch', oklab: 'oklab', lab: 'lab65', linear: 'lrgb' } as const;

/** How the steps are spread: alike, or closer together at one end or at both. */
export const EASINGS = ['even', 'close at start', 'close at end', 'close at both'] as const;
export type Easing = (typeof EASINGS)[number];

const EASE: Record<Easing, (share: number) => number> = {
  even: (share) => share,
  'close at start': (share) => share * share,
  'close at end': (share) => 1 - (1 - share) * (1 - share),
  'close at both': (share) => share * share * (3 - 2 * share),
};

/** Where a ramp ends: a colour of its own, or one that follows the start. */
export type FarEnd =
  | { readonly pinned: string }
  | {
      readonly towards: 'white' | 'black';
      /** How far lightness goes on the way there, 0..1. */
      readonly way: number;
      /** What is left of the start's chroma, 0..1. */
      readonly chroma: number;
    };

export interface Ramp {
  /** CSS colour. */
  readonly from: string;
  readonly to: FarEnd;
  /** 2..32, both ends counted. */
  readonly count: number;
  readonly space: RampSpace;
  /** Which way round the hue circle, in OKLCH. */
  readonly hue: 'shorter' | 'longer';
  readonly easing: Easing;
  /** Whether steps are measured by what is seen (ΔE2000) and not by the space's own numbers. */
  readonly perceived: boolean;
}

export const RAMP_COUNT = { least: 2, most: 32 } as const;

/** The far end as CSS: a pinned one as it was authored, one that follows as screens show it. */
export function farEnd(from: ReadColour, to: FarEnd): string {
  if ('pinned' in to) return to.pinned;
  const [l, c, h] = from.oklch;
  return oklchHex([l + ((to.towards === 'white' ? 1 : 0) - l) * to.way, c * to.chroma, h], from.alpha);
}

/**
 * From one colour to another in steps. The ends are given back as they were authored; what lies between is `#rrggbb`
 * (with alpha where an end has it), gamut-mapped. Greys take the hue of the other end; equal ends give equal colours.
 */
export function ramp({ from, to, count, space, hue, easing, perceived }: Ramp): string[] {
  const start = readColour(from)!;
  const last = farEnd(start, to);
  const end = readColour(last)!;
  const way = blendOf(start, end, space, hue);
  const shown = (place: number) => oklchHex(...oklchAndAlpha(way(place)));
  const shares = Array.from({ length: count }, (_, at) => EASE[easing](at / (count - 1)));
  const places = perceived
    ? evenPlaces(
        shares,
        distanceAlong((place) => oklchAndAlpha(way(place))[0]),
      )
    : shares;
  return places.map((place, at) => (at === 0 ? from : at === count - 1 ? last : shown(place)));
}

/** The library's interpolation, by 0..1. */
function blendOf(start: ReadColour, end: ReadColour, space: RampSpace, hue: Ramp['hue']): (place: number) => Color {
  const ends = [start, end].map(({ oklch: [l, c, h], alpha }): Color => {
    // A grey without a hue takes the other end's.
    return { mode: 'oklch', l, c, ...(c > 0 && { h }), alpha };
  });
  if (space !== 'oklch') return interpolate(ends, MODES[space]);
  const longer = hue === 'longer' && start.oklch[1] > 0 && end.oklch[1] > 0;
  return interpolate(ends, 'oklch', { l: {}, c: {}, h: { fixup: longer ? fixupHueLonger : fixupHueShorter } });
}

/** ΔE2000 between two places of a way through OKLCH, as screens show them, alpha aside. */
export function distanceAlong(way: (place: number) => ReadColour['oklch']): (from: number, to: number) => number {
  const known = new Map<number, LabD65>();
  const colourAt = (place: number) => {
    let lab = known.get(place);
    if (!lab) known.set(place, (lab = shownLab(way(place))));
    return lab;
  };
  return (from, to) => ciede2000(colourAt(from), colourAt(to));
}

const toOklch = converter('oklch');

/** OKLCH and opacity of a colour of the library. */
function oklchAndAlpha(colour: Color): [ReadColour['oklch'], number] {
  const { l, c, h } = toOklch(colour);
  return [[l, c < GREY_CHROMA ? 0 : c, h ?? 0], colour.alpha ?? 1];
}
