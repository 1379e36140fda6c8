import { HEX_LIST } from '../../base/swatch-layouts';
import { markedSwatch } from '../kit/marks';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** See `HEX_LIST`. */
export const hexList = defineFormat({
  id: 'hex',
  title: HEX_LIST.title,
  family: 'swatches',
  extensions: [HEX_LIST.extension],
  purpose: 'For pixel-art tools: one code a line, without # and without names.',
  readBy: 'Pixel-art tools',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: HEX_LIST.extension, mediaType: 'text/plain' };
    return eachPalette(brand, options, place, (_palette, swatches) =>
      swatches.map((swatch) => markedSwatch(swatch, swatch.hex.slice(1)) + '\n').join(''),
    );
  },
});
