import { ACO } from '../../base/swatch-layouts';
import { ByteWriter } from '../../base/bytes';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** See `ACO`. */
export const aco = defineFormat({
  id: 'aco',
  title: ACO.title,
  family: 'swatches',
  extensions: [ACO.extension],
  purpose: 'For painting and photo programs: load the file into the swatches.',
  readBy: 'Painting programs',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: ACO.extension, mediaType: 'application/octet-stream' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const file = new ByteWriter();
      for (const version of Object.values(ACO.versions)) {
        file.u16(version).u16(swatches.length);
        for (const { name, rgb } of swatches) {
          file.u16(ACO.spaces.rgb);
          for (const channel of rgb) file.u16(channel * (ACO.most / 255));
          file.u16(0);
          if (version === ACO.versions.named) file.u32(name.length + 1).utf16(name);
        }
      }
      return file.bytes();
    });
  },
});
