import { runsOf } from '../palette/runs';
import { finding, type Rule } from './finding';
import { evenly, LEAST, lightnessOf, relit } from './series';
import { worst } from './worst';

/** How far the ends of a diverging palette may differ in OKLab lightness. Ours: the published ones of ColorBrewer keep below 0.21. */
export const ENDS = 0.22;

/** Diverging palettes whose arms do not weigh the same, or go back on their way: then one side looks like more than the other. */
export const arms: Rule = {
  id: 'arms',
  title: 'Diverging palettes with unequal arms',
  looksAt: ['palettes'],
  find: ({ palettes }, known) =>
    worst(
      palettes.flatMap((palette) => {
        if (palette.kind !== 'diverging' || palette.swatches.length < LEAST) return [];
        const light = lightnessOf(palette);
        const [run] = runsOf('diverging', palette.swatches);
        const back = run!.arms.findIndex((arm) => !goesOn(arm.map((at) => light[at]!)));
        const apart = Math.abs(light[0]! - light.at(-1)!);
        return back >= 0 || apart > ENDS ? [{ palette, back, apart }] : [];
      }),
      ({ palette, back, apart }) => {
        const value = Math.ceil(apart * 100) / 100;
        const message =
          back >= 0
            ? `${palette.name} is diverging, and the lightness of its ${back === 0 ? 'first' : 'second'} arm goes back on its way.`
            : `${palette.name} is diverging, and its ends differ in lightness by ${value.toFixed(2)}, so one side looks like more; ${ENDS} is the most.`;
        return finding(
          'arms',
          'warning',
          message,
          { palette: palette.id, swatches: [palette.swatches[0]!.id, palette.swatches.at(-1)!.id] },
          { value, limit: ENDS, name: palette.name },
        );
      },
      known,
    ),
  mend: {
    all: 'Give all arms the same lightness',
    offer: ({ data }) => `Give the arms of ${data.name} the same lightness`,
    command(brand, findings, label) {
      const steps = findings.flatMap(({ subject }) => {
        const palette = brand.palettes.find(({ id }) => id === subject.palette);
        if (!palette) return [];
        const light = lightnessOf(palette);
        const middle = runsOf('diverging', palette.swatches)[0]?.arms[0]?.at(-1);
        if (middle === undefined) return [];
        const end = (light[0]! + light.at(-1)!) / 2;
        return relit(palette, [
          ...evenly(end, light[middle]!, middle + 1),
          ...evenly(light[middle]!, end, light.length - middle).slice(1),
        ]);
      });
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};

function goesOn(values: readonly number[]): boolean {
  const signs = new Set(values.slice(1).map((value, at) => Math.sign(value - values[at]!)));
  return signs.size <= 1 && !signs.has(0);
}
