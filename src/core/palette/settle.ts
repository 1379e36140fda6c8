import { hexDigits } from '../base/hex';
import { ciede2000 } from '../colour/difference';
import { showOklch } from '../colour/gamut';
import { oklabToBytes, type Oklab } from '../colour/oklab';
import { byte, readColour } from '../colour/read';
import {
  APART_AT_BEST,
  arrangementOf,
  chromaPart,
  evenness,
  huesPart,
  isLively,
  lightnessPart,
  meanScore,
  outside,
  separationPart,
  smoothnessPart,
  appearanceOf,
  type Evenness,
  type Appearance,
} from './evenness';
import { isAsSmooth, type Run } from './runs';

/** A colour on its way to be settled. */
export interface Unsettled {
  /** CSS colour. */
  readonly value: string;
  /** Where it stood before it was ever settled: from there its way is measured, so that settling again does not wander. */
  readonly origin?: string;
  readonly locked: boolean;
}

export interface Settled {
  /** CSS, in the order given; one that did not move is as it was authored. */
  readonly values: readonly string[];
  /** ΔE2000 of each from its origin. */
  readonly moved: readonly number[];
  readonly before: Evenness | null;
  readonly after: Evenness | null;
}

/** ΔE2000 that a colour may move by, when nothing else is said: a nudge that leaves it recognisable. */
export const SETTLE_LIMIT = 6;

/** Steps in OKLab with which a better place is looked for, from coarse to fine. */
const STEPS = [0.04, 0.02, 0.01, 0.005] as const;
/** Passes over the whole palette at most; most are at rest after fewer. */
const PASSES = 40;

/**
 * Nudges a whole palette so that its evenness rises. No colour moves farther than `limit` (ΔE2000)
 * from its origin, locked ones stay. Found by trying small steps of one colour at a time, each kept only if the score
 * rises: so it never falls, and where no step helps any more settling again changes nothing. Colours of a run take each step together, and
 * only one that leaves the run as smooth and as ordered as it was; a run with a locked colour stays. All is done on 8-bit colours,
 * as screens show them.
 */
export function settle(colours: readonly Unsettled[], limit: number = SETTLE_LIMIT, runs: readonly Run[] = []): Settled {
  const settling = new Settling(colours, limit, runs);
  settling.rest();
  return outcome(colours, settling.places(), runs);
}

/**
 * A share 0..1 of the way from a palette to its settled form. Part of a good way may be worse than its start; then the
 * longest shorter share that is not worse is taken.
 */
export function settledShare(colours: readonly Unsettled[], whole: Settled, share: number, runs: readonly Run[] = []): Settled {
  const ends = colours.map(({ value }, at) => [oklabOf(value), oklabOf(whole.values[at]!)] as const);
  for (let part = share; part > 0; part -= 0.05) {
    if (part >= 1) return whole;
    const values = ends.map(([from, to], at) => {
      if (whole.values[at] === colours[at]!.value) return null;
      return oklabToBytes(
        [0, 1, 2].map((channel) => from[channel]! + (to[channel]! - from[channel]!) * part) as unknown as Oklab,
      );
    });
    const result = outcome(colours, values, runs);
    const [before, after] = [colours.map(({ value }) => oklabOf(value)), result.values.map(oklabOf)];
    const isWorse = (result.after?.score ?? 0) < (result.before?.score ?? 0);
    if (!isWorse && runs.every((run) => isAsSmooth(run, before, after))) return result;
  }
  return outcome(
    colours,
    colours.map(() => null),
    runs,
  );
}

type Bytes = readonly [r: number, g: number, b: number];

function outcome(colours: readonly Unsettled[], places: readonly (Bytes | null)[], runs: readonly Run[]): Settled {
  const values = colours.map(({ value }, at) => {
    const place = places[at];
    return place ? hexOfBytes(place, readColour(value)!.alpha) : value;
  });
  return {
    values,
    moved: colours.map(({ value, origin }, at) =>
      ciede2000(appearanceOfCss(origin ?? value).lab, appearanceOfCss(values[at]!).lab),
    ),
    before: evenness(
      colours.map(({ value }) => value),
      runs,
    ),
    after: evenness(values, runs),
  };
}

function hexOfBytes(bytes: Bytes, alpha: number): string {
  const digits = alpha < 1 ? [...bytes, byte(alpha)] : bytes;
  return `#${hexDigits(digits)}`;
}

function bytesOfCss(css: string): Bytes {
  return readColour(css)!.rgb.map(byte) as unknown as Bytes;
}

function appearanceOfCss(css: string): Appearance {
  return appearanceOf(...bytesOfCss(css));
}

function oklabOf(css: string): Oklab {
  return appearanceOfCss(css).oklab;
}

/** A place on an 8-bit screen. */
interface Shown {
  readonly bytes: Bytes;
  readonly appearance: Appearance;
}

function shownAt([l, a, b]: Oklab): Shown {
  const { rgb } = showOklch(l, Math.sqrt(a * a + b * b), (Math.atan2(b, a) * 180) / Math.PI);
  const bytes: Bytes = [byte(rgb[0]), byte(rgb[1]), byte(rgb[2])];
  return { bytes, appearance: appearanceOf(...bytes) };
}

/** The palette while it is being settled: the score's parts are kept up as single colours move. */
class Settling {
  private readonly bytes: Bytes[];
  private readonly appearances: Appearance[];
  private readonly origins: Appearance[];
  /** ΔE2000 of every pair, row by row, where it is less than APART_AT_BEST. */
  private readonly distances: Float64Array;
  private readonly nearest: Float64Array;
  private lightness: Float64Array;
  private chroma: Float64Array;
  private arrangement: ReturnType<typeof arrangementOf>;
  /** Sums of chroma-weighted hue distances, and of the weights. */
  private hueSum = 0;
  private hueWeight = 0;
  private score = 0;
  private readonly count: number;
  /** As it is at the beginning; a run that is moved as one stays about as smooth. */
  private smoothness: number | null;
  private readonly start: readonly Oklab[];
  /** What takes a step together: a run, or one colour that belongs to none. */
  private readonly movable: readonly { readonly members: readonly number[]; readonly run?: Run }[];

  constructor(
    private readonly colours: readonly Unsettled[],
    private readonly limit: number,
    private readonly runs: readonly Run[],
  ) {
    this.count = colours.length;
    const inRun = new Set(runs.flatMap(({ members }) => members));
    const isFree = (at: number) => !colours[at]!.locked;
    this.movable = [
      ...colours.flatMap((_, at) => (inRun.has(at) || !isFree(at) ? [] : [{ members: [at] }])),
      ...runs.filter(({ members }) => members.every(isFree)).map((run) => ({ members: run.members, run })),
    ];
    this.bytes = colours.map(({ value }) => bytesOfCss(value));
    this.appearances = this.bytes.map((bytes) => appearanceOf(...bytes));
    this.origins = colours.map(({ value, origin }) => appearanceOfCss(origin ?? value));
    this.distances = new Float64Array(this.count * this.count).fill(APART_AT_BEST);
    for (let at = 0; at < this.count; at++) this.measure(at);
    this.nearest = Float64Array.from(this.appearances, (_, at) => this.least(at, -1, APART_AT_BEST));
    this.lightness = sorted(this.appearances.map(lightnessOf));
    this.chroma = sorted(this.appearances.map(({ chroma }) => chroma).filter(isLively));
    this.arrangement = arrangementOf(this.appearances);
    this.start = this.appearances.map(({ oklab }) => oklab);
    this.smoothness = smoothnessPart(runs, this.start);
  }

  /** Moves colours until no step makes the palette any better. */
  rest(): void {
    for (let pass = 0; pass < PASSES; pass++) {
      // Another arrangement may fit better by now; that only ever raises the score.
      this.arrangement = arrangementOf(this.appearances);
      [this.hueSum, this.hueWeight] = this.appearances.reduce(
        ([sum, weight], appearance) => [sum + this.hueShare(appearance), weight + weightOf(appearance)],
        [0, 0],
      );
      this.score = this.scoreOf(this.hueSum, this.hueWeight, this.lightness, this.chroma, total(this.nearest));
      let better = false;
      for (const step of STEPS)
        for (const { members, run } of this.movable)
          better = (run ? this.improveRun(run, step) : this.improve(members[0]!, step)) || better;
      if (!better) return;
    }
  }

  /** Where each colour has come to; null for one that did not move. */
  places(): (Bytes | null)[] {
    return this.bytes.map((bytes, at) => {
      const start = bytesOfCss(this.colours[at]!.value);
      return bytes.every((value, channel) => value === start[channel]) ? null : bytes;
    });
  }

  /** Lighter, darker, livelier, greyer, and both ways round in hue. @returns whether one of these was better */
  private improve(at: number, step: number): boolean {
    const { oklab, chroma, hue } = this.appearances[at]!;
    const angle = (hue * Math.PI) / 180;
    const [x, y] = [Math.cos(angle) * step, Math.sin(angle) * step];
    // A neutral has no hue to move along.
    const ways = chroma < 0.01 ? 2 : 6;
    let best: (Shown & { score: number }) | null = null;
    for (let way = 0; way < ways; way++) {
      const sign = way % 2 === 0 ? 1 : -1;
      const l = oklab[0] + (way < 2 ? sign * step : 0);
      const a = oklab[1] + (way < 2 ? 0 : way < 4 ? sign * x : -sign * y);
      const b = oklab[2] + (way < 2 ? 0 : way < 4 ? sign * y : sign * x);
      const { bytes, appearance } = shownAt([l, a, b]);
      if (ciede2000(this.origins[at]!.lab, appearance.lab) > this.limit) continue;
      const score = this.scoreWith(at, appearance, best?.score ?? this.score);
      if (score > (best?.score ?? this.score) + 1e-9) best = { bytes, appearance, score };
    }
    if (!best) return false;
    this.place(at, best.bytes, best.appearance);
    this.score = best.score;
    return true;
  }

  /** As for one colour: all lighter or darker by a step, turned by one angle, or livelier or greyer by one factor. */
  private improveRun(run: Run, step: number): boolean {
    const most = Math.max(...run.members.map((at) => this.appearances[at]!.chroma));
    const part = step / Math.max(most, 0.01);
    const ways = most < 0.01 ? 2 : 6;
    let best: { readonly places: readonly Shown[]; readonly score: number } | null = null;
    for (let way = 0; way < ways; way++) {
      const sign = way % 2 === 0 ? 1 : -1;
      const places = run.members.map((at) => {
        const { oklab, chroma, hue } = this.appearances[at]!;
        const length = way === 2 || way === 3 ? chroma * (1 + sign * part) : chroma;
        const angle = (hue * Math.PI) / 180 + (way > 3 ? sign * part : 0);
        return shownAt([oklab[0] + (way < 2 ? sign * step : 0), Math.cos(angle) * length, Math.sin(angle) * length]);
      });
      const after = [...this.start];
      run.members.forEach((at, index) => (after[at] = places[index]!.appearance.oklab));
      const isFar = run.members.some((at, index) => ciede2000(this.origins[at]!.lab, places[index]!.appearance.lab) > this.limit);
      if (isFar || !isAsSmooth(run, this.start, after)) continue;
      const score = this.scoreWithAll(run.members, places);
      if (score > (best?.score ?? this.score) + 1e-9) best = { places, score };
    }
    if (!best) return false;
    this.placeAll(run.members, best.places);
    this.score = best.score;
    return true;
  }

  /** The score if several stood elsewhere: they are put there, and back. */
  private scoreWithAll(members: readonly number[], places: readonly Shown[]): number {
    const back = members.map((at): Shown => ({ bytes: this.bytes[at]!, appearance: this.appearances[at]! }));
    this.placeAll(members, places);
    const score = this.scoreOf(this.hueSum, this.hueWeight, this.lightness, this.chroma, total(this.nearest));
    this.placeAll(members, back);
    return score;
  }

  private placeAll(members: readonly number[], places: readonly Shown[]): void {
    members.forEach((at, index) => this.place(at, places[index]!.bytes, places[index]!.appearance));
    this.smoothness = smoothnessPart(
      this.runs,
      this.appearances.map(({ oklab }) => oklab),
    );
  }

  /** The score if one colour stood elsewhere; something not above `enough` as soon as it is clear that it is not above. */
  private scoreWith(at: number, appearance: Appearance, enough: number): number {
    const was = this.appearances[at]!;
    const hueSum = this.hueSum - this.hueShare(was) + this.hueShare(appearance);
    const hueWeight = this.hueWeight - weightOf(was) + weightOf(appearance);
    const lightness = exchanged(this.lightness, lightnessOf(was), lightnessOf(appearance));
    const chroma = exchanged(this.chroma, was.chroma, appearance.chroma, isLively);
    const nearest = total(this.nearest);
    // At most all whom it stood nearest to, and itself, are far enough from their nearest afterwards.
    let most = nearest + APART_AT_BEST - this.nearest[at]!;
    for (let other = 0; other < this.count; other++) {
      if (other !== at && this.distances[other * this.count + at] === this.nearest[other])
        most += APART_AT_BEST - this.nearest[other]!;
    }
    const bound = this.scoreOf(hueSum, hueWeight, lightness, chroma, most);
    return bound <= enough ? bound : this.scoreOf(hueSum, hueWeight, lightness, chroma, this.nearestWith(at, appearance));
  }

  private scoreOf(hueSum: number, hueWeight: number, lightness: Float64Array, chroma: Float64Array, nearest: number): number {
    const hues = huesPart(hueSum, hueWeight, this.arrangement.arrangement);
    return meanScore({
      hues,
      lightness: lightnessPart(lightness),
      chroma: chromaPart(chroma),
      separation: separationPart(nearest, this.count),
      smoothness: this.smoothness,
    });
  }

  private hueShare({ chroma, hue }: Appearance): number {
    return isLively(chroma) ? chroma * outside(this.arrangement.arrangement, this.arrangement.turn, hue) : 0;
  }

  /** Sum of the distances of all to their nearest, if one stood elsewhere. */
  private nearestWith(moved: number, appearance: Appearance): number {
    let sum = 0;
    let least = APART_AT_BEST;
    for (let at = 0; at < this.count; at++) {
      if (at === moved) continue;
      const distance = distanceOf(appearance, this.appearances[at]!);
      if (distance < least) least = distance;
      const nearest = this.nearest[at]!;
      const lost = distance > nearest && this.distances[at * this.count + moved] === nearest;
      sum += lost ? this.least(at, moved, distance) : Math.min(nearest, distance);
    }
    return sum + least;
  }

  /** The least distance of one to all others but `except`, or `least` if that is less. */
  private least(at: number, except: number, least: number): number {
    for (let other = 0; other < this.count; other++) {
      const distance = this.distances[at * this.count + other]!;
      if (other !== except && distance < least) least = distance;
    }
    return least;
  }

  private measure(moved: number): void {
    for (let at = 0; at < this.count; at++) {
      if (at === moved) continue;
      const distance = distanceOf(this.appearances[moved]!, this.appearances[at]!);
      this.distances[at * this.count + moved] = distance;
      this.distances[moved * this.count + at] = distance;
    }
  }

  private place(at: number, bytes: Bytes, appearance: Appearance): void {
    const was = this.appearances[at]!;
    this.hueSum += this.hueShare(appearance) - this.hueShare(was);
    this.hueWeight += weightOf(appearance) - weightOf(was);
    this.lightness = exchanged(this.lightness, lightnessOf(was), lightnessOf(appearance));
    this.chroma = exchanged(this.chroma, was.chroma, appearance.chroma, isLively);
    this.bytes[at] = bytes;
    this.appearances[at] = appearance;
    this.measure(at);
    for (let other = 0; other < this.count; other++) this.nearest[other] = this.least(other, -1, APART_AT_BEST);
  }
}

/** ΔE2000, and APART_AT_BEST for any more: L* alone tells most of the far ones, as its weight in the formula is at most 1.75. */
function distanceOf(one: Appearance, two: Appearance): number {
  if (Math.abs(one.lab[0] - two.lab[0]) > 1.75 * APART_AT_BEST) return APART_AT_BEST;
  return Math.min(APART_AT_BEST, ciede2000(one.lab, two.lab));
}

function lightnessOf({ oklab }: Appearance): number {
  return oklab[0];
}

function weightOf({ chroma }: Appearance): number {
  return isLively(chroma) ? chroma : 0;
}

function sorted(values: readonly number[]): Float64Array {
  return Float64Array.from(values).sort();
}

function total(values: Float64Array): number {
  let sum = 0;
  for (let at = 0; at < values.length; at++) sum += values[at]!;
  return sum;
}

/** A sorted list with one value less and one more, as far as they count at all. */
function exchanged(list: Float64Array, out: number, put: number, counts: (value: number) => boolean = () => true): Float64Array {
  const [loses, gains] = [counts(out), counts(put)];
  const next = new Float64Array(list.length - Number(loses) + Number(gains));
  let from = 0;
  let lost = !loses;
  let gained = !gains;
  for (let to = 0; to < next.length; to++) {
    if (!lost && list[from] === out) {
      lost = true;
      from++;
    }
    if (!gained && (from >= list.length || put <= list[from]!)) {
      gained = true;
      next[to] = put;
    } else next[to] = list[from++]!;
  }
  return next;
}
