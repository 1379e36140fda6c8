import { ByteWriter } from '../../base/bytes';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** RIFF palette: little-endian chunks; "data" holds version 3, a count, and red, green, blue, flags a colour. Multimedia Programming Interface 1.0 (1991), "Palette File Format". */
export const riffPal = defineFormat({
  id: 'riff-pal',
  title: 'RIFF palette (PAL)',
  family: 'swatches',
  extensions: ['.pal'],
  purpose: 'For older painting programs and game tools: load the file as a palette. It holds no names.',
  readBy: 'Older painting programs and game tools',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.pal', mediaType: 'application/octet-stream' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const size = 4 + swatches.length * 4;
      const file = new ByteWriter()
        .latin('RIFF')
        .u32(size + 12, true)
        .latin('PAL data')
        .u32(size, true);
      file.u16(0x0300, true).u16(swatches.length, true);
      for (const { rgb } of swatches) file.u8(rgb[0]).u8(rgb[1]).u8(rgb[2]).u8(0);
      return file.bytes();
    });
  },
});
