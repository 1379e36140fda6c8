import { ACO } from '../../base/swatch-layouts';
import { ByteReader } from '../../base/bytes';
import { fromHsb, fromLab, fromUnit } from '../../colour/channel-values';
import { problem, type Problem } from '../../source/problem';
import type { Reader } from '../reader';
import { nameOfFile, intakeOf, taken, type EntryParts } from '../intake';
import { inked, sure, type Coloured } from './coloured';

/** See `ACO`. */
export const aco: Reader = {
  id: 'aco',
  title: ACO.title,
  family: 'swatches',
  extensions: [ACO.extension],
  purpose: 'The table is a palette; names where the file has them.',
  read({ name, bytes }) {
    const reader = new ByteReader(bytes);
    const version = reader.u16();
    const count = reader.u16();
    if ((version !== ACO.versions.plain && version !== ACO.versions.named) || count === 0) return null;
    // Nothing else in the file says what it is, so its extension or its length has to.
    const fits =
      version === ACO.versions.plain ? bytes.length >= 4 + count * 10 : bytes.length >= 4 + count * 14 && reader.bytes[4] === 0;
    if (!/\.aco$/i.test(name) && !fits) return null;
    const first = section(reader, version, count);
    const palette = (entries: EntryParts[]) => [{ name: nameOfFile(name), kind: 'loose' as const, entries }];
    if (version === ACO.versions.named || reader.left < 4) return intakeOf('aco', palette(first.entries), first.problems);
    // The second section says the same with names; a damaged one does not cost what the first gave.
    const next = reader.u16();
    const named = reader.u16();
    const problems = [...first.problems];
    if (next !== ACO.versions.named) {
      problems.push(
        problem(`The file says that it has ${count} colours, and more bytes follow them.`, { line: count, column: 1 }, 'warning'),
      );
      return intakeOf('aco', palette(first.entries), problems);
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
      ? intakeOf('aco', palette(second.entries), [...problems.slice(first.problems.length), ...second.problems])
      : intakeOf('aco', palette(first.entries), problems);
  },
};

function section(reader: ByteReader, version: number, count: number): { entries: EntryParts[]; problems: Problem[] } {
  const entries: EntryParts[] = [];
  const problems: Problem[] = [];
  for (let at = 1; at <= count; at++) {
    const from = reader.at;
    const space = reader.u16();
    const found = coloured(space, reader);
    const name = version === ACO.versions.named ? reader.utf16(Math.min(reader.u32(), reader.left / 2)) : '';
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
  const signed = space === ACO.spaces.lab;
  const w = reader.u16();
  const [x, y] = signed ? [reader.i16(), reader.i16()] : [reader.u16(), reader.u16()];
  const z = reader.u16();
  switch (space) {
    case ACO.spaces.rgb:
      return sure(fromUnit([w / ACO.most, x / ACO.most, y / ACO.most]));
    case ACO.spaces.hsb:
      return sure(fromHsb((w / ACO.most) * 360, x / ACO.most, y / ACO.most));
    case ACO.spaces.cmyk:
      // Ink is stored upside down: 0 is all of it.
      return inked(1 - w / ACO.most, 1 - x / ACO.most, 1 - y / ACO.most, 1 - z / ACO.most);
    case ACO.spaces.lab:
      return sure(fromLab(w / 100, x / 100, y / 100));
    case ACO.spaces.grey:
      return sure(fromUnit([w / 10_000, w / 10_000, w / 10_000]));
    case ACO.spaces.wideCmyk:
      return inked(w / 10_000, x / 10_000, y / 10_000, z / 10_000);
    default:
      return null;
  }
}
