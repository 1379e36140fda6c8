import { cssColours } from '../../intake/styles/css-colours';
import { defineFormat, type Problem, type SourceFile } from '../kit/format';
import { eachPalette, paletteOptions } from './palette-files';
import { nameOfFile, readingOf } from '../../intake/reading';
import { Uses } from '../../intake/styles/uses';
import { decodeXml, escapeXml, walkXml } from '../../source/xml';

/** The presentation attributes that hold a colour: SVG 2, "Presentation attributes". */
const ATTRIBUTES = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color', 'color'];

/** Side of a written swatch, and how many stand in a row, in CSS pixels. */
const [SIDE, ACROSS] = [64, 8];

/** A drawing's colours. Only read as text: nothing in it is run, drawn or fetched. */
export const svg = defineFormat({
  id: 'svg',
  title: 'Drawing (SVG)',
  family: 'image',
  extensions: ['.svg'],
  purpose:
    'For drawing programs and documents: a square a swatch, with its name; pick the colours from it or keep it as a legend.',
  readBy: 'Drawing programs and documents',
  taken: 'load',
  options: paletteOptions,
  read({ name, bytes }: SourceFile) {
    const text = decodeXml(bytes);
    if (!/<(?:\w+:)?svg[\s>]/.test(text.slice(0, 8_192))) return null;
    const uses = new Uses();
    const problems: Problem[] = [];
    let sheet = '';
    let title = '';
    const fault = walkXml(
      text,
      ({ attributes, line, column }) => {
        for (const attribute of ATTRIBUTES) {
          const value = attributes[attribute]?.trim();
          if (value && !/^(?:none|transparent|inherit|currentcolor|url)/i.test(value)) uses.add(value, attribute, line, column);
        }
        if (attributes.style) cssColours(`x{${attributes.style}}`, uses, { line, column });
      },
      (part, within) => {
        if (within.at(-1) === 'style') sheet += part;
        if (within.at(-1) === 'title' && within.length === 2) title += part;
      },
    );
    if (sheet) cssColours(sheet, uses);
    if (fault) problems.push(fault);
    return readingOf('svg', [{ name: title.trim() || nameOfFile(name), kind: 'loose', swatches: uses.swatches() }], problems);
  },
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.svg', mediaType: 'image/svg+xml' };
    return eachPalette(brand, options, place, (palette, swatches) => {
      const squares = swatches.map(({ name: own, hex }, at) => {
        const [x, y] = [(at % ACROSS) * SIDE, Math.floor(at / ACROSS) * SIDE];
        return `  <rect x="${x}" y="${y}" width="${SIDE}" height="${SIDE}" fill="${hex}"><title>${escapeXml(own)}</title></rect>\n`;
      });
      const [width, height] = [Math.min(ACROSS, swatches.length) * SIDE, Math.ceil(swatches.length / ACROSS) * SIDE];
      const open = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`;
      return new TextEncoder().encode(`${open}\n  <title>${escapeXml(palette.name)}</title>\n${squares.join('')}</svg>\n`);
    });
  },
});
