/** Red, green, blue and opacity, 0..255 each. */
export type PaletteColour = readonly [red: number, green: number, blue: number, alpha: number];

/** The palette of an indexed PNG, in its order, with its opacities: PNG 3, chunks PLTE and tRNS. @returns null when it has none */
export function readPalette(bytes: Uint8Array): PaletteColour[] | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let colours: Uint8Array | null = null;
  let opacity: Uint8Array | null = null;
  for (let at = 8; at + 12 <= bytes.length; at += 12 + view.getUint32(at)) {
    const kind = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const body = bytes.subarray(at + 8, at + 8 + view.getUint32(at));
    if (kind === 'PLTE') colours = body;
    else if (kind === 'tRNS') opacity = body;
    else if (kind === 'IDAT') break;
  }
  // Colour type 3; a true-colour PNG may carry a PLTE chunk as a mere suggestion.
  if (!colours || bytes[25] !== 3) return null;
  const palette = colours;
  return Array.from({ length: Math.floor(palette.length / 3) }, (_, at): PaletteColour => [
    palette[at * 3]!,
    palette[at * 3 + 1]!,
    palette[at * 3 + 2]!,
    opacity?.[at] ?? 255,
  ]);
}
