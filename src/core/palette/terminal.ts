import { hueTurn } from '../colour/hue';
import { unit } from '../base/clamp';
import { contrastRatio, nearestPassing } from '../colour/contrast';
import { maxChroma } from '../colour/gamut';
import { oklchHex, readColour, type ReadColour } from '../colour/read';
import { xorshift } from './random';

/** The eight standard terminal colours in their order (ECMA-48's set of colours); each has a bright partner. */
export const TERMINAL_COLOURS = ['black', 'red', 'green', 'yellow', 'blue', 'magenta', 'cyan', 'white'] as const;
export type TerminalColour = (typeof TERMINAL_COLOURS)[number];

/** The hue in degrees (OKLCH) that each of the six with a hue is looked for at: that of the screen's own primaries. */
const HUES = { red: 27, green: 145, yellow: 100, blue: 262, magenta: 330, cyan: 205 } as const;
type Hued = keyof typeof HUES;
const HUED = Object.keys(HUES) as Hued[];

export interface Terminal {
  /** CSS colours to make it from, any number; none gives a set of our own. */
  readonly from: readonly string[];
  readonly ground: 'dark' | 'light';
  /** Another number gives the roles to other colours of the palette, where several fit; 0 the best fit. */
  readonly seed: number;
  /** Steps lighter (above 0) or darker, -5..5, of all but the ground. */
  readonly lift: number;
}

export interface TerminalRole {
  /** "red", "bright red", "ground", "text", "cursor". */
  readonly role: string;
  /** `#rrggbb`. */
  readonly value: string;
  /** The palette's colour it was made from; null where the palette has none that fits. */
  readonly from: string | null;
}

/** WCAG contrast on the ground of text, of each colour, and of the two that stand back on purpose. */
const LEGIBLE = { text: 7, colour: 4.5, back: 1.25 } as const;
/** A colour farther from a role's hue than this (degrees) is not taken for it. */
const REACH = 42;
/** Chroma (OKLCH) below which a colour has no hue to be known by. */
const NEUTRAL = 0.03;
const LIFT_STEP = 0.03;

type Oklch = ReadColour['oklch'];

/**
 * The sixteen terminal colours, ground, text and cursor from any palette. The six hues go to the colours that are nearest,
 * each used once, so that the sum of the distances is least; a role that none fits gets its own hue, leant towards the
 * palette's, in the palette's lightness and chroma, so that a palette of one hue still gives six that differ. All but
 * black (on dark) or white (on light) can be read on the ground.
 */
export function terminal({ from, ground, seed, lift }: Terminal): TerminalRole[] {
  const colours = from.map((css) => ({ css, oklch: readColour(css)!.oklch }));
  const lively = colours.filter(({ oklch }) => oklch[1] >= NEUTRAL);
  const lead = lively.reduce<Oklch | null>((best, { oklch }) => (best && best[1] >= oklch[1] ? best : oklch), null);
  const dark = ground === 'dark';
  const chroma = median(lively.map(({ oklch }) => oklch[1])) ?? 0.12;
  const base = background(
    colours.map(({ oklch }) => oklch),
    dark,
    lead?.[2] ?? 0,
  );
  const under = readColour(oklchHex(base))!;
  const on = ([l, c, h]: Oklch, contrast: number): ReadColour => {
    const lifted = readColour(oklchHex([unit(l + lift * LIFT_STEP), c, h]))!;
    if (contrastRatio(lifted, under) >= contrast) return lifted;
    return nearestPassing(lifted, [under], contrast) ?? readColour(dark ? '#ffffff' : '#000000')!;
  };
  const taken = assign(lively, seed);
  const hued = HUED.map((name): readonly [Hued, TerminalRole, TerminalRole] => {
    const source = taken.get(name);
    const [l, c, h] = source?.oklch ?? madeUp(HUES[name], lead, chroma, dark);
    const normal = on([l, c, h], LEGIBLE.colour);
    // The partner stands out more from the ground, and never less.
    const bright = on(brighter(normal.oklch, dark), Math.max(LEGIBLE.colour, contrastRatio(normal, under)));
    const css = source?.css ?? null;
    return [name, { role: name, value: normal.hex, from: css }, { role: `bright ${name}`, value: bright.hex, from: css }];
  });
  const grey = (l: number, contrast: number) => on([l, Math.min(0.015, base[1]), base[2]], contrast).hex;
  const role = (name: string, value: string, css: string | null = null): TerminalRole => ({ role: name, value, from: css });
  const normal = new Map(hued.map(([name, colour]) => [name, colour]));
  const bright = new Map(hued.map(([name, , two]) => [name, two]));
  const greys = dark
    ? {
        black: grey(base[0] + 0.1, LEGIBLE.back),
        'bright black': grey(0.55, 3),
        white: grey(0.84, LEGIBLE.text),
        'bright white': grey(0.97, LEGIBLE.text),
      }
    : {
        black: grey(0.25, LEGIBLE.text),
        'bright black': grey(0.45, LEGIBLE.colour),
        white: grey(base[0] - 0.1, LEGIBLE.back),
        'bright white': grey(0.72, 1.8),
      };
  const sixteen = (kind: 'normal' | 'bright') =>
    TERMINAL_COLOURS.map((name) => {
      const found = (kind === 'normal' ? normal : bright).get(name as Hued);
      const label = kind === 'normal' ? name : (`bright ${name}` as const);
      return found ?? role(label, greys[label as keyof typeof greys]);
    });
  const text = grey(dark ? 0.9 : 0.28, LEGIBLE.text);
  const cursor = lead ? on(lead, LEGIBLE.colour).hex : text;
  return [...sixteen('normal'), ...sixteen('bright'), role('ground', under.hex), role('text', text), role('cursor', cursor)];
}

/** The darkest (or lightest) of the palette, brought to where a ground can be; with no palette plain. */
function background(colours: readonly Oklch[], dark: boolean, hue: number): Oklch {
  const extreme = colours.reduce<Oklch | null>(
    (best, colour) => (best && (dark ? best[0] <= colour[0] : best[0] >= colour[0]) ? best : colour),
    null,
  );
  const [l, c, h] = extreme ?? [dark ? 0.18 : 0.98, 0, hue];
  return dark
    ? [Math.min(0.24, Math.max(0.14, l)), Math.min(0.04, c), h]
    : [Math.max(0.95, Math.min(0.985, l)), Math.min(0.02, c), h];
}

function brighter([l, c, h]: Oklch, dark: boolean): Oklch {
  const lightness = dark ? Math.min(0.93, l + 0.1) : Math.max(0.2, l - 0.1);
  return [lightness, Math.min(c * 1.1, maxChroma(lightness, h)), h];
}

/** A colour for a role that the palette has none for: the role's hue, a quarter of the way towards the palette's own. */
function madeUp(hue: number, lead: Oklch | null, chroma: number, dark: boolean): Oklch {
  const leant = lead ? hue + hueTurn(hue, lead[2]) * 0.18 : hue;
  const lightness = dark ? 0.72 : 0.5;
  const turned = (leant + 360) % 360;
  return [lightness, Math.min(Math.max(0.07, chroma), maxChroma(lightness, turned)), turned];
}

type Source = { readonly css: string; readonly oklch: Oklch };

/** Which colour plays which hue: the choice with the least sum of distances, each colour at most once. */
function assign(lively: readonly Source[], seed: number): Map<Hued, Source> {
  const random = xorshift(seed);
  // A shuffle blurs the fit, so that another colour that also fits may win.
  const cost = new Map(
    HUED.map((name) => [
      name,
      lively.map(({ oklch: [, c, h] }) => {
        const away = Math.abs(hueTurn(HUES[name], h));
        return away > REACH ? Infinity : away - 60 * Math.min(0.2, c) + (seed === 0 ? 0 : random() * REACH);
      }),
    ]),
  );
  let best: { sum: number; places: (number | null)[] } = { sum: Infinity, places: [] };
  const places: (number | null)[] = [];
  const used = new Set<number>();
  const search = (at: number, sum: number) => {
    if (sum >= best.sum) return;
    if (at === HUED.length) {
      best = { sum, places: [...places] };
      return;
    }
    const row = cost.get(HUED[at]!)!;
    // Of many colours only the best few can be part of the best choice: the others' turns can take at most five of them.
    const few = row
      .map((_, n) => n)
      .filter((n) => row[n]! < Infinity)
      .sort((one, two) => row[one]! - row[two]!)
      .slice(0, HUED.length);
    for (const n of [...few.filter((place) => !used.has(place)), null]) {
      places.push(n);
      if (n !== null) used.add(n);
      search(at + 1, sum + (n === null ? REACH : row[n]!) + 2 * REACH);
      if (n !== null) used.delete(n);
      places.pop();
    }
  };
  search(0, 0);
  return new Map(best.places.flatMap((n, at) => (n === null ? [] : [[HUED[at]!, lively[n]!] as const])));
}

function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((one, two) => one - two);
  return sorted.length === 0 ? null : sorted[sorted.length >> 1]!;
}
