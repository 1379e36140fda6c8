import { SOC } from '../../base/swatch-layouts';
import { paletteWords } from '../../brand/reading/palette-notes';
import { markedSwatch } from '../kit/marks';
import { escapeXml } from '../../base/escape-xml';
import { allTokens, defineFormat } from '../kit/format';
import { eachPalette, paletteOptions } from '../kit/palette-files';

const OPEN = `<?xml version="1.0" encoding="UTF-8"?>
<ooo:${SOC.table} xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:svg="http://www.w3.org/2000/svg" xmlns:ooo="http://openoffice.org/2004/office">`;

/** See `SOC`. */
export const soc = defineFormat({
  id: 'soc',
  title: SOC.title,
  family: 'swatches',
  extensions: [SOC.extension],
  purpose: 'For office programs of the OpenDocument kind: put the file into their palette folder.',
  readBy: 'Office programs of the OpenDocument kind',
  reload: 'start',
  options: paletteOptions,
  tokensWritten: allTokens,
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: SOC.extension, mediaType: 'application/xml' };
    return eachPalette(brand, options, place, (palette, swatches) => {
      const lines = swatches.map(
        (swatch) =>
          `  <draw:${SOC.colour.element} draw:${SOC.colour.name}="${escapeXml(swatch.name)}" draw:${SOC.colour.code}="${markedSwatch(swatch, swatch.hex)}"/>`,
      );
      const notes = paletteWords(palette).map((line) => `  <!-- ${line} -->\n`);
      return `${OPEN}\n${notes.join('')}${lines.join('\n')}\n</ooo:${SOC.table}>\n`;
    });
  },
});
