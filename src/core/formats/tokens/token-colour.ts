import { parseCss } from '../../colour/parse';
import { byte, readColour } from '../../colour/read';
import { channelsOf, spaceOf } from '../../colour/spaces';

/**
 * A CSS colour as an object of the Design Tokens Color Module 2025.10: in the space it was authored in, `none` kept, with
 * what an sRGB screen shows as its `hex`. Eight bits a channel are written with six decimals, which give each byte back.
 */
export function writeTokenColour(css: string): object {
  const { hex, alpha, rgb } = readColour(css)!;
  const { colour } = parseCss(css)!;
  const space = spaceOf(colour);
  const opacity = alpha < 1 && { alpha: Number(alpha.toFixed(4)) };
  const eightBit = space?.id === 'srgb' && rgb.every((channel) => Math.abs(channel * 255 - Math.round(channel * 255)) < 1e-6);
  if (eightBit || !space) {
    const components = rgb.map((channel) => Number((byte(channel) / 255).toFixed(6)));
    return { colorSpace: 'srgb', components, ...opacity, hex };
  }
  // Twelve digits hold what anybody writes, and let go of the tail that a percentage leaves in binary.
  const components = channelsOf(colour, space).map((value) => (value === null ? 'none' : Number(value.toPrecision(12))));
  return { colorSpace: space.id, components, ...opacity, hex };
}
