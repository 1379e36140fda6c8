import { labD65 } from './lab';
import type { ReadColour } from './read';

/**
 * Hue words of the ISCC–NBS system round the circle, each up to an angle of OKLCH in degrees, for light, middle and dark
 * colours. The words and their neighbours are the system's (Kelly and Judd, "Color: Universal Language and Dictionary of
 * Names", NBS Special Publication 440, 1976); the system draws its borders in Munsell's notation, ours are fitted to its
 * published central colours.
 */
const HUES: readonly (readonly [upTo: number, light: string, middle: string, dark: string])[] = [
  [3, 'pink', 'purplish red', 'purplish red'],
  [30, 'pink', 'red', 'red'],
  [43, 'yellowish pink', 'reddish orange', 'reddish brown'],
  [66, 'orange', 'orange', 'brown'],
  [84, 'orange yellow', 'orange yellow', 'yellowish brown'],
  [100, 'yellow', 'yellow', 'olive brown'],
  [113, 'greenish yellow', 'greenish yellow', 'olive'],
  [131, 'yellow green', 'yellow green', 'olive green'],
  [149, 'yellowish green', 'yellowish green', 'yellowish green'],
  [172, 'green', 'green', 'green'],
  [200, 'bluish green', 'bluish green', 'bluish green'],
  [222, 'greenish blue', 'greenish blue', 'greenish blue'],
  [268, 'blue', 'blue', 'blue'],
  [286, 'purplish blue', 'purplish blue', 'purplish blue'],
  [306, 'violet', 'violet', 'violet'],
  [326, 'purple', 'purple', 'purple'],
  [345, 'purplish pink', 'reddish purple', 'reddish purple'],
  [360, 'purplish pink', 'purplish red', 'purplish red'],
];

/** Hue words as they stand before white, grey and black. */
const TINGES: readonly (readonly [upTo: number, tinge: string])[] = [
  [45, 'pinkish'],
  [80, 'brownish'],
  [115, 'yellowish'],
  [180, 'greenish'],
  [285, 'bluish'],
  [345, 'purplish'],
  [360, 'pinkish'],
];

/** Lightness L* that parts white, light grey, grey, dark grey and black: Munsell values 8.5, 6.5, 4.5 and 2.5. */
const VALUES = { white: 85, light: 66, middle: 46, dark: 25 } as const;
/** Chroma (Lab, D65, weighted) up to which a colour is a grey, then a grey with a tinge, then greyish, moderate and strong. */
const CHROMAS = { none: 1.7, tinge: 7, greyish: 17, moderate: 34, strong: 51 } as const;

/** Munsell's chroma, by which the system goes, against that of Lab: by hue up to an angle of OKLCH in degrees. */
const WEIGHTS: readonly (readonly [upTo: number, weight: number])[] = [
  [32, 0.8],
  [62, 0.82],
  [131, 0.66],
  [149, 0.9],
  [172, 1.1],
  [200, 1.45],
  [245, 1.35],
  [345, 1],
  [360, 0.9],
];

/**
 * What a colour is called in plain words, such as "light yellow", "dark greyish blue" or "greenish black": the modifiers and
 * hue words of the ISCC–NBS system's third level. A suggestion, of which many near colours have the same.
 */
export function plainName(colour: ReadColour): string {
  const [lightness, a, b] = labD65(colour);
  const hue = colour.oklch[2];
  const chroma = Math.hypot(a, b) * upTo(WEIGHTS, hue)[1];
  if (chroma < CHROMAS.none) return greyName(lightness);
  if (chroma < CHROMAS.tinge) {
    const tinge = upTo(TINGES, hue)[1];
    // What is tinged with brown by night is so with pink by day.
    const fair = tinge === 'brownish' && lightness >= VALUES.light ? 'yellowish' : tinge;
    return tinged(fair, greyName(lightness));
  }
  const [, light, middle, dark] = upTo(HUES, hue);
  const isLight = lightness >= (chroma > CHROMAS.strong ? 80 : VALUES.light);
  const name = isLight ? light : lightness >= darkFrom(hue) ? middle : dark;
  return [modifier(lightness, chroma, name), name].filter(Boolean).join(' ');
}

/** The plain name as a swatch would have it: "Light yellow". */
export function plainTitle(colour: ReadColour): string {
  const name = plainName(colour);
  return name.charAt(0).toUpperCase() + name.slice(1);
}

/** Oranges and yellows turn brown and olive far earlier than reds and blues turn dark. */
function darkFrom(hue: number): number {
  if (hue >= 30 && hue < 66) return hue < 43 ? 45 : 58;
  if (hue >= 66 && hue < 131) return 56;
  return VALUES.dark;
}

function modifier(lightness: number, chroma: number, name: string): string {
  const brown = /brown|olive/.test(name);
  if (lightness < VALUES.dark) {
    if (chroma < CHROMAS.greyish * 0.7) return 'blackish';
    return chroma < CHROMAS.moderate ? (lightness < 15 ? 'very dark' : 'dark') : lightness < 15 ? 'very deep' : 'deep';
  }
  if (lightness < 42) {
    if (chroma < CHROMAS.greyish) return lightness < 35 ? 'dark greyish' : 'greyish';
    if (chroma < CHROMAS.moderate) return brown || lightness >= 38 ? 'moderate' : 'dark';
    return chroma < CHROMAS.strong ? (brown ? 'strong' : 'deep') : 'vivid';
  }
  if (lightness < VALUES.light) {
    if (chroma < CHROMAS.greyish) return brown ? 'light greyish' : 'greyish';
    if (chroma < CHROMAS.moderate) return brown ? 'light' : 'moderate';
    return chroma < CHROMAS.strong ? 'strong' : 'vivid';
  }
  if (lightness < 79) {
    if (chroma < CHROMAS.greyish) return 'pale';
    if (chroma < CHROMAS.moderate) return 'light';
    return chroma < CHROMAS.strong ? 'brilliant' : 'vivid';
  }
  if (chroma < CHROMAS.greyish) return 'very pale';
  if (chroma < CHROMAS.moderate) return /yellow|orange|pink/.test(name) ? 'light' : 'very light';
  return chroma < CHROMAS.strong ? 'brilliant' : 'vivid';
}

function greyName(lightness: number): string {
  if (lightness >= VALUES.white) return 'white';
  if (lightness >= VALUES.light) return 'light grey';
  if (lightness >= VALUES.middle) return 'grey';
  return lightness >= VALUES.dark ? 'dark grey' : 'black';
}

/** "dark grey" with a tinge is "dark bluish grey". */
function tinged(tinge: string, grey: string): string {
  const words = grey.split(' ');
  return [...words.slice(0, -1), tinge, words.at(-1)!].join(' ');
}

function upTo<T extends readonly [number, ...unknown[]]>(list: readonly T[], hue: number): T {
  return list.find(([angle]) => hue < angle) ?? list.at(-1)!;
}
