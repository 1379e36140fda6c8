/** How many equal stretches a way is first measured in. */
const STRETCHES = 64;
const ROUNDS = 8;

/**
 * Places 0..1 along a way so that the distances walked between them stand in the proportions asked for.
 * @param shares of the whole distance at which the places lie, ascending, 0..1
 * @param distance between two places of the way, such as ΔE2000 of the colours there
 * @returns ascending places; where the whole way has no length, the shares themselves
 */
export function evenPlaces(shares: readonly number[], distance: (from: number, to: number) => number): number[] {
  const grid = Array.from({ length: STRETCHES + 1 }, (_, at) => at / STRETCHES);
  let places = walked(grid, grid, shares, distance);
  // Straight from place to place is shorter than along the way, by more where it bends; so measure again by the places.
  for (let round = 0; round < ROUNDS; round++) {
    const inner = places.filter((place) => place > 0 && place < 1);
    const knots = [0, ...inner, 1];
    const knotShares = [0, ...shares.filter((_, at) => places[at]! > 0 && places[at]! < 1), 1];
    places = walked(knots, knotShares, shares, distance);
  }
  return places;
}

/** Where the shares of the distance fall, measured from knot to knot and even between two. */
function walked(
  knots: readonly number[],
  known: readonly number[],
  shares: readonly number[],
  distance: (from: number, to: number) => number,
): number[] {
  const sums = [0];
  for (let at = 1; at < knots.length; at++) sums.push(sums[at - 1]! + distance(knots[at - 1]!, knots[at]!));
  const whole = sums.at(-1)!;
  if (whole === 0) return shares.map((share) => interpolate(known, knots, share));
  return shares.map((share) => interpolate(sums, knots, share * whole));
}

/** The value at `x` of the line through points with ascending `xs`. */
export function interpolate(xs: readonly number[], ys: readonly number[], x: number): number {
  let right = 1;
  while (right < xs.length - 1 && xs[right]! < x) right++;
  const [x0, x1, y0, y1] = [xs[right - 1]!, xs[right]!, ys[right - 1]!, ys[right]!];
  return x1 === x0 ? y0 : y0 + (y1 - y0) * Math.min(1, Math.max(0, (x - x0) / (x1 - x0)));
}
