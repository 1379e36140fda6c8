import { parse, type Color } from 'culori';
import type { Node } from 'jsonc-parser';
import { byte, readColour } from '../../colour/read';
import { memberOf } from '../../source/json-text';
import { fromUnit } from '../../intake/channel-values';

/** How CSS writes each colour space of the colour module: as a function of its own, or by `color()`. */
const CSS: Record<string, (components: readonly string[]) => string> = {
  hsl: ([h, s, l]) => `hsl(${h} ${percent(s!)} ${percent(l!)}`,
  hwb: ([h, w, b]) => `hwb(${h} ${percent(w!)} ${percent(b!)}`,
  lab: (all) => `lab(${all.join(' ')}`,
  lch: (all) => `lch(${all.join(' ')}`,
  oklab: (all) => `oklab(${all.join(' ')}`,
  oklch: (all) => `oklch(${all.join(' ')}`,
  ...Object.fromEntries(
    ['srgb', 'srgb-linear', 'display-p3', 'a98-rgb', 'prophoto-rgb', 'rec2020', 'xyz-d65', 'xyz-d50'].map((space) => [
      space,
      (all: readonly string[]) => `color(${space} ${all.join(' ')}`,
    ]),
  ),
};

/** The colour spaces of the Design Tokens Color Module 2025.10. */
export const DTCG_SPACES: readonly string[] = Object.keys(CSS);

function percent(component: string): string {
  return component === 'none' ? component : `${component}%`;
}

/**
 * A colour of the module, or its `#rrggbb` of the older form, in CSS; or what is wrong with it, as the end of a
 * sentence. @param follow leads from a `$ref` to what it points at, and any other node to itself
 */
export function readTokenColour(value: Node, follow: (node: Node) => Node): { css: string } | { fault: string } {
  if (typeof value.value === 'string') {
    return readColour(value.value) ? { css: value.value.trim() } : { fault: `“${value.value.slice(0, 40)}” is no colour.` };
  }
  const space: unknown = memberOf(value, 'colorSpace')?.value;
  if (typeof space !== 'string') return { fault: 'its value has no colorSpace.' };
  const write = Object.hasOwn(CSS, space) ? CSS[space] : undefined;
  if (!write) return { fault: `the colour space ${space.slice(0, 40)} is not in the standard.` };
  const components = componentsOf(value, follow).map((one): unknown => follow(one).value);
  const alpha: unknown = memberOf(value, 'alpha')?.value ?? 1;
  const usable = components.length === 3 && components.every((one) => typeof one === 'number' || one === 'none');
  if (!usable || (typeof alpha !== 'number' && alpha !== 'none'))
    return { fault: 'a colour has three components, numbers or “none”, and an alpha from 0 to 1.' };
  const opacity = alpha === 'none' ? 0 : alpha;
  const exact =
    space === 'srgb' && !components.includes('none') ? fromUnit(components as unknown as [number, number, number]) : '';
  const alphaHex = byte(opacity).toString(16).padStart(2, '0');
  // Eight bits and nothing lost is what a hex code says best.
  const css =
    exact.startsWith('#') && Math.abs(byte(opacity) / 255 - opacity) < 1e-4
      ? exact + (opacity < 1 ? alphaHex : '')
      : write(components.map(String)) + (opacity < 1 ? ` / ${opacity})` : ')');
  return readColour(css) ? { css } : { fault: 'its components are no colour of that space.' };
}

function componentsOf(value: Node, follow: (node: Node) => Node): readonly Node[] {
  const components = memberOf(value, 'components');
  return (components && follow(components).children) ?? [];
}

/** culori's name of each space, with what its components are multiplied by; missing ones are `none`. */
const MODES: Record<string, { space: string; channels: readonly string[]; scale?: readonly number[] }> = {
  rgb: { space: 'srgb', channels: ['r', 'g', 'b'] },
  lrgb: { space: 'srgb-linear', channels: ['r', 'g', 'b'] },
  p3: { space: 'display-p3', channels: ['r', 'g', 'b'] },
  a98: { space: 'a98-rgb', channels: ['r', 'g', 'b'] },
  prophoto: { space: 'prophoto-rgb', channels: ['r', 'g', 'b'] },
  rec2020: { space: 'rec2020', channels: ['r', 'g', 'b'] },
  xyz65: { space: 'xyz-d65', channels: ['x', 'y', 'z'] },
  xyz50: { space: 'xyz-d50', channels: ['x', 'y', 'z'] },
  hsl: { space: 'hsl', channels: ['h', 's', 'l'], scale: [1, 100, 100] },
  hwb: { space: 'hwb', channels: ['h', 'w', 'b'], scale: [1, 100, 100] },
  lab: { space: 'lab', channels: ['l', 'a', 'b'] },
  lch: { space: 'lch', channels: ['l', 'c', 'h'] },
  oklab: { space: 'oklab', channels: ['l', 'a', 'b'] },
  oklch: { space: 'oklch', channels: ['l', 'c', 'h'] },
};

/**
 * A CSS colour as an object of the colour module: in the space it was authored in, `none` kept, with what an sRGB screen
 * shows as its `hex`. Eight bits a channel are written with six decimals, which give each byte back.
 */
export function writeTokenColour(css: string): object {
  const { hex, alpha, rgb } = readColour(css)!;
  const found = parse(css) as Color & Record<string, number | undefined>;
  const mode = MODES[found.mode];
  const opacity = alpha < 1 && { alpha: Number(alpha.toFixed(4)) };
  const eightBit = found.mode === 'rgb' && rgb.every((channel) => Math.abs(channel * 255 - Math.round(channel * 255)) < 1e-6);
  if (eightBit || !mode) {
    const components = rgb.map((channel) => Number((byte(channel) / 255).toFixed(6)));
    return { colorSpace: 'srgb', components, ...opacity, hex };
  }
  const components = mode.channels.map((channel, at) => {
    const value = found[channel];
    // Twelve digits hold what anybody writes, and let go of the tail that a percentage leaves in binary.
    return value === undefined ? 'none' : Number((value * (mode.scale?.[at] ?? 1)).toPrecision(12));
  });
  return { colorSpace: mode.space, components, ...opacity, hex };
}
