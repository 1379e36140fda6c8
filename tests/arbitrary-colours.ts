import fc from 'fast-check';

/** Any 8-bit colour as `#rrggbb`. */
export const hexColour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

/** Any colour a person may have authored: 8-bit, translucent, more vivid than sRGB, grey, black or white. */
export const anyColour = fc.oneof(
  hexColour,
  hexColour.map((hex) => `${hex}80`),
  fc.tuple(fc.nat(100), fc.nat(40), fc.nat(359)).map(([l, c, h]) => `oklch(${l / 100} ${c / 100} ${h})`),
  fc.tuple(fc.nat(100), fc.nat(100), fc.nat(100)).map((p3) => `color(display-p3 ${p3.map((share) => share / 100).join(' ')})`),
  fc.constantFrom('#000', '#fff', '#808080', 'rgb(127 127 128)', 'oklch(0.5 none none)'),
);
