import { paletteWords } from '../../brand/reading/palette-notes';
import { markedSwatch } from '../kit/marks';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** GPL, the text palette that open painting programs share: a header, then red, green, blue 0..255 and a name a line. */
export const gpl = defineFormat({
  id: 'gpl',
  title: 'Text palette (GPL)',
  family: 'swatches',
  extensions: ['.gpl'],
  purpose: 'For open drawing and painting programs: put the file into their palettes folder.',
  readBy: 'Open drawing and painting programs',
  reload: 'start',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.gpl', mediaType: 'text/plain' };
    return eachPalette(brand, options, place, (palette, swatches) => {
      const lines = swatches.map(
        (swatch) => `${markedSwatch(swatch, swatch.rgb.map((value) => String(value).padStart(3)).join(' '))}\t${swatch.name}`,
      );
      const notes = paletteWords(palette).map((line) => `# ${line}\n`);
      return `GIMP Palette\nName: ${palette.name}\nColumns: 0\n#\n${notes.join('')}${lines.join('\n')}\n`;
    });
  },
});
