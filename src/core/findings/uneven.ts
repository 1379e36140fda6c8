import type { Step } from '../brand/commands/commands';
import type { Palette } from '../brand/document/palette-shape';
import { deltaE2000 } from '../colour/difference';
import { hexDigits } from '../base/hex';
import { oklabToBytes } from '../colour/oklab';
import { readColour } from '../colour/read';
import { evenPlaces } from '../palette/even-steps';
import { finding, type Rule } from './finding';
import { LEAST, stepsOf } from './series';
import { worst } from './worst';

/** How many times its shortest step a series' longest may be. Ours: the published ramps of ColorBrewer keep below 4.9. */
export const UNEVEN = 5;
/** Steps of more classes than these are smaller than what rounding to 8 bits does to them. */
const MOST_CLASSES = 16;

/** Sequential palettes with steps so unequal that some classes run together where others jump. */
export const uneven: Rule = {
  id: 'uneven',
  title: 'Series with unequal steps',
  looksAt: ['palettes'],
  find: ({ palettes }, known) =>
    worst(
      palettes
        .flatMap((palette) => {
          const count = palette.swatches.length;
          if (palette.kind !== 'sequential' || count < LEAST || count > MOST_CLASSES) return [];
          const steps = stepsOf(palette);
          const ratio = Math.max(...steps) / Math.max(0.01, Math.min(...steps));
          return ratio > UNEVEN ? [{ palette, steps, ratio }] : [];
        })
        .sort((one, two) => two.ratio - one.ratio),
      ({ palette, steps, ratio }) => {
        const at = steps.indexOf(Math.min(...steps));
        const [one, two] = [palette.swatches[at]!, palette.swatches[at + 1]!];
        const value = Math.ceil(ratio * 10) / 10;
        return finding(
          'uneven',
          'warning',
          `${palette.name}: its longest step is ${value.toFixed(1)} times its shortest, from ${one.name} to ${two.name}; ${UNEVEN} times is the most.`,
          { palette: palette.id, swatches: [one.id, two.id] },
          { value, limit: UNEVEN, name: palette.name },
        );
      },
      known,
    ),
  mend: {
    all: 'Make all steps equal',
    offer: ({ data }) => `Make the steps of ${data.name} equal`,
    command(brand, findings, label) {
      const steps = findings.flatMap(({ subject }) => {
        const palette = brand.palettes.find(({ id }) => id === subject.palette);
        return palette ? evened(palette) : [];
      });
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};

/** Moves the swatches along the way that they stand on, through OKLab, to equal steps of ΔE2000. */
function evened({ swatches }: Palette): Step[] {
  const corners = swatches.map(({ value }) => {
    const [l, c, h] = readColour(value)!.oklch;
    return [l, c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180)] as const;
  });
  const at = (place: number) => {
    const exact = place * (corners.length - 1);
    const first = Math.min(corners.length - 2, Math.floor(exact));
    const share = exact - first;
    const [l, a, b] = corners[first]!.map((value, channel) => value + (corners[first + 1]![channel]! - value) * share) as [
      number,
      number,
      number,
    ];
    return `#${hexDigits(oklabToBytes([l, a, b]))}`;
  };
  const shares = swatches.slice(1).map((_, n) => (n + 1) / (swatches.length - 1));
  const places = [0, ...evenPlaces(shares, (from, to) => deltaE2000(at(from), at(to)))];
  return swatches.flatMap(({ id, locked, value }, n): Step[] => {
    const moved = at(places[n]!);
    return locked || moved === readColour(value)!.hex ? [] : [{ do: 'swatch.edit', id, set: { value: moved } }];
  });
}
