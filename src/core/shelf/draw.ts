import { slug } from '../base/words';
import { oklchHex } from '../colour/read';
import type { ShelfKind, ShelfPalette } from './shelf-palette';

/** Chroma (OKLCH, 0..0.4) and hue in degrees. Hues may run past 360 or below 0, to say which way round. */
export type Tint = readonly [chroma: number, hue: number];

/** A palette of our own. The tags are one text with commas. */
export function starter(kind: ShelfKind, name: string, tags: string, colours: ShelfPalette['colours'], note = ''): ShelfPalette {
  return { id: slug(name), name, kind, tags: tags.split(', '), maker: 'Breakwater', note, colours };
}

/** Named colours from one text: "Pilot 58 14 250, Rust 60 15 45" is name, lightness in %, chroma in %, hue in degrees. */
export function coloursIn(text: string): ShelfPalette['colours'] {
  return text.split(', ').map((entry) => {
    const parts = entry.trim().split(' ');
    const [l, c, h] = parts.slice(-3).map(Number) as [number, number, number];
    return { name: parts.slice(0, -3).join(' '), value: shown(l / 100, c / 100, h) };
  });
}

/** Even steps of lightness from one end to the other, while chroma and hue follow the tints at equal distances. */
export function series(count: number, from: number, to: number, tints: readonly Tint[]): string[] {
  return Array.from({ length: count }, (_, at) => {
    const share = count === 1 ? 0 : at / (count - 1);
    const place = share * (tints.length - 1);
    const left = Math.min(tints.length - 2, Math.floor(place));
    const [one, two] = [tints[left]!, tints[left + 1]!];
    const mix = (a: number, b: number) => a + (b - a) * (place - left);
    return shown(from + (to - from) * share, mix(one[0], two[0]), mix(one[1], two[1]));
  });
}

/** A series out from the middle on both sides, mirrored in lightness; `count` is odd. */
export function arms(count: number, middle: number, end: number, low: readonly Tint[], high: readonly Tint[]): string[] {
  const half = (count + 1) / 2;
  const arm = (tints: readonly Tint[]) => series(half, middle, end, tints);
  return [...arm(low).reverse(), ...arm(high).slice(1)];
}

/** Swatches by number, from 1 or from a first step up. */
export function numbered(values: readonly string[], first = 1): ShelfPalette['colours'] {
  return values.map((value, at) => ({ name: String(at + first), value }));
}

/** Steps of a shade ladder (common practice): 50, then 100 to 900 in hundreds. */
const SHADES = [50, 100, 200, 300, 400, 500, 600, 700, 800, 900] as const;
/** OKLCH lightness of each step, and its share of the family's chroma, which is fullest in the middle. */
const LADDER = { from: 0.975, to: 0.25, chroma: [0.12, 0.22, 0.42, 0.66, 0.88, 1, 1, 0.9, 0.74, 0.56] } as const;

/** A family of ten shades about one hue, which may turn towards its dark end. */
export function ladder(chroma: number, light: number, dark = light): ShelfPalette['colours'] {
  const tints = LADDER.chroma.map((share, at): Tint => [chroma * share, light + ((dark - light) * at) / 9]);
  const values = series(SHADES.length, LADDER.from, LADDER.to, tints);
  return values.map((value, at) => ({ name: String(SHADES[at]), value }));
}

/** Ramps from one text: "Water 5 20 6 270 85 9 195" is name, steps, then lightness %, chroma %, hue of shadow and light. */
export function ramps(text: string): ShelfPalette['colours'] {
  return text.split(', ').flatMap((entry) => {
    const [name, ...numbers] = entry.trim().split(' ');
    const [steps, l1, c1, h1, l2, c2, h2] = numbers.map(Number) as [number, number, number, number, number, number, number];
    const middle: Tint = [(Math.max(c1, c2) * 1.15) / 100, (h1 + h2) / 2];
    const values = series(steps, l1 / 100, l2 / 100, [[c1 / 100, h1], middle, [c2 / 100, h2]]);
    return values.map((value, at) => ({ name: `${name} ${at + 1}`, value }));
  });
}

function shown(lightness: number, chroma: number, hue: number): string {
  return oklchHex([lightness, chroma, ((hue % 360) + 360) % 360]);
}
