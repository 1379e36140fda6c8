import { unit } from '../base/clamp';
import { converter, type Color } from 'culori';
import { channelsOf, spaceById, spaceText, type ColourSpace, type SpaceId } from './spaces';
import type { Srgb } from './oklab';
import { byte, shownHex, type ReadColour } from './read';

/** One way of writing a colour, named as the trade names it. */
export interface Notation {
  readonly id: string;
  readonly label: string;
  readonly text: string;
}

const toHsv = converter('hsv');
const toP3 = converter('p3');
const toLinear = converter('lrgb');

/**
 * Every notation of what is shown of a colour, each with enough digits that reading it back gives the same 8-bit colour.
 * OKLCH writes the authored colour instead, which may lie outside sRGB. Angles in degrees; Lab and LCH under D50 as in CSS.
 * HSV and CMYK are no CSS; CMYK is without a profile, and the only one that does not promise the same colour.
 * @param more digits beyond those that 8 bits need
 */
export function notations(colour: ReadColour, more = 0): Notation[] {
  const percent = (value: number) => `${rounded(value * 100, 2 + more)}%`;
  const bytes = colour.rgb.map(byte) as [number, number, number];
  const [r, g, b] = bytes.map((value) => value / 255) as [number, number, number];
  const shown = { mode: 'rgb', r, g, b } as const;
  const hsv = toHsv(shown);
  const a = colour.alpha < 1 ? rounded(colour.alpha, 3 + more) : '';
  const inSpace = (id: SpaceId) => textIn(spaceById(id)!, shown, a, more);
  return [
    { id: 'hex', label: 'Hex', text: shownHex(colour) },
    { id: 'oklch', label: 'OKLCH', text: oklchText(colour.oklch, colour.alpha, more) },
    { id: 'rgb', label: 'RGB', text: `rgb(${bytes.join(' ')}${a && ` / ${a}`})` },
    { id: 'hsl', label: 'HSL', text: inSpace('hsl') },
    { id: 'hwb', label: 'HWB', text: inSpace('hwb') },
    {
      id: 'hsv',
      label: 'HSV',
      text: `hsv(${rounded(hsv.h ?? 0, 2 + more)} ${percent(hsv.s)} ${percent(hsv.v)}${a && ` / ${a}`})`,
    },
    { id: 'lab', label: 'Lab D50', text: inSpace('lab') },
    { id: 'lch', label: 'LCH D50', text: inSpace('lch') },
    { id: 'p3', label: 'P3', text: inSpace('display-p3') },
    { id: 'linear', label: 'Linear', text: inSpace('srgb-linear') },
    { id: 'float', label: 'Float', text: inSpace('srgb') },
    { id: 'integer', label: 'Integer', text: String((bytes[0] << 16) | (bytes[1] << 8) | bytes[2]) },
    {
      id: 'cmyk',
      label: 'CMYK, un\u00adcali\u00adbrated',
      text: `cmyk(${cmyk([r, g, b]).map(percent).join(' ')})`,
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

/** A colour in a space, with as many digits as 8 bits need and `more`; a missing channel counts as 0. */
function textIn(space: ColourSpace, colour: Color, alpha: string, more: number): string {
  const values = channelsOf(colour, space).map((value, at) => rounded(value ?? 0, space.channels[at]!.digits + more));
  return spaceText(space, values, alpha);
}

/** `oklch()` with enough digits for every 8-bit colour: five for lightness and chroma, three for hue in degrees (four and two are not). */
export function oklchText([l, c, h]: ReadColour['oklch'], alpha = 1, more = 0): string {
  return textIn(spaceById('oklch')!, { mode: 'oklch', l, c, h }, alpha < 1 ? rounded(alpha, 3 + more) : '', more);
}

/** The authored colour in Display P3, each channel 0..1, clamped to that gamut: what a wider screen can show of it. */
export function wideChannels({ oklch: [l, c, h] }: ReadColour): [red: number, green: number, blue: number] {
  const { r, g, b } = toP3({ mode: 'oklch', l, c, h });
  return [r, g, b].map(unit) as [number, number, number];
}

/** The same as `color(display-p3 …)`. */
export function wideText(colour: ReadColour): string {
  const channels = wideChannels(colour).map((channel) => rounded(channel, 6));
  return spaceText(spaceById('display-p3')!, channels, colour.alpha < 1 ? rounded(colour.alpha, 3) : '');
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
