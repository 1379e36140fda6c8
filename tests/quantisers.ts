import sharp from 'sharp';
import { bytesToOklab } from '@/core/colour/oklab';
import type { Pixels } from '@/core/image/pixels';

/** Red, green, blue 0..255. */
export type Rgb = readonly [number, number, number];

/** The colours that a general-purpose quantiser picks: those of sharp's palette PNG, without dithering. */
export async function bySharp({ data, width, height }: Pixels, colours: number): Promise<Rgb[]> {
  const raw = { width, height, channels: 4 as const };
  const png = await sharp(Buffer.from(data.buffer), { raw }).png({ palette: true, colours, dither: 0 }).toBuffer();
  const { data: shown, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
  const found = new Map<number, Rgb>();
  for (let at = 0; at < shown.length; at += info.channels) {
    found.set((shown[at]! << 16) | (shown[at + 1]! << 8) | shown[at + 2]!, [shown[at]!, shown[at + 1]!, shown[at + 2]!]);
  }
  return [...found.values()];
}

/** Mean OKLab distance of a sample of the pixels to their nearest colour. */
export function meanError({ data }: Pixels, colours: readonly Rgb[]): number {
  const labs = colours.map((rgb) => bytesToOklab(...rgb));
  let [sum, count] = [0, 0];
  for (let at = 0; at < data.length; at += 4 * 37) {
    const [l, a, b] = bytesToOklab(data[at]!, data[at + 1]!, data[at + 2]!);
    sum += Math.min(...labs.map((lab) => Math.hypot(lab[0] - l, lab[1] - a, lab[2] - b)));
    count++;
  }
  return sum / count;
}
