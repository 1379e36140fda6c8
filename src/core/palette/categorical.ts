import { contrastRatio } from '../colour/contrast';
import { ciede2000 } from '../colour/difference';
import { maxChroma } from '../colour/gamut';
import { srgbToLabD65, type LabD65 } from '../colour/lab';
import { oklchHex, readColour } from '../colour/read';
import { seenAs, type Vision } from '../colour/vision';

export interface Categorical {
  /** How many colours in all, the given ones counted. */
  readonly count: number;
  /** CSS colours that are in the set already; they come first and stay as they are. */
  readonly given: readonly string[];
  /** CSS colour of the ground, and the least WCAG contrast each new colour has on it. */
  readonly ground: string;
  readonly contrast: number;
  /** Whose eyes they must be told apart by; full severity. Normal vision always counts. */
  readonly visions: readonly Vision[];
  /** OKLCH lightness the new colours may have, 0..1. */
  readonly lightness: readonly [least: number, most: number];
  /** The least share of the chroma that sRGB has at their lightness and hue, 0..1. */
  readonly liveliness: number;
}

/** The hardest pair of a set. */
export interface Closest {
  readonly one: number;
  readonly two: number;
  /** ΔE2000 in the vision that tells them apart least. */
  readonly distance: number;
  readonly vision: Vision;
}

export interface CategoricalSet {
  /** CSS: the given ones, then `#rrggbb`; fewer than asked for when the ground and the bounds leave no more. */
  readonly colours: readonly string[];
  /** null for fewer than two colours. */
  readonly closest: Closest | null;
}

export const CATEGORICAL_COUNT = { least: 1, most: 64 } as const;

/** A colour as each of the visions sees it, Lab. */
type Seen = readonly LabD65[];

interface Candidate {
  readonly css: string;
  readonly seen: Seen;
}

const GRID = { lightness: 0.045, hue: 10, chroma: [0.35, 0.65, 1] } as const;
/** From so many first colours the whole is tried, and the best kept. */
const STARTS = 8;
/** Exchanges stop here at the latest; most sets are at rest far earlier. */
const EXCHANGES = 60;

/**
 * Colours for categories, as far apart as can be for everybody: the least ΔE2000 of any pair, in normal vision and in each
 * simulated one, is made as great as farthest-first choice and then exchange of one at a time make it. The order is such
 * that its first n are the best that leaving one out of the first n + 1 gives.
 */
export function categorical(wish: Categorical, onProgress: (share: number) => void = () => {}): CategoricalSet {
  const visions: readonly Vision[] = ['normal', ...wish.visions];
  const given = wish.given.map((css) => candidate(css, visions));
  const pool = candidates(wish, visions);
  const wanted = Math.min(pool.length, Math.max(0, wish.count - given.length));
  let chosen: readonly Candidate[] = [];
  let reached = -1;
  for (let start = 0; start < STARTS && wanted > 0; start++) {
    onProgress(start / STARTS);
    const tried = farthestFirst(given, pool, wanted, pool[Math.floor((start * pool.length) / STARTS)]!);
    exchange(given, tried, pool);
    const least = closestOf([...given, ...tried], visions)?.distance ?? Infinity;
    if (tried.length < chosen.length || least <= reached) continue;
    chosen = tried;
    reached = least;
  }
  const ordered = [...given, ...inOrder(given, chosen)];
  return { colours: ordered.map(({ css }) => css), closest: closestOf(ordered, visions) };
}

/** Every pair of some CSS colours that some eyes tell apart by less than a limit of ΔE2000, the hardest first. */
export function hardPairs(colours: readonly string[], visions: readonly Vision[], limit: number): Closest[] {
  const all: readonly Vision[] = ['normal', ...visions];
  const set = colours.map((css) => candidate(css, all));
  return set
    .flatMap((one, at) => set.slice(at + 1).map((two, n) => ({ ...closestOf([one, two], all)!, one: at, two: at + 1 + n })))
    .filter(({ distance }) => distance < limit)
    .sort((one, two) => one.distance - two.distance);
}

/** The hardest pair of some CSS colours for some visions; null for fewer than two. */
export function hardestPair(colours: readonly string[], visions: readonly Vision[]): Closest | null {
  return closestOf(
    colours.map((css) => candidate(css, visions)),
    visions,
  );
}

function candidate(css: string, visions: readonly Vision[]): Candidate {
  const { rgb } = readColour(css)!;
  return { css, seen: visions.map((vision) => srgbToLabD65(seenAs(rgb, vision))) };
}

/** Every colour of a grid through OKLCH that the ground and the bounds allow. */
function candidates({ ground, contrast, lightness, liveliness }: Categorical, visions: readonly Vision[]): Candidate[] {
  const under = readColour(ground)!;
  const found = new Set<string>();
  for (let l = lightness[0]; l <= lightness[1] + 1e-9; l += GRID.lightness) {
    for (let h = 0; h < 360; h += GRID.hue) {
      const most = maxChroma(l, h);
      for (const share of GRID.chroma) {
        if (share < liveliness - 1e-9 && share < 1) continue;
        const css = oklchHex([l, most * share, h]);
        if (contrastRatio(readColour(css)!, under) >= contrast) found.add(css);
      }
    }
  }
  return [...found].map((css) => candidate(css, visions));
}

/** Each next colour is the one whose nearest neighbour is farthest; fewer when what is left equals colours that are there. */
function farthestFirst(given: readonly Candidate[], pool: readonly Candidate[], wanted: number, first: Candidate): Candidate[] {
  const chosen: Candidate[] = [first];
  const room = pool.map((candidate) => nearest(candidate, [...given, first], 0));
  while (chosen.length < wanted) {
    const best = room.indexOf(Math.max(...room));
    if (!(room[best]! > 0)) break;
    chosen.push(pool[best]!);
    pool.forEach((candidate, at) => {
      if (room[at]! > 0) room[at] = Math.min(room[at]!, leastDistance(candidate.seen, pool[best]!.seen));
    });
  }
  return chosen;
}

/** The least distance of two colours in any of the visions. */
function leastDistance(one: Seen, two: Seen): number {
  let least = Infinity;
  for (let at = 0; at < one.length; at++) {
    const distance = ciede2000(one[at]!, two[at]!);
    if (distance < least) least = distance;
  }
  return least;
}

/** How far a colour stands from the nearest of some; given up, with what is known, once that is not more than `enough`. */
function nearest(candidate: Candidate, others: readonly Candidate[], enough: number): number {
  let least = Infinity;
  for (const other of others) {
    const distance = leastDistance(candidate.seen, other.seen);
    if (distance < least) least = distance;
    if (least <= enough) return least;
  }
  return least;
}

/** As long as it helps, one of the hardest pair gives way to the candidate that stands farthest from all others. */
function exchange(given: readonly Candidate[], chosen: Candidate[], pool: readonly Candidate[]): void {
  for (let round = 0; round < EXCHANGES; round++) {
    const all = [...given, ...chosen];
    const hardest = closestOf(all, ['normal']);
    if (!hardest) return;
    let best: { at: number; by: Candidate; distance: number } | null = null;
    for (const at of [hardest.one, hardest.two]) {
      if (at < given.length) continue;
      const others = all.filter((_, other) => other !== at);
      for (const by of pool) {
        const distance = nearest(by, others, best?.distance ?? hardest.distance);
        if (distance > (best?.distance ?? hardest.distance)) best = { at: at - given.length, by, distance };
      }
    }
    if (!best) return;
    chosen[best.at] = best.by;
  }
}

/** Leaving out one at a time, always the one whose absence leaves the rest farthest apart, gives the order from its end. */
function inOrder(given: readonly Candidate[], chosen: readonly Candidate[]): Candidate[] {
  const left = [...chosen];
  const order: Candidate[] = [];
  const distances = new Map<Candidate, Map<Candidate, number>>();
  const all = [...given, ...chosen];
  for (const one of all)
    distances.set(one, new Map(all.map((two) => [two, one === two ? Infinity : leastDistance(one.seen, two.seen)])));
  const least = (set: readonly Candidate[]) =>
    Math.min(...set.map((one) => Math.min(...set.map((two) => distances.get(one)!.get(two)!))));
  while (left.length > 0) {
    const rest = (without: Candidate) => [...given, ...left.filter((candidate) => candidate !== without)];
    const leaves = left.map((candidate) => least(rest(candidate)));
    const at = leaves.lastIndexOf(Math.max(...leaves));
    order.unshift(...left.splice(at, 1));
  }
  return order;
}

function closestOf(set: readonly Candidate[], visions: readonly Vision[]): Closest | null {
  let closest: Closest | null = null;
  for (let one = 0; one < set.length; one++) {
    for (let two = one + 1; two < set.length; two++) {
      set[one]!.seen.forEach((lab, at) => {
        const distance = ciede2000(lab, set[two]!.seen[at]!);
        if (!closest || distance < closest.distance) closest = { one, two, distance, vision: visions[at] ?? 'normal' };
      });
    }
  }
  return closest;
}
