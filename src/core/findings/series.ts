import type { Step } from '../brand/commands/commands';
import type { Palette } from '../brand/document/palette-shape';
import { deltaE2000 } from '../colour/difference';
import { oklchHex, readColour } from '../colour/read';

/** Fewer than these are no series. */
export const LEAST = 3;

/** OKLab lightness of each swatch as a screen shows it, 0..1. */
export function lightnessOf({ swatches }: Palette): number[] {
  return swatches.map(({ value }) => readColour(readColour(value)!.hex)!.oklch[0]);
}

/** ΔE2000 from each swatch to the next. */
export function stepsOf({ swatches }: Palette): number[] {
  return swatches.slice(1).map(({ value }, at) => deltaE2000(readColour(swatches[at]!.value)!.hex, readColour(value)!.hex));
}

/** Gives swatches other lightness, and keeps their hue, and their chroma as far as sRGB has it. Locked ones stay. */
export function relit({ swatches }: Palette, lightness: readonly number[]): Step[] {
  return swatches.flatMap((swatch, at): Step[] => {
    const [l, c, h] = readColour(swatch.value)!.oklch;
    const wanted = lightness[at]!;
    if (swatch.locked || Math.abs(wanted - l) < 1e-4) return [];
    return [{ do: 'swatch.edit', id: swatch.id, set: { value: oklchHex([wanted, c, h]) } }];
  });
}

/** Values in equal steps from one to another. */
export function evenly(from: number, to: number, count: number): number[] {
  return Array.from({ length: count }, (_, at) => from + ((to - from) * at) / Math.max(1, count - 1));
}
