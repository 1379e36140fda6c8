import { ByteReader, ByteWriter } from '../../base/bytes';
import { defineFormat, type Problem, type ReadSwatch, type SourceFile } from '../kit/format';
import { fromCmyk, fromHsb, fromLab, fromUnit, type Numbered } from '../../intake/channel-values';
import { eachPalette, paletteOptions } from './palette-files';
import { nameOfFile, problem, readingOf, readSwatch } from '../../intake/reading';

/**
 * ACO, the colour table that drawing programs share. Big-endian 16-bit: version 1 is a count and five numbers a colour
 * (its space and four channels); version 2 follows with the same colours and their names in UTF-16. Layout and channel
 * ranges as published for the file format, from memory.
 */
export const aco = defineFormat({
  id: 'aco',
  title: 'Colour table (ACO)',
  family: 'swatches',
  extensions: ['.aco'],
  purpose: 'For painting and photo programs: load the file into the swatches.',
  readBy: 'Painting programs',
  taken: 'import',
  options: paletteOptions,
  read({ name, bytes }: SourceFile) {
    const reader = new ByteReader(bytes);
    const version = reader.u16();
    const count = reader.u16();
    const entry = version === 1 ? 10 : 14;
    if ((version !== 1 && version !== 2) || count === 0) return null;
    // Nothing else in the file says what it is, so its extension or its length has to.
    const fits = version === 1 ? bytes.length >= 4 + count * entry : bytes.length >= 4 + count * entry && reader.bytes[4] === 0;
    if (!/\.aco$/i.test(name) && !fits) return null;
    const problems: Problem[] = [];
    let swatches = entries(reader, version, count, problems);
    if (version === 1 && reader.left >= 4) {
      const second: Problem[] = [];
      const next = reader.u16();
      const named = reader.u16();
      // The second section says the same with names; a damaged one does not cost what the first gave.
      const better = next === 2 && named === count ? entries(reader, 2, named, second) : [];
      if (better.length === swatches.length) swatches = better;
      else if (next === 2) problems.push(problem('The names are damaged; the colours are here without them.', 1, 1, 'warning'));
    }
    return readingOf('aco', [{ name: nameOfFile(name), kind: 'loose', swatches }], problems);
  },
  write(brand, _themes, options) {
    const place = { folder: 'swatches', extension: '.aco', mediaType: 'application/octet-stream' };
    return eachPalette(brand, options, place, (_palette, swatches) => {
      const file = new ByteWriter();
      for (const version of [1, 2]) {
        file.u16(version).u16(swatches.length);
        for (const { name, rgb } of swatches) {
          file.u16(0);
          for (const channel of rgb) file.u16(channel * 257);
          file.u16(0);
          if (version === 2) file.u32(name.length + 1).utf16(name);
        }
      }
      return file.bytes();
    });
  },
});

function entries(reader: ByteReader, version: number, count: number, problems: Problem[]): ReadSwatch[] {
  const swatches: ReadSwatch[] = [];
  for (let at = 1; at <= count; at++) {
    const space = reader.u16();
    const colour = coloured(space, reader);
    const name = version === 2 ? reader.utf16(Math.min(reader.u32(), reader.left / 2)) : '';
    if (reader.short) {
      problems.push(problem(`The file ends within colour ${at} of ${count}; those before it are here.`, at));
      break;
    }
    if (colour) swatches.push(readSwatch(colour.css, { name, line: at, doubts: colour.doubts }));
    else problems.push(problem(`Colour ${at} is in a space (${space}) that cannot be told without its maker’s book.`, at));
  }
  return swatches;
}

function coloured(space: number, reader: ByteReader): Numbered | null {
  const signed = space === 7;
  const w = reader.u16();
  const [x, y] = signed ? [reader.i16(), reader.i16()] : [reader.u16(), reader.u16()];
  const z = reader.u16();
  const sure = (css: string): Numbered => ({ css, doubts: [] });
  switch (space) {
    case 0:
      return sure(fromUnit([w / 65_535, x / 65_535, y / 65_535]));
    case 1:
      return sure(fromHsb((w / 65_535) * 360, x / 65_535, y / 65_535));
    case 2:
      // Ink is stored upside down: 0 is all of it.
      return fromCmyk(1 - w / 65_535, 1 - x / 65_535, 1 - y / 65_535, 1 - z / 65_535);
    case 7:
      return sure(fromLab(w / 100, x / 100, y / 100));
    case 8:
      return sure(fromUnit([w / 10_000, w / 10_000, w / 10_000]));
    case 9:
      return fromCmyk(w / 10_000, x / 10_000, y / 10_000, z / 10_000);
    default:
      return null;
  }
}
