import { ASE } from '../../base/swatch-layouts';
import { slug } from '../../base/words';
import { ByteWriter } from '../../base/bytes';
import { allTokens, defineFormat } from '../kit/format';
import { chosenPalettes, paletteOptions, plainSwatch } from '../kit/palette-files';

/** See `ASE`. */
export const ase = defineFormat({
  id: 'ase',
  title: ASE.title,
  family: 'swatches',
  extensions: [ASE.extension],
  purpose: 'For drawing and layout programs: load the file as a swatch library; each palette is a group in it.',
  readBy: 'Drawing and layout programs',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, { palette }) {
    const { palettes, findings } = chosenPalettes(brand, palette);
    const blocks = palettes.flatMap(({ name, swatches }) => [
      block(ASE.blocks.group, named(name)),
      ...swatches.map((swatch) => {
        const { rgb } = plainSwatch(swatch);
        const body = named(swatch.name).latin(ASE.models.rgb);
        for (const channel of rgb) body.f32(channel / 255);
        return block(ASE.blocks.colour, body.u16(2));
      }),
      block(ASE.blocks.groupEnd, new ByteWriter()),
    ]);
    const file = new ByteWriter().latin(ASE.magic).u16(1).u16(0).u32(blocks.length);
    for (const bytes of blocks) file.append(bytes);
    const path = `swatches/${slug(brand.name)}${ASE.extension}`;
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
