import { markedSwatch } from '../kit/marks';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** `.hex`: six hex digits a line and nothing else, as palette collections for games hand them out. */
export const hexList = defineFormat({
  id: 'hex',
  title: 'List of hex codes',
  family: 'swatches',
  extensions: ['.hex'],
  purpose: 'For pixel-art tools: one code a line, without # and without names.',
  readBy: 'Pixel-art tools',
  reload: 'import',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.hex', mediaType: 'text/plain' };
    return eachPalette(brand, options, place, (_palette, swatches) =>
      swatches.map((swatch) => markedSwatch(swatch, swatch.hex.slice(1)) + '\n').join(''),
    );
  },
});
