import type { Oklab } from '../colour/oklab';
import { byte, readColour } from '../colour/read';
import { bytesToOklab } from '../colour/oklab';

/** Colours that belong together as a curve: they are moved as one, or not at all. */
export interface Run {
  /** Places in the palette, in order. */
  readonly members: readonly number[];
  /** Its parts that are a smooth way each: all of it, or the two arms of a diverging palette with the middle in both. */
  readonly arms: readonly (readonly number[])[];
}

/** Fewer than these are no curve. */
const LEAST = 3;

/**
 * What belongs together in a palette: all of a sequential or diverging one; of any other, each row whose lightness rises or falls from
 * member to member, such as a ramp or a ladder of shades.
 */
export function runsOf(kind: string, swatches: readonly { readonly value: string; readonly row?: string | undefined }[]): Run[] {
  const lightness = swatches.map(({ value }) => oklabOf(value)[0]);
  const all = swatches.map((_, at) => at);
  if (kind === 'sequential') return all.length < LEAST ? [] : [{ members: all, arms: [all] }];
  if (kind === 'diverging') {
    if (all.length < LEAST) return [];
    const ends = (lightness[0]! + lightness.at(-1)!) / 2;
    const middle = all.slice(1, -1).reduce((best, at) => (away(at) > away(best) ? at : best), 1);
    return [{ members: all, arms: [all.slice(0, middle + 1), all.slice(middle)] }];
    function away(at: number): number {
      return Math.abs(lightness[at]! - ends);
    }
  }
  const rows: number[][] = [];
  swatches.forEach(({ row }, at) => {
    if (row === undefined) return;
    if (at > 0 && swatches[at - 1]!.row === row) rows.at(-1)!.push(at);
    else rows.push([at]);
  });
  return rows
    .filter((row) => row.length >= LEAST && direction(row.map((at) => lightness[at]!)) !== 0)
    .map((row) => ({ members: row, arms: [row] }));
}

/** 1 when each is greater than the one before, -1 when each is less, otherwise 0. */
function direction(values: readonly number[]): number {
  const signs = new Set(values.slice(1).map((value, at) => Math.sign(value - values[at]!)));
  return signs.size === 1 ? [...signs][0]! : 0;
}

/** Part of a step by which a colour may miss the middle of its neighbours until nothing is left of the measure. */
const ROUGH = 0.5;

/**
 * How smooth a way through OKLab is, 0..100: 100 × (1 − d / 0.5), not below 0; d is the root mean square of what each colour misses the
 * middle of its neighbours by, in mean steps. Equal steps on a straight line are 100, a zigzag is 0.
 */
export function smoothness(way: readonly Oklab[]): number {
  if (way.length < LEAST) return 100;
  let steps = 0;
  for (let at = 1; at < way.length; at++) steps += distance(way[at]!, way[at - 1]!);
  const step = steps / (way.length - 1);
  if (step === 0) return 100;
  let sum = 0;
  for (let at = 1; at < way.length - 1; at++) {
    const [before, here, after] = [way[at - 1]!, way[at]!, way[at + 1]!];
    const middle = before.map((value, channel) => (value + after[channel]!) / 2) as unknown as Oklab;
    sum += distance(here, middle) ** 2;
  }
  return 100 * Math.max(0, 1 - Math.sqrt(sum / (way.length - 2)) / step / ROUGH);
}

function distance(one: Oklab, two: Oklab): number {
  return Math.hypot(one[0] - two[0], one[1] - two[1], one[2] - two[2]);
}

/** The mean of its arms. @param oklab of the whole palette */
export function runSmoothness({ arms }: Run, oklab: readonly Oklab[]): number {
  return arms.reduce((sum, arm) => sum + smoothness(arm.map((at) => oklab[at]!)), 0) / arms.length;
}

/** Whether a run is as smooth as it was, and each arm's lightness goes the way it went. @param before and after: of the whole palette */
export function isAsSmooth(run: Run, before: readonly Oklab[], after: readonly Oklab[]): boolean {
  const way = (arm: readonly number[], oklab: readonly Oklab[]) => direction(arm.map((at) => oklab[at]![0]));
  return (
    run.arms.every((arm) => way(arm, before) === 0 || way(arm, before) === way(arm, after)) &&
    runSmoothness(run, after) >= runSmoothness(run, before)
  );
}

/** As an 8-bit screen shows it. */
function oklabOf(css: string): Oklab {
  const [r, g, b] = readColour(css)!.rgb;
  return bytesToOklab(byte(r), byte(g), byte(b));
}
