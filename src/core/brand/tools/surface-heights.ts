import type { ReadColour } from '../../colour/read';
import type { Token } from '../document/token-shape';
import { elevationOf, isDark } from '../reading/elevation';
import { withLightness } from './theme-mapping';

/** Least difference of OKLCH lightness between a surface and what lies on it, in a dark theme. */
const HEIGHT_STEP = 0.03;

/** Tokens by height, from the lowest; those whose height nobody knows are left out. */
export function stacked(tokens: readonly Token[]): readonly (readonly Token[])[] {
  const heights = new Map<number, Token[]>();
  for (const token of tokens) {
    const height = elevationOf(token);
    if (height !== null) heights.set(height, [...(heights.get(height) ?? []), token]);
  }
  return [...heights].sort(([one], [two]) => one - two).map(([, same]) => same);
}

/** Puts the dark surfaces in order: the lowest as dark as any, each higher one at least a step lighter. */
export function raise(heights: readonly (readonly Token[])[], mapped: Map<string, ReadColour>): void {
  const dark = darkOnes(heights, mapped);
  let least = Math.min(...dark.flat().map(({ id }) => mapped.get(id)!.oklch[0])) - HEIGHT_STEP;
  dark.forEach((same, at) => {
    const floor = least + HEIGHT_STEP;
    for (const { id } of same) {
      const colour = mapped.get(id)!;
      const l = at === 0 ? floor : Math.max(floor, colour.oklch[0]);
      if (l !== colour.oklch[0]) mapped.set(id, withLightness(colour, l));
    }
    least = Math.max(...same.map(({ id }) => mapped.get(id)!.oklch[0]));
  });
}

/** When one had to become darker, what lies below it goes along: by a step, or by its share of what is left above the darkest. */
export function keepOrder(heights: readonly (readonly Token[])[], mapped: Map<string, ReadColour>, darkest: number): void {
  let most = Infinity;
  const dark = darkOnes(heights, mapped);
  for (let below = dark.length - 1; below >= 0; below--) {
    for (const { id } of dark[below]!) {
      const colour = mapped.get(id)!;
      if (colour.oklch[0] > most) mapped.set(id, withLightness(colour, most));
    }
    const lightest = Math.min(...dark[below]!.map(({ id }) => mapped.get(id)!.oklch[0]));
    most = Math.min(most, lightest - Math.min(HEIGHT_STEP, Math.max(0, lightest - darkest) / Math.max(1, below)));
  }
}

function darkOnes(heights: readonly (readonly Token[])[], mapped: ReadonlyMap<string, ReadColour>): (readonly Token[])[] {
  return heights.map((same) => same.filter(({ id }) => isDark(mapped.get(id)!.oklch[0]))).filter((same) => same.length > 0);
}
