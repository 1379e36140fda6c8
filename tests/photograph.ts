import type { Pixels } from '@/core/image/pixels';

/** Six vivid accents, sRGB 0..255. */
export const ACCENTS: readonly (readonly [number, number, number])[] = [
  [230, 30, 40],
  [20, 200, 60],
  [30, 60, 240],
  [250, 220, 20],
  [220, 40, 220],
  [20, 220, 230],
];

/** The share of the area that each accent takes. */
const ACCENT_SHARE = 0.003;

/** A photograph-like picture, the same at every run: slow gradients, noise, and six small vivid accents. */
export function photograph(width: number, height: number): Pixels {
  const data = new Uint8ClampedArray(width * height * 4);
  let seed = 12_345;
  const noise = (amount: number) => ((seed = (seed * 1_664_525 + 1_013_904_223) >>> 0) / 2 ** 32 - 0.5) * amount;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const [u, v] = [x / width, y / height];
      const wave = Math.sin(u * 6 + v * 3) * 0.5 + 0.5;
      const grain = noise(24);
      data.set(
        [
          120 + 60 * wave * (1 - v) + 40 * Math.sin(v * 9) + grain,
          110 + 40 * v + 30 * Math.cos(u * 7) + grain,
          90 + 70 * u * v + grain * 0.8,
          255,
        ],
        (y * width + x) * 4,
      );
    }
  }
  const side = Math.round(Math.sqrt(width * height * ACCENT_SHARE));
  ACCENTS.forEach((accent, at) => {
    const [left, top] = [Math.round(width * (0.07 + at * 0.145)), Math.round(height * (0.13 + (at % 3) * 0.27))];
    for (let y = top; y < top + side; y++) {
      for (let x = left; x < left + side; x++) {
        const grain = noise(12);
        data.set(
          accent.map((value) => value + grain),
          (y * width + x) * 4,
        );
      }
    }
  });
  return { width, height, data };
}
