import { converter } from 'culori';
import { byte, type ReadColour } from './read';

/** One way of writing a colour, named as the trade names it. */
export interface Notation {
  readonly id: string;
  readonly label: string;
  readonly text: string;
}

const toHsl = converter('hsl');
const toHwb = converter('hwb');
const toLab = converter('lab');
const toLinear = converter('lrgb');

/**
 * Every notation of what is shown of a colour, each with enough digits that reading it back gives the same 8-bit colour.
 * OKLCH writes the authored colour instead, which may lie outside sRGB. Angles in degrees; Lab under D50 as CSS `lab()`.
 */
export function notations(colour: ReadColour): Notation[] {
  const [r8, g8, b8] = colour.rgb.map(byte) as [number, number, number];
  const shown = { mode: 'rgb', r: r8 / 255, g: g8 / 255, b: b8 / 255 } as const;
  const hsl = toHsl(shown);
  const hwb = toHwb(shown);
  const lab = toLab(shown);
  const lin = toLinear(shown);
  const a = colour.alpha < 1 ? ` / ${digits(colour.alpha, 3)}` : '';
  const alphaHex = colour.alpha < 1 ? byte(colour.alpha).toString(16).padStart(2, '0') : '';
  return [
    { id: 'hex', label: 'Hex', text: colour.hex + alphaHex },
    { id: 'oklch', label: 'OKLCH', text: oklchText(colour.oklch, colour.alpha) },
    { id: 'rgb', label: 'RGB', text: `rgb(${r8} ${g8} ${b8}${a})` },
    { id: 'hsl', label: 'HSL', text: `hsl(${digits(hsl.h ?? 0, 2)} ${percent(hsl.s)} ${percent(hsl.l)}${a})` },
    { id: 'hwb', label: 'HWB', text: `hwb(${digits(hwb.h ?? 0, 2)} ${percent(hwb.w)} ${percent(hwb.b)}${a})` },
    { id: 'lab', label: 'Lab D50', text: `lab(${digits(lab.l, 4)} ${digits(lab.a, 4)} ${digits(lab.b, 4)}${a})` },
    { id: 'linear', label: 'Linear', text: `color(srgb-linear ${floats([lin.r, lin.g, lin.b])}${a})` },
    { id: 'float', label: 'Float', text: `color(srgb ${floats([shown.r, shown.g, shown.b])}${a})` },
    { id: 'integer', label: 'Integer', text: String((r8 << 16) | (g8 << 8) | b8) },
  ];
}

/** `oklch()` with enough digits for every 8-bit colour: five for lightness and chroma, three for hue in degrees (four and two are not). */
export function oklchText([l, c, h]: ReadColour['oklch'], alpha = 1): string {
  return `oklch(${digits(l, 5)} ${digits(c, 5)} ${digits(h, 3)}${alpha < 1 ? ` / ${digits(alpha, 3)}` : ''})`;
}

/** The shown colour as linear-light sRGB floats 0..1, as game engines multiply and blend them. */
export function linearFloats(colour: ReadColour): [number, number, number] {
  const [r, g, b] = colour.rgb.map((channel) => byte(channel) / 255) as [number, number, number];
  const lin = toLinear({ mode: 'rgb', r, g, b });
  return [lin.r, lin.g, lin.b].map((value) => Number(value.toFixed(6))) as [number, number, number];
}

function floats(values: readonly number[]): string {
  return values.map((value) => digits(value, 6)).join(' ');
}

function percent(value: number): string {
  return `${digits(value * 100, 2)}%`;
}

/** At most `places` decimals, without trailing zeros or a negative zero. */
function digits(value: number, places: number): string {
  return String(Number(value.toFixed(places)) + 0);
}
