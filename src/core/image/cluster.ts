/** Points in OKLab with weights, as columns. */
export interface Points {
  readonly count: number;
  readonly l: Float64Array;
  readonly a: Float64Array;
  readonly b: Float64Array;
  /** Pixels each stands for. */
  readonly weight: Float64Array;
}

function emptyPoints(count: number): Points {
  const column = () => new Float64Array(count);
  return { count, l: column(), a: column(), b: column(), weight: column() };
}

const LLOYD_ROUNDS = 24;
const MEDIAN_ROUNDS = 8;
/** From so many clusters the lively choice is made: enough that an accent of a thousandth of the area has its own. */
const CANDIDATES = 160;
/** A share of the area at which a candidate counts half; below it, noise is likelier than an accent. */
const HALF_SHARE = 0.0004;
/** ΔE-OK that is just noticeable (CSS Color 4): what cannot be told apart counts as met. */
const JND = 0.02;
/** ΔE-OK within which candidates crowd each other. */
const ALIKE = 0.1;
/** How far about a lively colour its mean is taken, ΔE-OK. */
const REACH = 0.03;
/** Added to chroma in the lively choice, so that greys far from all others still count. */
const GREY_WORTH = 0.04;

/** `count` centres that stand for the points by their weight: the mean distance of a point to its centre is made small. */
export function byArea(points: Points, count: number): Points {
  const centres = split(points, count);
  refine(points, centres, LLOYD_ROUNDS, false);
  refine(points, centres, MEDIAN_ROUNDS, true);
  return centres;
}

/**
 * Centres chosen one by one from a finer clustering, each the one that brings all others nearest to what is chosen. What
 * counts is a candidate's share of the area and, the more the livelier, its chroma instead, however small it is.
 * @param liveliness above 0, up to 1
 */
export function byLiveliness(points: Points, count: number, liveliness: number): Points {
  // Square roots of the weights, or the finer clustering would follow the area as well.
  const rare: Points = { ...points, weight: points.weight.map(Math.sqrt) };
  const candidates = split(rare, Math.min(CANDIDATES, points.count));
  refine(rare, candidates, 4, false);
  let total = 0;
  for (let at = 0; at < points.count; at++) {
    candidates.weight[nearest(points, at, candidates)]! += points.weight[at]!;
    total += points.weight[at]!;
  }
  const crowd = crowding(candidates);
  for (let at = 0; at < candidates.count; at++) {
    const share = candidates.weight[at]! / total;
    const chroma = Math.hypot(candidates.a[at]!, candidates.b[at]!);
    const lively = ((GREY_WORTH + chroma) * (share / (share + HALF_SHARE))) / crowd[at]!;
    candidates.weight[at] = share ** (1 - liveliness) * lively ** liveliness;
  }
  // The livelier, the less a third shade of one hue counts beside an accent that has not been taken yet.
  const chosen = chooseNearest(candidates, Math.min(count, candidates.count), Math.max(LEAST_WORTH, (1 - liveliness) ** 2));
  centre(candidates, chosen, REACH / liveliness);
  return chosen;
}

/** How many candidates stand about each, itself counting as one: a wide gradient has many that are much alike. */
function crowding({ count, l, a, b }: Points): Float64Array {
  const crowd = new Float64Array(count);
  for (let one = 0; one < count; one++) {
    for (let two = 0; two < count; two++) {
      const [dl, da, db] = [l[one]! - l[two]!, a[one]! - a[two]!, b[one]! - b[two]!];
      crowd[one]! += Math.max(0, 1 - Math.sqrt(dl * dl + da * da + db * db) / ALIKE);
    }
  }
  return crowd;
}

/** Moves each chosen colour to the mean of the candidates about it, so that noise evens out and no two colours blend. */
function centre(candidates: Points, chosen: Points, reach: number): void {
  const near = emptyPoints(candidates.count);
  for (const column of ['l', 'a', 'b', 'weight'] as const) near[column].set(candidates[column]);
  for (let at = 0; at < candidates.count; at++) {
    const c = nearest(candidates, at, chosen);
    const [dl, da, db] = [near.l[at]! - chosen.l[c]!, near.a[at]! - chosen.a[c]!, near.b[at]! - chosen.b[c]!];
    if (dl * dl + da * da + db * db > reach * reach) near.weight[at] = 0;
  }
  refine(near, chosen, 1, false);
}

/** Chroma (OKLab) below which a colour has no hue to speak of, and how far apart hues of one family are, in radians. */
const GREYISH = 0.03;
const SAME_HUE = 0.35;
/** A further shade is never worth nothing: where there is nothing else, all of them are wanted. */
const LEAST_WORTH = 0.03;
/** So many shades of one family count in full. */
const SHADES = 2;

/** Whether two candidates are shades of one hue. */
function sameFamily({ a, b }: Points, one: number, two: number): boolean {
  const [first, second] = [Math.hypot(a[one]!, b[one]!), Math.hypot(a[two]!, b[two]!)];
  if (first < GREYISH || second < GREYISH) return false;
  const apart = Math.abs(Math.atan2(b[one]!, a[one]!) - Math.atan2(b[two]!, a[two]!));
  return Math.min(apart, 2 * Math.PI - apart) < SAME_HUE;
}

/**
 * The candidates that, one after the other, reduce the weighted distances of all to their nearest chosen one most.
 * Distances count squared, so that what is far from everything chosen is not outvoted by many near ones.
 * @param further what a further shade of a family counts that has its share already, 0..1
 */
function chooseNearest(candidates: Points, count: number, further: number): Points {
  const all = candidates.count;
  const { l, a, b, weight } = candidates;
  const between = new Float64Array(all * all);
  for (let one = 0; one < all; one++) {
    for (let two = 0; two < all; two++) {
      const [dl, da, db] = [l[one]! - l[two]!, a[one]! - a[two]!, b[one]! - b[two]!];
      between[one * all + two] = Math.max(0, Math.sqrt(dl * dl + da * da + db * db) - JND) ** 2;
    }
  }
  const least = new Float64Array(all).fill(1);
  const chosen = emptyPoints(count);
  /** How many of each candidate's family are chosen. */
  const shades = new Uint8Array(all);
  for (let filled = 0; filled < count; filled++) {
    let best = 0;
    let most = -1;
    for (let at = 0; at < all; at++) {
      let gain = 0;
      for (let other = 0; other < all; other++) {
        const nearer = least[other]! - between[at * all + other]!;
        if (nearer > 0) gain += weight[other]! * nearer;
      }
      if (shades[at]! >= SHADES) gain *= further;
      if (gain > most) [best, most] = [at, gain];
    }
    for (let other = 0; other < all; other++) {
      least[other] = Math.min(least[other]!, between[best * all + other]!);
      if (sameFamily(candidates, best, other)) shades[other]!++;
    }
    chosen.l[filled] = l[best]!;
    chosen.a[filled] = a[best]!;
    chosen.b[filled] = b[best]!;
  }
  return chosen;
}

/** The centre nearest to a point. */
export function nearest(points: Points, at: number, centres: Points): number {
  const { l, a, b } = centres;
  const [pl, pa, pb] = [points.l[at]!, points.a[at]!, points.b[at]!];
  let best = 0;
  let least = Infinity;
  for (let c = 0; c < centres.count; c++) {
    const dl = pl - l[c]!;
    const da = pa - a[c]!;
    const db = pb - b[c]!;
    const distance = dl * dl + da * da + db * db;
    if (distance < least) {
      least = distance;
      best = c;
    }
  }
  return best;
}

/**
 * Moves centres to the means of the points nearest to them, round after round (Lloyd 1982); with `median`, towards
 * their geometric medians instead (Weiszfeld 1937). A centre without points stays where it is.
 */
function refine(points: Points, centres: Points, rounds: number, median: boolean): void {
  const { count } = centres;
  const [sl, sa, sb, sw] = [new Float64Array(count), new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  for (let round = 0; round < rounds; round++) {
    for (const column of [sl, sa, sb, sw]) column.fill(0);
    for (let at = 0; at < points.count; at++) {
      const c = nearest(points, at, centres);
      const [l, a, b] = [points.l[at]!, points.a[at]!, points.b[at]!];
      let weight = points.weight[at]!;
      if (median) {
        const [dl, da, db] = [l - centres.l[c]!, a - centres.a[c]!, b - centres.b[c]!];
        weight /= Math.max(1e-4, Math.sqrt(dl * dl + da * da + db * db));
      }
      sl[c]! += l * weight;
      sa[c]! += a * weight;
      sb[c]! += b * weight;
      sw[c]! += weight;
    }
    let moved = 0;
    for (let c = 0; c < count; c++) {
      if (sw[c] === 0) continue;
      const [l, a, b] = [sl[c]! / sw[c]!, sa[c]! / sw[c]!, sb[c]! / sw[c]!];
      moved = Math.max(moved, Math.abs(l - centres.l[c]!) + Math.abs(a - centres.a[c]!) + Math.abs(b - centres.b[c]!));
      centres.l[c] = l;
      centres.a[c] = a;
      centres.b[c] = b;
    }
    if (moved < 1e-4) return;
  }
}

interface Cluster {
  readonly members: Int32Array;
  readonly mean: readonly [number, number, number];
  /** Direction of the widest spread, of length 1. */
  readonly axis: readonly [number, number, number];
  /** Weighted sum of squared distances to the mean. */
  readonly spread: number;
}

/** Means of clusters made by cutting the one with the largest spread across its widest direction, again and again. */
function split(points: Points, count: number): Points {
  const clusters = [
    measured(
      points,
      Int32Array.from({ length: points.count }, (_, at) => at),
    ),
  ];
  while (clusters.length < count) {
    let widest = 0;
    for (let at = 1; at < clusters.length; at++) if (clusters[at]!.spread > clusters[widest]!.spread) widest = at;
    const { members, mean, axis, spread } = clusters[widest]!;
    if (spread === 0) break;
    const side = (at: number) =>
      (points.l[at]! - mean[0]) * axis[0] + (points.a[at]! - mean[1]) * axis[1] + (points.b[at]! - mean[2]) * axis[2];
    const [below, above] = [members.filter((at) => side(at) <= 0), members.filter((at) => side(at) > 0)];
    if (below.length === 0 || above.length === 0) break;
    clusters[widest] = measured(points, below);
    clusters.push(measured(points, above));
  }
  const centres = emptyPoints(clusters.length);
  clusters.forEach(({ mean }, at) => {
    centres.l[at] = mean[0];
    centres.a[at] = mean[1];
    centres.b[at] = mean[2];
  });
  return centres;
}

function measured(points: Points, members: Int32Array): Cluster {
  let [w, l, a, b] = [0, 0, 0, 0];
  for (const at of members) {
    const weight = points.weight[at]!;
    w += weight;
    l += weight * points.l[at]!;
    a += weight * points.a[at]!;
    b += weight * points.b[at]!;
  }
  const mean = [l / w, a / w, b / w] as const;
  let [ll, la, lb, aa, ab, bb] = [0, 0, 0, 0, 0, 0];
  for (const at of members) {
    const weight = points.weight[at]!;
    const [dl, da, db] = [points.l[at]! - mean[0], points.a[at]! - mean[1], points.b[at]! - mean[2]];
    ll += weight * dl * dl;
    la += weight * dl * da;
    lb += weight * dl * db;
    aa += weight * da * da;
    ab += weight * da * db;
    bb += weight * db * db;
  }
  // The power method finds the widest direction; it need not be exact.
  let [x, y, z] = [1, 0.9, 0.8];
  for (let round = 0; round < 12; round++) {
    const [nx, ny, nz] = [ll * x + la * y + lb * z, la * x + aa * y + ab * z, lb * x + ab * y + bb * z];
    const length = Math.hypot(nx, ny, nz);
    if (length === 0) break;
    [x, y, z] = [nx / length, ny / length, nz / length];
  }
  return { members, mean, axis: [x, y, z], spread: members.length > 1 ? ll + aa + bb : 0 };
}
