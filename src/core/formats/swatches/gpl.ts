import { defineFormat, type Problem, type ReadSwatch, type SourceFile } from '../kit/format';
import { fromBytes } from '../../intake/channel-values';
import { eachPalette, paletteOptions } from './palette-files';
import { CATCH_LIMIT, nameOfFile, problem, readingOf, readSwatch, tidyName } from '../../intake/reading';

/** The first line by which every such file is known. */
const MAGIC = 'GIMP Palette';

/** GPL, the text palette that open painting programs share: a header, then red, green, blue 0..255 and a name a line. */
export const gpl = defineFormat({
  id: 'gpl',
  title: 'Text palette (GPL)',
  family: 'swatches',
  extensions: ['.gpl'],
  purpose: 'For open drawing and painting programs: put the file into their palettes folder.',
  readBy: 'Open drawing and painting programs',
  taken: 'start',
  options: paletteOptions,
  read({ name, bytes }: SourceFile) {
    const lines = new TextDecoder().decode(bytes).split(/\r\n|\r|\n/);
    if (lines[0]?.trim() !== MAGIC) return null;
    const swatches: ReadSwatch[] = [];
    const problems: Problem[] = [];
    let title = nameOfFile(name);
    // A name may hold any other line break (U+2028, say), so the patterns take every character to the end.
    for (const [at, line] of lines.entries()) {
      if (swatches.length + problems.length > CATCH_LIMIT) break;
      if (at === 0 || line.trim() === '' || line.startsWith('#') || /^(Columns|Channels)\s*:/i.test(line)) continue;
      const header = /^Name\s*:([^]*)$/i.exec(line);
      if (header && swatches.length === 0) {
        title = tidyName(header[1]!) || title;
        continue;
      }
      const match = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+([^]*))?$/.exec(line);
      const channels = match?.slice(1, 4).map(Number) ?? [];
      if (!match || channels.some((value) => value > 255)) {
        problems.push(problem(`This line is no colour: three numbers from 0 to 255 and a name are wanted.`, at + 1));
        continue;
      }
      const [r, g, b] = channels as [number, number, number];
      const label = match[4] === 'Untitled' ? '' : (match[4] ?? '');
      swatches.push(readSwatch(fromBytes(r, g, b), { name: label, line: at + 1, text: line.trim().slice(0, 80) }));
    }
    return readingOf('gpl', [{ name: title, kind: 'loose', swatches }], problems);
  },
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.gpl', mediaType: 'text/plain' };
    return eachPalette(brand, options, place, (palette, swatches) => {
      const lines = swatches.map(({ name, rgb }) => `${rgb.map((value) => String(value).padStart(3)).join(' ')}\t${name}`);
      return new TextEncoder().encode(`${MAGIC}\nName: ${palette.name}\nColumns: 0\n#\n${lines.join('\n')}\n`);
    });
  },
});
