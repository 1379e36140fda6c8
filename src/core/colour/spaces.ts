import { converter, type Color, type Mode } from 'culori';

/** One of the three numbers of a colour. */
export interface Channel {
  /** Its letter. */
  readonly key: string;
  /** What CSS calls 100 %, or a whole turn in degrees: the channel's number in CSS. */
  readonly whole: number;
  /** Whether CSS writes it with a percent sign by custom. */
  readonly percent?: true;
  /** A hue: degrees, and none for greys. */
  readonly angle?: true;
  /** Decimals with which every 8-bit sRGB colour is read back the same. */
  readonly digits: number;
  /** CSS's number divided by the number that the conversion library computes with. */
  readonly scale: number;
}

/** A colour space: all that notations, token files and style sheets need to know of it. */
export interface ColourSpace {
  /** As CSS Color 4 and the Design Tokens Color Module name it. */
  readonly id: SpaceId;
  /** For people. */
  readonly title: string;
  readonly white: 'D50' | 'D65';
  readonly channels: readonly [Channel, Channel, Channel];
  /** Whether CSS has a function of its name; the others are written with `color()`. */
  readonly ownFunction: boolean;
  /** Where it is defined. */
  readonly source: string;
  /** The conversion library's name of it. */
  readonly mode: Mode;
}

export type SpaceId =
  | 'srgb'
  | 'srgb-linear'
  | 'display-p3'
  | 'a98-rgb'
  | 'prophoto-rgb'
  | 'rec2020'
  | 'xyz-d65'
  | 'xyz-d50'
  | 'hsl'
  | 'hwb'
  | 'lab'
  | 'lch'
  | 'oklab'
  | 'oklch';

const light = (key: string): Channel => ({ key, whole: 1, digits: 6, scale: 1 });
const share = (key: string): Channel => ({ key, whole: 100, percent: true, digits: 2, scale: 100 });
const angle = (digits: number): Channel => ({ key: 'h', whole: 360, angle: true, digits, scale: 1 });
const number = (key: string, whole: number, digits: number): Channel => ({ key, whole, digits, scale: 1 });
const RGB = [light('r'), light('g'), light('b')] as const;
const XYZ = [light('x'), light('y'), light('z')] as const;

const space = (
  id: SpaceId,
  title: string,
  white: ColourSpace['white'],
  mode: Mode,
  channels: ColourSpace['channels'],
  source: string,
): ColourSpace => ({ id, title, white, mode, channels, source, ownFunction: OWN.has(id) });

/** The spaces that CSS has a function for. */
const OWN: ReadonlySet<SpaceId> = new Set<SpaceId>(['hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch']);

/** Every space, in the order of the Design Tokens Color Module 2025.10. Section numbers are those of CSS Color 4. */
export const SPACES: readonly ColourSpace[] = [
  space('srgb', 'sRGB', 'D65', 'rgb', RGB, 'IEC 61966-2-1; section 10.2'),
  space('srgb-linear', 'sRGB in linear light', 'D65', 'lrgb', RGB, 'IEC 61966-2-1; section 10.3'),
  space('hsl', 'HSL', 'D65', 'hsl', [angle(2), share('s'), share('l')], 'section 7'),
  space('hwb', 'HWB', 'D65', 'hwb', [angle(2), share('w'), share('b')], 'section 8'),
  space('lab', 'Lab', 'D50', 'lab', [number('l', 100, 4), number('a', 125, 4), number('b', 125, 4)], 'CIE 15; section 9.3'),
  space('lch', 'LCH', 'D50', 'lch', [number('l', 100, 4), number('c', 150, 4), angle(3)], 'CIE 15; section 9.3'),
  space('oklab', 'OKLab', 'D65', 'oklab', [number('l', 1, 5), number('a', 0.4, 5), number('b', 0.4, 5)], 'section 9.4'),
  space('oklch', 'OKLCH', 'D65', 'oklch', [number('l', 1, 5), number('c', 0.4, 5), angle(3)], 'section 9.4'),
  space('display-p3', 'Display P3', 'D65', 'p3', RGB, 'section 10.4'),
  space('a98-rgb', 'A98 RGB', 'D65', 'a98', RGB, 'section 10.5'),
  space('prophoto-rgb', 'ProPhoto RGB', 'D50', 'prophoto', RGB, 'section 10.6'),
  space('rec2020', 'Rec. 2020', 'D65', 'rec2020', RGB, 'section 10.7'),
  space('xyz-d65', 'XYZ', 'D65', 'xyz65', XYZ, 'section 10.8'),
  space('xyz-d50', 'XYZ', 'D50', 'xyz50', XYZ, 'section 10.8'),
];

const byId = new Map<string, ColourSpace>(SPACES.map((space) => [space.id, space]));
const byMode = new Map<string, ColourSpace>(SPACES.map((space) => [space.mode, space]));

export function spaceById(id: string): ColourSpace | undefined {
  // CSS lets `xyz` stand for the one under D65.
  return byId.get(id === 'xyz' ? 'xyz-d65' : id);
}

/** The space that the conversion library read a colour in; HSV and the like are none of ours. */
export function spaceOf(colour: Color): ColourSpace | undefined {
  return byMode.get(colour.mode);
}

/** The channels of a colour in a space, as CSS numbers; null for one that is `none`. */
export function channelsOf(colour: Color, { mode, channels }: ColourSpace): (number | null)[] {
  const converted = (colour.mode === mode ? colour : converter(mode)(colour)) as unknown as Record<string, number | undefined>;
  return channels.map(({ key, scale }) => {
    const value = converted[key];
    return value === undefined || Number.isNaN(value) ? null : value * scale;
  });
}

/**
 * A colour of a space in CSS. `channels` are numbers or `none`, as texts; percent signs are added where custom has them.
 * @param alpha the opacity as a text; empty for an opaque colour
 */
export function spaceText({ id, ownFunction, channels }: ColourSpace, values: readonly string[], alpha = ''): string {
  const written = values.map((value, at) => (channels[at]!.percent && value !== 'none' ? `${value}%` : value));
  const inner = written.join(' ') + (alpha && ` / ${alpha}`);
  return ownFunction ? `${id}(${inner})` : `color(${id} ${inner})`;
}

/** The functions of CSS Color 4 that write a colour. */
export const CSS_FUNCTIONS = ['rgb', 'rgba', 'hsl', 'hsla', ...[...OWN].filter((id) => id !== 'hsl'), 'color'] as const;
