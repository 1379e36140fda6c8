import { ciede2000 } from '../colour/difference';
import { labOf } from '../colour/lab';
import { decode, linearToOklab, type Oklab } from '../colour/oklab';
import { readColour } from '../colour/read';

/** Colour depths that games and terminals know (common practice). */
export const DEPTHS = [4, 16, 32, 64, 128] as const;

/** A colour that may be merged into another. */
export interface Reducible {
  readonly id: string;
  /** CSS. */
  readonly value: string;
  readonly locked: boolean;
}

/** What stays, and what is merged into it. */
export interface Group {
  readonly keep: string;
  /** ΔE2000 between each and what it becomes. */
  readonly merge: readonly { readonly id: string; readonly distance: number }[];
}

interface Cluster {
  readonly members: readonly number[];
  readonly centre: Oklab;
  readonly locked: boolean;
  /** The nearest other cluster, and what merging with it would cost. */
  near: Cluster | null;
  cost: number;
}

/**
 * A palette reduced to some number of its own colours: the two groups whose merging adds least to the spread in OKLab are
 * merged again and again (Ward 1963). Of each group its locked colour stays, else one that `prefer` asks for, else the one
 * nearest to the middle. Locked colours are never merged with each other, so more may be left than asked for.
 * @returns a group for each colour that stays, in the palette's order
 */
export function reduceTo(colours: readonly Reducible[], count: number, prefer: (id: string) => boolean = () => false): Group[] {
  const places = colours.map(({ value }) => oklabOf(value));
  let clusters = places.map((centre, at): Cluster => {
    return { members: [at], centre, locked: colours[at]!.locked, near: null, cost: Infinity };
  });
  for (const cluster of clusters) findNear(cluster, clusters);
  while (clusters.length > Math.max(1, count)) {
    const cheapest = clusters.reduce((best, other) => (other.cost < best.cost ? other : best));
    const two = cheapest.near;
    if (!two) break;
    const joined: Cluster = {
      members: [...cheapest.members, ...two.members],
      centre: meanOf(cheapest, two),
      locked: cheapest.locked || two.locked,
      near: null,
      cost: Infinity,
    };
    clusters = [...clusters.filter((other) => other !== cheapest && other !== two), joined];
    findNear(joined, clusters);
    for (const other of clusters) {
      if (other === joined) continue;
      if (other.near === cheapest || other.near === two) findNear(other, clusters);
      else {
        const cost = costOf(other, joined);
        if (cost < other.cost) Object.assign(other, { near: joined, cost });
      }
    }
  }
  return clusters
    .map(({ members, centre }) => {
      const preferred = members.filter((at) => prefer(colours[at]!.id));
      const keep =
        members.find((at) => colours[at]!.locked) ?? centremost(centre, places, preferred.length > 0 ? preferred : members);
      return { keep, merge: members.filter((at) => at !== keep) };
    })
    .sort((one, two) => one.keep - two.keep)
    .map(({ keep, merge }) => asGroup(colours, keep, merge));
}

/** Colours nearer to each other than some ΔE2000 as one, near duplicates among them; greatest distance within a group counts. */
export function mergeNear(colours: readonly Reducible[], within: number, prefer: (id: string) => boolean = () => false): Group[] {
  const labs = colours.map(({ value }) => labOf(value));
  const groups: { keep: number; merge: number[] }[] = [];
  const rank = (at: number) => (colours[at]!.locked ? 2 : prefer(colours[at]!.id) ? 1 : 0);
  // Those that must or should stay come first, so that the others find them.
  const first = colours.map((_, at) => at).sort((one, two) => rank(two) - rank(one) || one - two);
  for (const at of first) {
    const home = colours[at]!.locked
      ? undefined
      : groups.find(({ keep, merge }) => [keep, ...merge].every((other) => ciede2000(labs[at]!, labs[other]!) < within));
    if (home) home.merge.push(at);
    else groups.push({ keep: at, merge: [] });
  }
  return groups.sort((one, two) => one.keep - two.keep).map(({ keep, merge }) => asGroup(colours, keep, merge));
}

function asGroup(colours: readonly Reducible[], keep: number, merge: readonly number[]): Group {
  const stays = labOf(colours[keep]!.value);
  return {
    keep: colours[keep]!.id,
    merge: [...merge]
      .sort((one, two) => one - two)
      .map((at) => ({ id: colours[at]!.id, distance: ciede2000(labOf(colours[at]!.value), stays) })),
  };
}

function findNear(cluster: Cluster, clusters: readonly Cluster[]): void {
  cluster.near = null;
  cluster.cost = Infinity;
  for (const other of clusters) {
    if (other === cluster) continue;
    const cost = costOf(cluster, other);
    if (cost >= cluster.cost) continue;
    cluster.near = other;
    cluster.cost = cost;
  }
}

/** What merging two adds to the sum of squares within: Ward's criterion. */
function costOf(one: Cluster, two: Cluster): number {
  if (one.locked && two.locked) return Infinity;
  const [l, a, b] = [0, 1, 2].map((at) => one.centre[at]! - two.centre[at]!) as [number, number, number];
  const [n, m] = [one.members.length, two.members.length];
  return ((n * m) / (n + m)) * (l * l + a * a + b * b);
}

function meanOf(one: Cluster, two: Cluster): Oklab {
  const share = one.members.length / (one.members.length + two.members.length);
  return [0, 1, 2].map((at) => one.centre[at]! * share + two.centre[at]! * (1 - share)) as unknown as Oklab;
}

function centremost(centre: Oklab, places: readonly Oklab[], among: readonly number[]): number {
  const away = (at: number) => places[at]!.reduce((sum, value, channel) => sum + (value - centre[channel]!) ** 2, 0);
  return among.reduce((best, at) => (away(at) < away(best) ? at : best));
}

function oklabOf(css: string): Oklab {
  const [r, g, b] = readColour(css)!.rgb;
  return linearToOklab([decode(r), decode(g), decode(b)]);
}
