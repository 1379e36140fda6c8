import Color from 'colorjs.io';

/** A colour that was read: CSS, or red, green, blue and opacity 0..255. */
export type ReadValue = string | readonly number[] | Color;

/** `rrggbbaa` by colorjs.io, which is not the library that Breakwater computes with. */
export function eightDigits(value: ReadValue): string {
  if (Array.isArray(value)) return Buffer.from((value as number[]).map(Math.round)).toString('hex');
  const colour = new Color(value as string | Color).to('srgb').toGamut({ space: 'srgb', method: 'css' });
  const channels = [...colour.coords, colour.alpha].map((channel) => Math.round(Number(channel ?? 0) * 255));
  return Buffer.from(channels.map((channel) => Math.min(255, Math.max(0, channel)))).toString('hex');
}

/** Linear light 0..1 and opacity as `rrggbbaa`: IEC 61966-2-1. */
export function fromLinear([r, g, b, a]: readonly number[]): string {
  const encode = (v: number) => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
  return eightDigits([encode(r!) * 255, encode(g!) * 255, encode(b!) * 255, a! * 255]);
}

/** An integer of a program, `0xaarrggbb` or `0xrrggbbaa`, as `rrggbbaa`. */
export function fromInteger(literal: string, order: 'argb' | 'rgba'): string {
  const digits = /0x([0-9a-f]{8})/i.exec(literal)![1]!.toLowerCase();
  return order === 'rgba' ? digits : digits.slice(2) + digits.slice(0, 2);
}
