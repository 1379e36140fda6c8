/** How many equal stretches a way is first measured in. */
const STRETCHES = 64;
const ROUNDS = 60;
/** Shares this near to those asked for are near enough: far below what 8 bits can show. */
const NEAR = 0.002;

/**
 * Places 0..1 along a way so that the distances walked between them stand in the proportions asked for.
 * @param shares of the whole distance at which the places lie, ascending, 0..1
 * @param distance between two places of the way, such as ΔE2000 of the colours there
 * @returns ascending places; where the whole way has no length, the shares themselves
 */
export function evenPlaces(shares: readonly number[], distance: (from: number, to: number) => number): number[] {
  const grid = Array.from({ length: STRETCHES + 1 }, (_, at) => at / STRETCHES);
  const stretches = sumsOf(grid, distance);
  if (stretches.at(-1) === 0) return [...shares];
  let places = shares.map((share) => interpolate(stretches, grid, share * stretches.at(-1)!));
  // Straight from place to place is shorter than along the way, by more where it bends; so measure again by the places.
  for (let round = 0; round < ROUNDS; round++) {
    const knots = [0, ...places.filter((place) => place > 0 && place < 1), 1];
    const sums = sumsOf(knots, distance);
    const whole = sums.at(-1)!;
    const reached = places.map((place) => interpolate(knots, sums, place) / whole);
    if (reached.every((share, at) => Math.abs(share - shares[at]!) < NEAR / shares.length)) break;
    places = shares.map((share) => interpolate(sums, knots, share * whole));
  }
  return places;
}

/** The distance walked up to each knot. */
function sumsOf(knots: readonly number[], distance: (from: number, to: number) => number): number[] {
  const sums = [0];
  for (let at = 1; at < knots.length; at++) sums.push(sums[at - 1]! + distance(knots[at - 1]!, knots[at]!));
  return sums;
}

/** The value at `x` of the line through points with ascending `xs`. */
export function interpolate(xs: readonly number[], ys: readonly number[], x: number): number {
  let right = 1;
  while (right < xs.length - 1 && xs[right]! < x) right++;
  const [x0, x1, y0, y1] = [xs[right - 1]!, xs[right]!, ys[right - 1]!, ys[right]!];
  return x1 === x0 ? y0 : y0 + (y1 - y0) * Math.min(1, Math.max(0, (x - x0) / (x1 - x0)));
}
