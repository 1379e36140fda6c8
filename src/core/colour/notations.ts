import { converter } from 'culori';
import type { Srgb } from './oklab';
import { byte, type ReadColour } from './read';

/** One way of writing a colour, named as the trade names it. */
export interface Notation {
  readonly id: string;
  readonly label: string;
  readonly text: string;
}

const toHsl = converter('hsl');
const toHwb = converter('hwb');
const toHsv = converter('hsv');
const toLab = converter('lab');
const toLch = converter('lch');
const toP3 = converter('p3');
const toLinear = converter('lrgb');

/**
 * Every notation of what is shown of a colour, each with enough digits that reading it back gives the same 8-bit colour.
 * OKLCH writes the authored colour instead, which may lie outside sRGB. Angles in degrees; Lab and LCH under D50 as in CSS.
 * HSV and CMYK are no CSS; CMYK is without a profile, and the only one that does not promise the same colour.
 * @param more digits beyond those that 8 bits need
 */
export function notations(colour: ReadColour, more = 0): Notation[] {
  const digits = (value: number, places: number) => rounded(value, places + more);
  const percent = (value: number) => `${digits(value * 100, 2)}%`;
  const floats = (values: readonly number[]) => values.map((value) => digits(value, 6)).join(' ');
  const [r8, g8, b8] = colour.rgb.map(byte) as [number, number, number];
  const shown = { mode: 'rgb', r: r8 / 255, g: g8 / 255, b: b8 / 255 } as const;
  const hsl = toHsl(shown);
  const hwb = toHwb(shown);
  const hsv = toHsv(shown);
  const lab = toLab(shown);
  const lch = toLch(shown);
  const p3 = toP3(shown);
  const lin = toLinear(shown);
  const a = colour.alpha < 1 ? ` / ${digits(colour.alpha, 3)}` : '';
  const alphaHex = colour.alpha < 1 ? byte(colour.alpha).toString(16).padStart(2, '0') : '';
  return [
    { id: 'hex', label: 'Hex', text: colour.hex + alphaHex },
    { id: 'oklch', label: 'OKLCH', text: oklchText(colour.oklch, colour.alpha, more) },
    { id: 'rgb', label: 'RGB', text: `rgb(${r8} ${g8} ${b8}${a})` },
    { id: 'hsl', label: 'HSL', text: `hsl(${digits(hsl.h ?? 0, 2)} ${percent(hsl.s)} ${percent(hsl.l)}${a})` },
    { id: 'hwb', label: 'HWB', text: `hwb(${digits(hwb.h ?? 0, 2)} ${percent(hwb.w)} ${percent(hwb.b)}${a})` },
    { id: 'hsv', label: 'HSV', text: `hsv(${digits(hsv.h ?? 0, 2)} ${percent(hsv.s)} ${percent(hsv.v)}${a})` },
    { id: 'lab', label: 'Lab D50', text: `lab(${digits(lab.l, 4)} ${digits(lab.a, 4)} ${digits(lab.b, 4)}${a})` },
    { id: 'lch', label: 'LCH D50', text: `lch(${digits(lch.l, 4)} ${digits(lch.c, 4)} ${digits(lch.h ?? 0, 3)}${a})` },
    { id: 'p3', label: 'P3', text: `color(display-p3 ${floats([p3.r, p3.g, p3.b])}${a})` },
    { id: 'linear', label: 'Linear', text: `color(srgb-linear ${floats([lin.r, lin.g, lin.b])}${a})` },
    { id: 'float', label: 'Float', text: `color(srgb ${floats([shown.r, shown.g, shown.b])}${a})` },
    { id: 'integer', label: 'Integer', text: String((r8 << 16) | (g8 << 8) | b8) },
    {
      id: 'cmyk',
      label: 'CMYK, un\u00adcali\u00adbrated',
      text: `cmyk(${cmyk([shown.r, shown.g, shown.b]).map(percent).join(' ')})`,
    },
  ];
}

/**
 * sRGB channels 0..1 as shares 0..1 of cyan, magenta, yellow and black, by plain subtraction (CSS Color 5's naive
 * conversion). It knows no ink and no paper: a hint for a printer, not a promise.
 */
export function cmyk([r, g, b]: Srgb): [cyan: number, magenta: number, yellow: number, black: number] {
  const k = 1 - Math.max(r, g, b);
  return k === 1 ? [0, 0, 0, 1] : [(1 - r - k) / (1 - k), (1 - g - k) / (1 - k), (1 - b - k) / (1 - k), k];
}

/** `oklch()` with enough digits for every 8-bit colour: five for lightness and chroma, three for hue in degrees (four and two are not). */
export function oklchText([l, c, h]: ReadColour['oklch'], alpha = 1, more = 0): string {
  const digits = (value: number, places: number) => rounded(value, places + more);
  return `oklch(${digits(l, 5)} ${digits(c, 5)} ${digits(h, 3)}${alpha < 1 ? ` / ${digits(alpha, 3)}` : ''})`;
}

/** The authored colour in Display P3, each channel 0..1, clamped to that gamut: what a wider screen can show of it. */
export function wideChannels({ oklch: [l, c, h] }: ReadColour): [red: number, green: number, blue: number] {
  const { r, g, b } = toP3({ mode: 'oklch', l, c, h });
  return [r, g, b].map((channel) => Math.min(1, Math.max(0, channel))) as [number, number, number];
}

/** The same as `color(display-p3 …)`. */
export function wideText(colour: ReadColour): string {
  const channels = wideChannels(colour).map((channel) => rounded(channel, 6));
  return `color(display-p3 ${channels.join(' ')}${colour.alpha < 1 ? ` / ${rounded(colour.alpha, 3)}` : ''})`;
}

/** The shown colour as linear-light sRGB floats 0..1, as game engines multiply and blend them. */
export function linearFloats(colour: ReadColour): [number, number, number] {
  const [r, g, b] = colour.rgb.map((channel) => byte(channel) / 255) as [number, number, number];
  const lin = toLinear({ mode: 'rgb', r, g, b });
  return [lin.r, lin.g, lin.b].map((value) => Number(value.toFixed(6))) as [number, number, number];
}

/** At most `places` decimals, without trailing zeros or a negative zero. */
function rounded(value: number, places: number): string {
  return String(Number(value.toFixed(places)) + 0);
}
