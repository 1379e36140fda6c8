import { defineFormat, type SourceFile } from '../kit/format';
import { eachPalette, paletteOptions } from './palette-files';
import { CATCH_LIMIT, doubt, nameOfFile, readingOf, readSwatch } from '../../intake/reading';
import type { Found, ReadSwatch } from '../kit/format';

/** `.hex`: six hex digits a line and nothing else, as palette collections for games hand them out. */
export const hexList = defineFormat({
  id: 'hex',
  title: 'List of hex codes',
  family: 'swatches',
  extensions: ['.hex'],
  purpose: 'For pixel-art tools: one code a line, without # and without names.',
  readBy: 'Pixel-art tools',
  taken: 'import',
  options: paletteOptions,
  read({ name, bytes }: SourceFile) {
    if (!/\.hex$/i.test(name) || bytes.includes(0)) return null;
    const swatches: ReadSwatch[] = [];
    const skipped: Found[] = [];
    const lines = new TextDecoder().decode(bytes).split(/\r\n|\r|\n/);
    for (const [at, raw] of lines.entries()) {
      if (swatches.length + skipped.length > CATCH_LIMIT) break;
      const text = raw.trim();
      if (text === '') continue;
      const digits = /^#?([0-9a-f]{6}(?:[0-9a-f]{2})?)$/i.exec(text)?.[1];
      if (digits) swatches.push(readSwatch(`#${digits.toLowerCase()}`, { name: '', line: at + 1, text }));
      else {
        const doubts = [doubt('unreadable', 'This line is no hex code of six or eight digits.')];
        skipped.push({ line: at + 1, column: 1, text: text.slice(0, 80), name: '', css: null, doubts });
      }
    }
    return { ...readingOf('hex', [{ name: nameOfFile(name), kind: 'loose', swatches }]), skipped };
  },
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.hex', mediaType: 'text/plain' };
    return eachPalette(brand, options, place, (_palette, swatches) =>
      new TextEncoder().encode(swatches.map(({ hex }) => hex.slice(1) + '\n').join('')),
    );
  },
});
