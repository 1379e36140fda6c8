import { about } from '../kit/options';
import { z } from 'zod';
import { serialisePalette } from '../../brand/document/palette-file';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

export const paletteFile = defineFormat({
  id: 'palette',
  title: 'Breakwater palette file',
  family: 'swatches',
  extensions: ['.palette.json'],
  purpose: 'One palette to hand on, whole: authored colours, names, rows, locks and its maker.',
  wide: true,
  readBy: 'Breakwater itself, palette by palette',
  reload: 'import',
  options: paletteOptions.extend({
    maker: z
      .string()
      .trim()
      .max(120)
      .default('')
      .meta(about({ title: 'Made by', description: 'nobody named' })),
  }),
  tokensWritten: allTokens,
  write(brand, _themes, { maker, ...options }) {
    const place = { folder: 'palettes', extension: '.palette.json', mediaType: 'application/json' };
    return eachPalette(brand, options, place, (palette) => serialisePalette(palette, maker));
  },
});
