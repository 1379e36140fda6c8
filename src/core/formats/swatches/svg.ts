import { paletteWords } from '../../brand/reading/palette-notes';
import { markedSwatch } from '../kit/marks';
import { escapeXml } from '../../base/escape-xml';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

/** Side of a written swatch, and how many stand in a row, in CSS pixels. */
const [SIDE, ACROSS] = [64, 8];

/** A drawing of squares, each with its name. */
export const svg = defineFormat({
  id: 'svg',
  title: 'Drawing (SVG)',
  family: 'image',
  extensions: ['.svg'],
  purpose:
    'For drawing programs and documents: a square a swatch, with its name; pick the colours from it or keep it as a legend.',
  readBy: 'Drawing programs and documents',
  reload: 'load',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.svg', mediaType: 'image/svg+xml' };
    return eachPalette(brand, options, place, (palette, swatches) => {
      const squares = swatches.map((swatch, at) => {
        const [x, y] = [(at % ACROSS) * SIDE, Math.floor(at / ACROSS) * SIDE];
        return `  <rect x="${x}" y="${y}" width="${SIDE}" height="${SIDE}" fill="${markedSwatch(swatch, swatch.hex)}"><title>${escapeXml(swatch.name)}</title></rect>\n`;
      });
      const [width, height] = [Math.min(ACROSS, swatches.length) * SIDE, Math.ceil(swatches.length / ACROSS) * SIDE];
      const open = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`;
      const words = paletteWords(palette).join(' ');
      const about = words && `  <desc>${escapeXml(words)}</desc>\n`;
      return `${open}\n  <title>${escapeXml(palette.name)}</title>\n${about}${squares.join('')}</svg>\n`;
    });
  },
});
