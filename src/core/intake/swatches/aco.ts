import { ByteReader } from '../../base/bytes';
import { fromHsb, fromLab, fromUnit } from '../../colour/channel-values';
import { problem, type Problem } from '../../source/problem';
import type { Reader } from '../reader';
import { nameOfFile, readingOf, taken, type EntryParts } from '../reading';
import { inked, sure, type Coloured } from './coloured';

/**
 * ACO, the colour table that drawing programs share. Big-endian 16-bit: version 1 is a count and five numbers a colour
 * (its space and four channels); version 2 follows with the same colours and their names in UTF-16. Layout and channel
 * ranges as published for the file format, from memory.
 */
export const aco: Reader = {
  id: 'aco',
  title: 'Colour table (ACO)',
  family: 'swatches',
  extensions: ['.aco'],
  purpose: 'The table is a palette; names where the file has them.',
  read({ name, bytes }) {
    const reader = new ByteReader(bytes);
    const version = reader.u16();
    const count = reader.u16();
    if ((version !== 1 && version !== 2) || count === 0) return null;
    // Nothing else in the file says what it is, so its extension or its length has to.
    const fits = version === 1 ? bytes.length >= 4 + count * 10 : bytes.length >= 4 + count * 14 && reader.bytes[4] === 0;
    if (!/\.aco$/i.test(name) && !fits) return null;
    const first = section(reader, version, count);
    const palette = (entries: EntryParts[]) => [{ name: nameOfFile(name), kind: 'loose' as const, entries }];
    if (version === 2 || reader.left < 4) return readingOf('aco', palette(first.entries), first.problems);
    // The second section says the same with names; a damaged one does not cost what the first gave.
    const next = reader.u16();
    const named = reader.u16();
    const problems = [...first.problems];
    if (next !== 2) {
      problems.push(
        problem(`The file says that it has ${count} colours, and more bytes follow them.`, { line: count, column: 1 }, 'warning'),
      );
      return readingOf('aco', palette(first.entries), problems);
    }
    const second = section(reader, 2, named);
    const whole = second.entries.length + second.problems.length;
    if (named !== count) {
      problems.push(
        problem(
          `The file has ${count} colours without names and ${named} with them; the ${named >= count ? 'named' : 'unnamed'} are here.`,
          { line: 1, column: 1 },
          'warning',
        ),
      );
    } else if (second.entries.length < first.entries.length) {
      problems.push(problem('The names are damaged; the colours are here without them.', { line: 1, column: 1 }, 'warning'));
    }
    const better = second.entries.length >= first.entries.length && whole >= named;
    return better
      ? readingOf('aco', palette(second.entries), [...problems.slice(first.problems.length), ...second.problems])
      : readingOf('aco', palette(first.entries), problems);
  },
};

function section(reader: ByteReader, version: number, count: number): { entries: EntryParts[]; problems: Problem[] } {
  const entries: EntryParts[] = [];
  const problems: Problem[] = [];
  for (let at = 1; at <= count; at++) {
    const from = reader.at;
    const space = reader.u16();
    const found = coloured(space, reader);
    const name = version === 2 ? reader.utf16(Math.min(reader.u32(), reader.left / 2)) : '';
    const place = { line: at, column: 0 };
    if (reader.short) {
      const message = `The file ends within colour ${at} of ${count}; those before it are here.`;
      problems.push(problem(message, place, 'error', count - at + 1));
      break;
    }
    if (found) entries.push(taken(found.colour, { ...place, name, doubts: found.doubts, span: { from, to: reader.at } }));
    else {
      const message = `Colour ${at} is in a space (${space}) that cannot be told without its maker’s book.`;
      problems.push(problem(message, place, 'error', 1));
    }
  }
  return { entries, problems };
}

function coloured(space: number, reader: ByteReader): Coloured | null {
  const signed = space === 7;
  const w = reader.u16();
  const [x, y] = signed ? [reader.i16(), reader.i16()] : [reader.u16(), reader.u16()];
  const z = reader.u16();
  switch (space) {
    case 0:
      return sure(fromUnit([w / 65_535, x / 65_535, y / 65_535]));
    case 1:
      return sure(fromHsb((w / 65_535) * 360, x / 65_535, y / 65_535));
    case 2:
      // Ink is stored upside down: 0 is all of it.
      return inked(1 - w / 65_535, 1 - x / 65_535, 1 - y / 65_535, 1 - z / 65_535);
    case 7:
      return sure(fromLab(w / 100, x / 100, y / 100));
    case 8:
      return sure(fromUnit([w / 10_000, w / 10_000, w / 10_000]));
    case 9:
      return inked(w / 10_000, x / 10_000, y / 10_000, z / 10_000);
    default:
      return null;
  }
}
