import { unit } from '../base/clamp';

/** How many equal stretches a way is measured in. */
const STRETCHES = 96;
const ROUNDS = 120;
/** Steps that differ from what they should be by this share are near enough: far less than 8 bits can show. */
const NEAR = 0.003;

/**
 * Places 0..1 along a way so that the distances from each to the next stand in the proportions asked for.
 * @param shares of the whole distance at which the places lie, ascending, 0..1, the last one 1
 * @param distance between two places of the way, such as ΔE2000 of the colours there
 * @returns ascending places; where the whole way has no length, the shares themselves
 */
export function evenPlaces(shares: readonly number[], distance: (from: number, to: number) => number): number[] {
  const grid = Array.from({ length: STRETCHES + 1 }, (_, at) => at / STRETCHES);
  const walked = [0];
  for (let at = 1; at <= STRETCHES; at++) walked.push(walked[at - 1]! + distance(grid[at - 1]!, grid[at]!));
  const length = walked[STRETCHES]!;
  if (length === 0) return [...shares];
  const wanted = shares.map((share, at) => share - (shares[at - 1] ?? 0));
  // Straight from place to place is shorter than along the way, by more where it bends; so a step that came out short is
  // given more of the way, and the others less: ever more gently, for a step over a sharp bend would swing for ever. The
  // best round counts, because where colours lie far apart in hue ΔE2000 may allow no equal steps.
  let steps = wanted.map((step) => step * length);
  let [places, worst] = [[] as number[], Infinity];
  for (let round = 0; round < ROUNDS; round++) {
    let sum = 0;
    const tried = steps.map((step) => interpolate(walked, grid, (sum += step)));
    const reached = tried.map((place, at) => distance(tried[at - 1] ?? 0, place));
    const scale = reached.reduce((total, step) => total + step, 0);
    const off = wanted.map((step, at) => (step === 0 ? 1 : (step * scale) / (reached[at]! || Infinity)));
    const astray = Math.max(...off.map((ratio) => Math.abs(Math.log(ratio))));
    if (round === 0 || astray < worst) [places, worst] = [tried, astray];
    if (scale === 0 || worst < NEAR) break;
    const next = steps.map((step, at) => step * Math.min(4, Math.max(0.25, off[at]!)) ** (0.5 * 0.98 ** round));
    const whole = next.reduce((total, step) => total + step, 0);
    steps = next.map((step) => (step / whole) * length);
  }
  return places;
}

/** The value at `x` of the line through points with ascending `xs`. */
export function interpolate(xs: readonly number[], ys: readonly number[], x: number): number {
  let right = 1;
  while (right < xs.length - 1 && xs[right]! < x) right++;
  const [x0, x1, y0, y1] = [xs[right - 1]!, xs[right]!, ys[right - 1]!, ys[right]!];
  return x1 === x0 ? y0 : y0 + (y1 - y0) * unit((x - x0) / (x1 - x0));
}
