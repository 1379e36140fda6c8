import { hueTurn } from '../colour/hue';
import { GREY_CHROMA } from '../colour/grey';
import { ciede2000 } from '../colour/difference';
import { srgbToLabD65, type LabD65 } from '../colour/lab';
import { bytesToOklab, type Oklab } from '../colour/oklab';
import { byte, readColour } from '../colour/read';
import { runSmoothness, type Run } from './runs';

/** How well a palette hangs together, 0 to 100, as the mean of its parts. */
export interface Evenness {
  readonly score: number;
  readonly parts: Parts;
}

/** Each 0..100. */
export interface Parts {
  /** How near the hues stand to the best of a few arrangements. */
  readonly hues: number;
  /** How evenly the lightnesses are spread between the darkest and the lightest. */
  readonly lightness: number;
  /** How alike the chromas are, and whether they are bearable. */
  readonly chroma: number;
  /** How far each colour stands from its nearest neighbour. */
  readonly separation: number;
  /** How smoothly those go that belong together as a curve; null where none do. */
  readonly smoothness: number | null;
}

/** A colour as evenness looks at it: what an 8-bit screen shows of it. */
export interface Appearance {
  readonly oklab: Oklab;
  readonly lab: LabD65;
  /** OKLCH chroma, and hue in degrees 0..360. */
  readonly chroma: number;
  readonly hue: number;
}

/** Whole channels 0..255. */
export function appearanceOf(r: number, g: number, b: number): Appearance {
  const oklab = bytesToOklab(r, g, b);
  const chroma = Math.sqrt(oklab[1] * oklab[1] + oklab[2] * oklab[2]);
  const hue = chroma < GREY_CHROMA ? 0 : ((Math.atan2(oklab[2], oklab[1]) * 180) / Math.PI + 360) % 360;
  return { oklab, lab: srgbToLabD65([r / 255, g / 255, b / 255]), chroma, hue };
}

/**
 * @param colours CSS
 * @param runs those among them that belong together as a curve
 * @returns null for none at all, of which nothing can be said
 */
export function evenness(colours: readonly string[], runs: readonly Run[] = []): Evenness | null {
  if (colours.length === 0) return null;
  const appearances = colours.map((css) => {
    const [r, g, b] = readColour(css)!.rgb;
    return appearanceOf(byte(r), byte(g), byte(b));
  });
  const parts: Parts = {
    hues: arrangementOf(appearances).part,
    lightness: lightnessPart(appearances.map(({ oklab }) => oklab[0]).sort(ascending)),
    chroma: chromaPart(
      appearances
        .map(({ chroma }) => chroma)
        .filter(isLively)
        .sort(ascending),
    ),
    separation: separationPart(
      appearances.reduce((sum, appearance) => sum + nearestOf(appearance, appearances), 0),
      appearances.length,
    ),
    smoothness: smoothnessPart(
      runs,
      appearances.map(({ oklab }) => oklab),
    ),
  };
  return { score: meanScore(parts), parts };
}

/** The mean of the parts that there are. */
export function meanScore({ hues, lightness, chroma, separation, smoothness }: Parts): number {
  const sum = hues + lightness + chroma + separation;
  return smoothness === null ? sum / 4 : (sum + smoothness) / 5;
}

export function ascending(one: number, two: number): number {
  return one - two;
}

// Hues

/** Chroma below which a colour counts as a neutral, whose hue and chroma nobody compares. */
const NEUTRAL = 0.03;

export function isLively(chroma: number): boolean {
  return chroma >= NEUTRAL;
}

/** Where on the hue circle hues may stand. */
export interface Arrangement {
  /** How far, in degrees, each whole degree is outside the nearest sector; 0 inside. */
  readonly away: Float64Array;
  /** The mean distance, in degrees, that chance would give; it makes the part 0. */
  readonly chance: number;
  /** Turned by so many degrees it is the same again. */
  readonly period: number;
  /** So many colours are needed, or any few would be said to stand at twelve angles. */
  readonly needs: number;
}

/**
 * The templates of Cohen-Or, Sorkine, Gal, Leyvand and Xu, "Color harmonization" (2006), by the letters they have there:
 * centres and widths of their sectors in degrees (from memory). N, for greys alone, is what neutrals are here.
 */
const TEMPLATES: readonly (readonly (readonly [centre: number, width: number])[])[] = [
  [[0, 18]], // i
  [[0, 93.6]], // V
  [[0, 18], [90, 79.2]], // L
  [[0, 18], [180, 18]], // I
  [[0, 180]], // T
  [[0, 93.6], [180, 18]], // Y
  [[0, 93.6], [180, 93.6]], // X
]; // prettier-ignore
/** About what a random set is away from the widest of them, in degrees. */
const TEMPLATE_CHANCE = 12;
/** Our own addition, for sets that go all round: so many hues at equal angles. */
const SPOKES = [3, 4, 5, 6, 8, 10, 12] as const;

const ARRANGEMENTS: readonly Arrangement[] = [
  ...TEMPLATES.map((sectors) => ({
    away: awayFrom(sectors.map(([centre, width]) => [centre, width / 2])),
    chance: TEMPLATE_CHANCE,
    period: sectors.length === 2 && sectors[0]![1] === sectors[1]![1] ? 180 : 360,
    needs: 1,
  })),
  ...SPOKES.map((count) => ({
    away: awayFrom(Array.from({ length: count }, (_, at) => [(at * 360) / count, 0])),
    chance: 360 / count / 4,
    period: 360 / count,
    needs: count,
  })),
];

function awayFrom(sectors: readonly (readonly [centre: number, reach: number])[]): Float64Array {
  return Float64Array.from({ length: 360 }, (_, hue) =>
    Math.max(0, Math.min(...sectors.map(([centre, reach]) => Math.abs(hueTurn(centre, hue)) - reach))),
  );
}

/** How far, in degrees, a hue lies outside the nearest sector of an arrangement turned by whole degrees. Hues count in whole degrees. */
export function outside({ away }: Arrangement, turn: number, hue: number): number {
  return away[(Math.round(hue) - turn + 720) % 360]!;
}

/** The arrangement and its turn that a set of colours stands nearest to. Distances count by chroma, as in the source. */
export function arrangementOf(appearances: readonly Appearance[]): { arrangement: Arrangement; turn: number; part: number } {
  const lively = appearances.filter(({ chroma }) => isLively(chroma));
  const hues = lively.map(({ hue }) => Math.round(hue));
  const chromas = lively.map(({ chroma }) => chroma);
  const weight = chromas.reduce((sum, chroma) => sum + chroma, 0);
  let best = { arrangement: ARRANGEMENTS[0]!, turn: 0, part: lively.length === 0 ? 100 : -1 };
  for (const arrangement of ARRANGEMENTS) {
    if (lively.length < arrangement.needs) continue;
    for (let turn = 0; turn < arrangement.period; turn += 2) {
      let sum = 0;
      for (let at = 0; at < hues.length; at++) sum += chromas[at]! * arrangement.away[(hues[at]! - turn + 720) % 360]!;
      const part = huesPart(sum, weight, arrangement);
      if (part > best.part) best = { arrangement, turn, part };
    }
  }
  return best;
}

/**
 * 100 × (1 − F / chance), not below 0; F is the mean of the distances from the sectors, weighted by chroma.
 * @param sum of those distances, in degrees, each times its chroma @param weight sum of the chromas
 */
export function huesPart(sum: number, weight: number, { chance }: Arrangement): number {
  return weight === 0 ? 100 : 100 * Math.max(0, 1 - sum / weight / chance);
}

// Lightness

/** Deviation (OKLCH lightness) at which nothing is left of the part. */
const LIGHTNESS_SCALE = 0.12;

/**
 * 100 × (1 − d / 0.12), not below 0; d is the root mean square of what separates the lightnesses, by rank, from even steps
 * between the least and the greatest. @param sorted ascending
 */
export function lightnessPart(sorted: ArrayLike<number>): number {
  const last = sorted.length - 1;
  if (last < 2) return 100;
  const least = sorted[0]!;
  const step = (sorted[last]! - least) / last;
  let sum = 0;
  for (let at = 1; at < last; at++) {
    const away = sorted[at]! - least - step * at;
    sum += away * away;
  }
  return 100 * Math.max(0, 1 - Math.sqrt(sum / (last + 1)) / LIGHTNESS_SCALE);
}

// Chroma

const CHROMA_SCALE = 0.1;
/** Chroma (OKLCH) beyond which large areas tire the eye; the aim is the palette's own middle, but not above this. */
const BEARABLE = 0.17;

/**
 * 100 × (1 − d / 0.1), not below 0; d is the root mean square of the distances of the chromas from their median, or from
 * 0.17 when the median is above. Neutrals do not count. @param sorted those of the others, ascending
 */
export function chromaPart(sorted: ArrayLike<number>): number {
  const count = sorted.length;
  if (count === 0) return 100;
  const median = (sorted[(count - 1) >> 1]! + sorted[count >> 1]!) / 2;
  const aim = Math.min(median, BEARABLE);
  let sum = 0;
  for (let at = 0; at < count; at++) {
    const away = sorted[at]! - aim;
    sum += away * away;
  }
  return 100 * Math.max(0, 1 - Math.sqrt(sum / count) / CHROMA_SCALE);
}

// Separation

/** ΔE2000 from which on two colours are apart enough for any use. */
export const APART_AT_BEST = 12;

/** 100 × the mean of d / 12; d is ΔE2000 of each colour to its nearest other, at most 12. @param sum of the d */
export function separationPart(sum: number, count: number): number {
  return (100 * sum) / count / APART_AT_BEST;
}

// Smoothness

/** The mean of all runs; null when there are none. @param oklab of the whole palette */
export function smoothnessPart(runs: readonly Run[], oklab: readonly Oklab[]): number | null {
  if (runs.length === 0) return null;
  return runs.reduce((sum, run) => sum + runSmoothness(run, oklab), 0) / runs.length;
}

function nearestOf(appearance: Appearance, all: readonly Appearance[]): number {
  let least = APART_AT_BEST;
  for (const other of all) {
    if (other !== appearance) least = Math.min(least, ciede2000(appearance.lab, other.lab));
  }
  return least;
}
