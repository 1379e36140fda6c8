import { RIFF_PAL } from '../../base/swatch-layouts';
import { ByteWriter } from '../../base/bytes';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** See `RIFF_PAL`. */
export const riffPal = defineFormat({
  id: 'riff-pal',
  title: RIFF_PAL.title,
  family: 'swatches',
  extensions: [RIFF_PAL.extension],
  purpose: 'For older painting programs and game tools: load the file as a palette. It holds no names.',
  readBy: 'Older painting programs and game tools',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: RIFF_PAL.extension, mediaType: 'application/octet-stream' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const size = 4 + swatches.length * 4;
      const file = new ByteWriter()
        .latin(RIFF_PAL.magic)
        .u32(size + 12, true)
        .latin(RIFF_PAL.form + RIFF_PAL.chunks.data)
        .u32(size, true);
      file.u16(RIFF_PAL.version, true).u16(swatches.length, true);
      for (const { rgb } of swatches) file.u8(rgb[0]).u8(rgb[1]).u8(rgb[2]).u8(0);
      return file.bytes();
    });
  },
});
