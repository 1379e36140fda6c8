import { HARMONIES, oneHue, turned } from './harmony';
import { oklchHex, readColour } from '../colour/read';

/** Colours that follow from a set, to choose from side by side. */
export interface RelatedSet {
  readonly id: string;
  readonly label: string;
  /** `#rrggbb` each, as screens show it. */
  readonly colours: readonly string[];
}

type Oklch = readonly [l: number, c: number, h: number];

/**
 * The set as it is, muted, vivid, dark and light, and the harmonies of its leading colour, all in OKLCH and brought into
 * sRGB by chroma. @param colours CSS colours, the leading one first
 */
export function relatedSets(colours: readonly string[]): RelatedSet[] {
  const found = colours.map((css) => readColour(css)!.oklch);
  const [lead] = found;
  if (!lead) return [];
  const made = (id: string, label: string, set: readonly Oklch[]): RelatedSet => ({
    id,
    label,
    colours: set.map((colour) => oklchHex(colour)),
  });
  return [
    { id: 'found', label: 'As found', colours },
    made(
      'muted',
      'Muted',
      found.map(([l, c, h]) => [l, c * 0.45, h]),
    ),
    made(
      'vivid',
      'Vivid',
      found.map(([l, c, h]) => [l, c * 1.6, h]),
    ),
    made(
      'dark',
      'Dark',
      found.map(([l, c, h]) => [0.12 + l * 0.42, c * 0.9, h]),
    ),
    made(
      'light',
      'Light',
      found.map(([l, c, h]) => [0.72 + l * 0.24, c * 0.6, h]),
    ),
    ...HARMONIES.map(({ id, label, turns }) =>
      made(
        id,
        label,
        turns.map((turn) => turned(lead, turn)),
      ),
    ),
    made('one-hue', 'One hue', oneHue(lead)),
  ];
}
