import { ByteReader, ByteWriter } from '../../base/bytes';
import { defineFormat, type Problem, type ReadSwatch, type SourceFile } from '../kit/format';
import { fromBytes } from '../../intake/channel-values';
import { eachPalette, paletteOptions } from './palette-files';
import { nameOfFile, problem, readingOf, readSwatch } from '../../intake/reading';

/** RIFF palette: little-endian chunks; "data" holds version 3, a count, and red, green, blue, flags a colour. Multimedia Programming Interface 1.0 (1991), "Palette File Format". */
export const riffPal = defineFormat({
  id: 'riff-pal',
  title: 'RIFF palette (PAL)',
  family: 'swatches',
  extensions: ['.pal'],
  purpose: 'For older painting programs and game tools: load the file as a palette. It holds no names.',
  readBy: 'Older painting programs and game tools',
  taken: 'import',
  options: paletteOptions,
  read({ name, bytes }: SourceFile) {
    const reader = new ByteReader(bytes);
    if (reader.latin(4) !== 'RIFF') return null;
    reader.u32(true);
    if (reader.latin(4) !== 'PAL ') return null;
    const problems: Problem[] = [];
    const swatches: ReadSwatch[] = [];
    while (reader.left >= 8) {
      const chunk = reader.latin(4);
      const size = reader.u32(true);
      const end = reader.at + size + (size % 2);
      if (chunk === 'data') {
        reader.u16(true);
        const count = reader.u16(true);
        for (let at = 1; at <= count; at++) {
          const [r, g, b] = [reader.u8(), reader.u8(), reader.u8()];
          reader.u8();
          if (reader.short) {
            problems.push(problem(`The file ends within colour ${at} of ${count}; those before it are here.`, at));
            break;
          }
          swatches.push(readSwatch(fromBytes(r, g, b), { name: '', line: swatches.length + 1 }));
        }
      }
      reader.at = Math.min(end, bytes.length);
    }
    if (swatches.length === 0 && problems.length === 0) problems.push(problem('The file has no colours in it.'));
    return readingOf('riff-pal', [{ name: nameOfFile(name), kind: 'loose', swatches }], problems);
  },
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.pal', mediaType: 'application/octet-stream' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const size = 4 + swatches.length * 4;
      const file = new ByteWriter()
        .latin('RIFF')
        .u32(size + 12, true)
        .latin('PAL data')
        .u32(size, true);
      file.u16(0x0300, true).u16(swatches.length, true);
      for (const { rgb } of swatches) file.u8(rgb[0]).u8(rgb[1]).u8(rgb[2]).u8(0);
      return file.bytes();
    });
  },
});
