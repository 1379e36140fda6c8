import { finding, type Rule } from './finding';
import { evenly, LEAST, lightnessOf, relit } from './series';
import { worst } from './worst';

/** Range of OKLab lightness that a series is given where its ends have none: what reads as light to dark. */
const RANGE = { light: 0.95, dark: 0.35 } as const;
/** Ends nearer than this in lightness have no direction of their own. */
const FLAT = 0.25;

/** Sequential palettes whose lightness goes back on its way: then more does not look like more. */
export const notMonotone: Rule = {
  id: 'not-monotone',
  title: 'Series that go back in lightness',
  looksAt: ['palettes'],
  find: ({ palettes }, known) =>
    worst(
      palettes.flatMap((palette) => {
        if (palette.kind !== 'sequential' || palette.swatches.length < LEAST) return [];
        const light = lightnessOf(palette);
        const way = Math.sign(light.at(-1)! - light[0]!) || 1;
        const back = light.flatMap((value, at) => (at > 0 && (value - light[at - 1]!) * way <= 0 ? [at] : []));
        return back.length > 0 ? [{ palette, back }] : [];
      }),
      ({ palette, back }) => {
        const [before, here] = [palette.swatches[back[0]! - 1]!, palette.swatches[back[0]!]!];
        const more = back.length > 1 ? `, and at ${back.length - 1} more steps` : '';
        return finding(
          'not-monotone',
          'error',
          `${palette.name} is sequential, and its lightness does not go on from ${before.name} to ${here.name}${more}; more does not look like more.`,
          { palette: palette.id, swatches: [before.id, here.id] },
          { value: back.length, limit: 0, name: palette.name },
        );
      },
      known,
    ),
  mend: {
    all: 'Give all a lightness that goes on',
    offer: ({ data }) => `Give ${data.name} a lightness that goes on`,
    command(brand, findings, label) {
      const steps = findings.flatMap(({ subject }) => {
        const palette = brand.palettes.find(({ id }) => id === subject.palette);
        if (!palette) return [];
        const light = lightnessOf(palette);
        const [first, last] = [light[0]!, light.at(-1)!];
        const isFlat = Math.abs(first - last) < FLAT;
        return relit(palette, evenly(isFlat ? RANGE.light : first, isFlat ? RANGE.dark : last, light.length));
      });
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};
