import { GPL } from '../../base/swatch-layouts';
import { paletteWords } from '../../brand/reading/palette-notes';
import { markedSwatch } from '../kit/marks';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** See `GPL`. */
export const gpl = defineFormat({
  id: 'gpl',
  title: GPL.title,
  family: 'swatches',
  extensions: [GPL.extension],
  purpose: 'For open drawing and painting programs: put the file into their palettes folder.',
  readBy: 'Open drawing and painting programs',
  reload: 'start',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: GPL.extension, mediaType: 'text/plain' };
    return eachPalette(brand, options, place, (palette, swatches) => {
      const lines = swatches.map(
        (swatch) => `${markedSwatch(swatch, swatch.rgb.map((value) => String(value).padStart(3)).join(' '))}\t${swatch.name}`,
      );
      const notes = paletteWords(palette).map((line) => `# ${line}\n`);
      return `${GPL.magic}\nName: ${palette.name}\nColumns: 0\n#\n${notes.join('')}${lines.join('\n')}\n`;
    });
  },
});
