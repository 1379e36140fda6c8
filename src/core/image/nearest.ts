import { LINEAR } from '../colour/eight-bit';

/** Bits of a channel that tell its coarse and its fine cell: 8 and 32 cells each way. */
const COARSE_BITS = 3;
const FINE_BITS = 5;

/** Rows of the matrices of OKLab (CSS Color 4), as `linearToOklab` has them. */
const CONES = [
  [0.412221469470763, 0.5363325372617348, 0.0514459932675022],
  [0.2119034958178252, 0.6806995506452344, 0.1073969535369406],
  [0.0883024591900564, 0.2817188391361215, 0.6299787016738222],
] as const;
const AXES = [
  [0.210454268309314, 0.7936177747023054, -0.0040720430116193],
  [1.9779985324311684, -2.4285922420485799, 0.450593709617411],
  [0.0259040424655478, 0.7827717124575296, -0.8086757549230774],
] as const;
/** Cube roots at so many steps of 0..1; between two of them a straight line is within 4.2e-7 from 1/64 on. */
const STEPS = 8_192;
const ROOTS = Float64Array.from({ length: STEPS + 2 }, (_, at) => Math.cbrt(at / STEPS));
/** Squared distances by those roots are wrong by less than half of this: twice a distance of at most 1.3 times 2.2e-6. */
const DOUBTFUL = 2e-5;

function cubeRoot(x: number): number {
  if (x < 1 / 64) return Math.cbrt(x);
  const at = x * STEPS;
  const below = at | 0;
  const root = ROOTS[below]!;
  return root + (ROOTS[below + 1]! - root) * (at - below);
}

/** What rounding may add to a distance: far more than it can, and far less than any two colours are apart. */
const ROUNDING = 1e-12;

/**
 * The colour of a palette that is nearest to any 8-bit sRGB colour by ΔE-OK, the distance in OKLab (CSS Color 4, section
 * 20); of two that are equally near, the first. Exact: for each cell of colours the palette's colours that can be nearest
 * to any in it are found by interval arithmetic, and only those are compared.
 */
export class Nearest {
  private readonly l: Float64Array;
  private readonly a: Float64Array;
  private readonly b: Float64Array;
  private readonly coarse: (Uint16Array | undefined)[] = new Array<Uint16Array | undefined>(1 << (3 * COARSE_BITS));
  /** Of each fine cell where its candidates begin in the pool, and how many they are; none before it was asked for. */
  private readonly starts = new Int32Array(1 << (3 * FINE_BITS));
  private readonly counts = new Uint16Array(1 << (3 * FINE_BITS));
  private pool = new Uint16Array(1 << 16);
  private used = 0;
  private readonly all: Uint16Array;

  /** @param palette `0xrrggbb` each; 1 to 65,536 */
  constructor(palette: readonly number[]) {
    const lab = palette.map((rgb) => this.labOf(rgb));
    this.all = Uint16Array.from(palette, (_, at) => at);
    [this.l, this.a, this.b] = [0, 1, 2].map((axis) => Float64Array.from(lab, (one) => one[axis]!)) as [
      Float64Array,
      Float64Array,
      Float64Array,
    ];
  }

  /** @param rgb `0xrrggbb` @returns an index into the palette */
  of(rgb: number): number {
    const red = (rgb >> 16) & 255;
    const green = (rgb >> 8) & 255;
    const blue = rgb & 255;
    const cell = ((red >> 3) << 10) | ((green >> 3) << 5) | (blue >> 3);
    let count = this.counts[cell]!;
    if (count === 0) count = this.fill(cell, red, green, blue);
    const pool = this.pool;
    const start = this.starts[cell]!;
    if (count === 1) return pool[start]!;
    const ls = this.l;
    const as = this.a;
    const bs = this.b;
    const r = LINEAR[red]!;
    const g = LINEAR[green]!;
    const bb = LINEAR[blue]!;
    const long = cubeRoot(0.412221469470763 * r + 0.5363325372617348 * g + 0.0514459932675022 * bb);
    const middle = cubeRoot(0.2119034958178252 * r + 0.6806995506452344 * g + 0.1073969535369406 * bb);
    const short = cubeRoot(0.0883024591900564 * r + 0.2817188391361215 * g + 0.6299787016738222 * bb);
    const l = 0.210454268309314 * long + 0.7936177747023054 * middle - 0.0040720430116193 * short;
    const a = 1.9779985324311684 * long - 2.4285922420485799 * middle + 0.450593709617411 * short;
    const b = 0.0259040424655478 * long + 0.7827717124575296 * middle - 0.8086757549230774 * short;
    let best = 0;
    let least = Infinity;
    let second = Infinity;
    for (let n = start; n < start + count; n++) {
      const at = pool[n]!;
      const dl = l - ls[at]!;
      const da = a - as[at]!;
      const db = b - bs[at]!;
      const distance = dl * dl + da * da + db * db;
      if (distance < least) {
        second = least;
        least = distance;
        best = at;
      } else if (distance < second) second = distance;
    }
    return second - least > DOUBTFUL ? best : this.exactly(rgb, pool.subarray(start, start + count));
  }

  /** The nearest of some, by roots that are exact. */
  private exactly(rgb: number, among: Uint16Array): number {
    return this.among(LINEAR[(rgb >> 16) & 255]!, LINEAR[(rgb >> 8) & 255]!, LINEAR[rgb & 255]!, among);
  }

  /** The nearest to linear light, also of such as no screen shows: below 0 or above 1. */
  ofLight(red: number, green: number, blue: number): number {
    return this.among(red, green, blue, this.all);
  }

  private among(red: number, green: number, blue: number, among: Uint16Array): number {
    const long = Math.cbrt(0.412221469470763 * red + 0.5363325372617348 * green + 0.0514459932675022 * blue);
    const middle = Math.cbrt(0.2119034958178252 * red + 0.6806995506452344 * green + 0.1073969535369406 * blue);
    const short = Math.cbrt(0.0883024591900564 * red + 0.2817188391361215 * green + 0.6299787016738222 * blue);
    const l = 0.210454268309314 * long + 0.7936177747023054 * middle - 0.0040720430116193 * short;
    const a = 1.9779985324311684 * long - 2.4285922420485799 * middle + 0.450593709617411 * short;
    const b = 0.0259040424655478 * long + 0.7827717124575296 * middle - 0.8086757549230774 * short;
    let best = 0;
    let least = Infinity;
    for (let n = 0; n < among.length; n++) {
      const at = among[n]!;
      const distance = (l - this.l[at]!) ** 2 + (a - this.a[at]!) ** 2 + (b - this.b[at]!) ** 2;
      if (distance < least) {
        least = distance;
        best = at;
      }
    }
    return best;
  }

  /** ΔE-OK between a colour and one of the palette. */
  distance(rgb: number, at: number): number {
    const [l, a, b] = this.labOf(rgb);
    return Math.hypot(l - this.l[at]!, a - this.a[at]!, b - this.b[at]!);
  }

  /** OKLab of `0xrrggbb`. */
  labOf(rgb: number): [l: number, a: number, b: number] {
    const light = [LINEAR[(rgb >> 16) & 255]!, LINEAR[(rgb >> 8) & 255]!, LINEAR[rgb & 255]!] as const;
    const [long, middle, short] = CONES.map(([r, g, b]) => Math.cbrt(r * light[0] + g * light[1] + b * light[2])) as [
      number,
      number,
      number,
    ];
    return AXES.map(([x, y, z]) => x * long + y * middle + z * short) as [number, number, number];
  }

  /** Finds the candidates of a fine cell among those of the coarse one around it. @returns how many they are */
  private fill(cell: number, red: number, green: number, blue: number): number {
    const around = cellOf(red, green, blue, COARSE_BITS);
    const among = (this.coarse[around] ??= this.candidates(boxOf(red, green, blue, COARSE_BITS), this.all));
    const found = among.length === 1 ? among : this.candidates(boxOf(red, green, blue, FINE_BITS), among);
    if (this.used + found.length > this.pool.length) {
      const larger = new Uint16Array(Math.max(this.pool.length * 2, this.used + found.length));
      larger.set(this.pool);
      this.pool = larger;
    }
    this.pool.set(found, this.used);
    this.starts[cell] = this.used;
    this.counts[cell] = found.length;
    this.used += found.length;
    return found.length;
  }

  /** Those of some of the palette's colours that may be nearest to a colour within a box, in their order. */
  private candidates([lLow, lHigh, aLow, aHigh, bLow, bHigh]: Box, among: Uint16Array): Uint16Array {
    const near = new Float64Array(among.length);
    let bound = Infinity;
    for (let n = 0; n < among.length; n++) {
      const at = among[n]!;
      const l = this.l[at]!;
      const a = this.a[at]!;
      const b = this.b[at]!;
      near[n] = outside(l, lLow, lHigh) ** 2 + outside(a, aLow, aHigh) ** 2 + outside(b, bLow, bHigh) ** 2;
      const far = farther(l, lLow, lHigh) ** 2 + farther(a, aLow, aHigh) ** 2 + farther(b, bLow, bHigh) ** 2;
      if (far < bound) bound = far;
    }
    return among.filter((_, n) => near[n]! <= bound + ROUNDING);
  }
}

function cellOf(red: number, green: number, blue: number, bits: number): number {
  const shift = 8 - bits;
  return ((red >> shift) << (2 * bits)) | ((green >> shift) << bits) | (blue >> shift);
}

/** How far a value lies outside an interval, and how far it is from its farther end. */
function outside(value: number, low: number, high: number): number {
  return value < low ? low - value : value > high ? value - high : 0;
}
function farther(value: number, low: number, high: number): number {
  return value * 2 < low + high ? high - value : value - low;
}

type Box = readonly [lLow: number, lHigh: number, aLow: number, aHigh: number, bLow: number, bHigh: number];

/** The least and the greatest l, a and b that a colour of a cell can have: every step but the last only rises. */
function boxOf(red: number, green: number, blue: number, bits: number): Box {
  const first = 255 & ~((1 << (8 - bits)) - 1);
  const [low, high] = [(byte: number) => LINEAR[byte & first]!, (byte: number) => LINEAR[byte | (255 & ~first)]!].map((end) =>
    CONES.map(([r, g, b]) => Math.cbrt(r * end(red) + g * end(green) + b * end(blue))),
  );
  return AXES.flatMap((row) => [
    row.reduce((sum, factor, n) => sum + factor * (factor > 0 ? low![n]! : high![n]!), 0) - ROUNDING,
    row.reduce((sum, factor, n) => sum + factor * (factor > 0 ? high![n]! : low![n]!), 0) + ROUNDING,
  ]) as unknown as Box;
}
