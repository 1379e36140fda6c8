import { slug } from '../../base/words';
import { ByteWriter } from '../../base/bytes';
import { allTokens, defineFormat } from '../kit/format';
import { chosenPalettes, paletteOptions, plainSwatch } from '../kit/palette-files';

const [COLOUR, GROUP, GROUP_END] = [0x0001, 0xc001, 0xc002];

/**
 * ASE, the swatch exchange file that drawing programs share. Big-endian: "ASEF", version, number of blocks; a block is
 * its kind, its length, and for a colour its name in UTF-16, a model of four letters and 32-bit floats. The layout is
 * common knowledge of the trade without an official publication.
 */
export const ase = defineFormat({
  id: 'ase',
  title: 'Swatch exchange (ASE)',
  family: 'swatches',
  extensions: ['.ase'],
  purpose: 'For drawing and layout programs: load the file as a swatch library; each palette is a group in it.',
  readBy: 'Drawing and layout programs',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, { palette }) {
    const { palettes, findings } = chosenPalettes(brand, palette);
    const blocks = palettes.flatMap(({ name, swatches }) => [
      block(GROUP, named(name)),
      ...swatches.map((swatch) => {
        const { rgb } = plainSwatch(swatch);
        const body = named(swatch.name).latin('RGB ');
        for (const channel of rgb) body.f32(channel / 255);
        return block(COLOUR, body.u16(2));
      }),
      block(GROUP_END, new ByteWriter()),
    ]);
    const file = new ByteWriter().latin('ASEF').u16(1).u16(0).u32(blocks.length);
    for (const bytes of blocks) file.append(bytes);
    const path = `swatches/${slug(brand.name)}.ase`;
    return { files: palettes.length > 0 ? [{ path, mediaType: 'application/octet-stream', bytes: file.bytes() }] : [], findings };
  },
});

function named(name: string): ByteWriter {
  return new ByteWriter().u16(name.length + 1).utf16(name);
}

function block(kind: number, body: ByteWriter): Uint8Array {
  const bytes = body.bytes();
  return new ByteWriter().u16(kind).u32(bytes.length).append(bytes).bytes();
}
