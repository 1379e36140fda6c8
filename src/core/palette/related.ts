import { showOklch } from '../colour/gamut';
import { hexOf, readColour } from '../colour/read';

/** Colours that follow from a set, to choose from side by side. */
export interface RelatedSet {
  readonly id: string;
  readonly label: string;
  /** `#rrggbb` each, as screens show it. */
  readonly colours: readonly string[];
}

type Oklch = readonly [l: number, c: number, h: number];

/** Turns of the hue in degrees by which harmonies are known (common practice). */
const HARMONIES = [
  { id: 'complement', label: 'Complement', turns: [0, 180] },
  { id: 'split', label: 'Split complement', turns: [0, 150, 210] },
  { id: 'analogous', label: 'Analogous', turns: [0, -30, 30, -60, 60] },
  { id: 'triad', label: 'Triad', turns: [0, 120, 240] },
  { id: 'tetrad', label: 'Tetrad', turns: [0, 90, 180, 270] },
] as const;

/** Lightness and chroma of the steps of a set in one hue, as shares of the leading colour's. */
const ONE_HUE = [0.55, 0.75, 1, 1.2, 1.4] as const;

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
    colours: set.map(([l, c, h]) => hexOf(showOklch(l, c, h).rgb)),
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
    made(
      'one-hue',
      'One hue',
      ONE_HUE.map((share) => [Math.min(0.96, lead[0] * share), lead[1] * Math.min(1, 2 - share), lead[2]]),
    ),
  ];
}

function turned([l, c, h]: Oklch, turn: number): Oklch {
  return [l, c, (h + turn + 360) % 360];
}
