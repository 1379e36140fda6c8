import { ByteWriter } from '../../base/bytes';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/**
 * ACO, the colour table that drawing programs share. Big-endian 16-bit: version 1 is a count and five numbers a colour
 * (its space and four channels); version 2 follows with the same colours and their names in UTF-16. Layout and channel
 * ranges as published for the file format, from memory.
 */
export const aco = defineFormat({
  id: 'aco',
  title: 'Colour table (ACO)',
  family: 'swatches',
  extensions: ['.aco'],
  purpose: 'For painting and photo programs: load the file into the swatches.',
  readBy: 'Painting programs',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.aco', mediaType: 'application/octet-stream' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const file = new ByteWriter();
      for (const version of [1, 2]) {
        file.u16(version).u16(swatches.length);
        for (const { name, rgb } of swatches) {
          file.u16(0);
          for (const channel of rgb) file.u16(channel * 257);
          file.u16(0);
          if (version === 2) file.u32(name.length + 1).utf16(name);
        }
      }
      return file.bytes();
    });
  },
});
