import { RIFF_PAL } from '../../base/swatch-layouts';
import { ByteReader } from '../../base/bytes';
import { fromBytes } from '../../colour/channel-values';
import { problem, type Problem } from '../../source/problem';
import type { Reader } from '../reader';
import { certain, nameOfFile, intakeOf, taken, tidyName, type EntryParts } from '../intake';

/** See `RIFF_PAL`. */
export const riffPal: Reader = {
  id: 'riff-pal',
  title: RIFF_PAL.title,
  family: 'swatches',
  extensions: [RIFF_PAL.extension],
  purpose: 'The colours in their order; the file names none of them.',
  read({ name, bytes }) {
    const reader = new ByteReader(bytes);
    if (reader.latin(4) !== RIFF_PAL.magic) return null;
    reader.u32(true);
    if (reader.latin(4) !== RIFF_PAL.form) return null;
    const problems: Problem[] = [];
    const entries: EntryParts[] = [];
    let title = nameOfFile(name);
    while (reader.left >= 8) {
      const chunk = reader.latin(4);
      const size = reader.u32(true);
      const start = reader.at;
      if (chunk === RIFF_PAL.chunks.data) colours(reader, start + size, entries, problems);
      else if (chunk === RIFF_PAL.chunks.list && reader.latin(4) === RIFF_PAL.chunks.info)
        title = named(reader, Math.min(start + size, bytes.length)) || title;
      reader.at = Math.min(start + size + (size % 2), bytes.length);
    }
    if (entries.length === 0 && problems.length === 0) problems.push(problem('The file has no colours in it.'));
    return intakeOf('riff-pal', [{ name: title, kind: 'loose', entries }], problems);
  },
};

function colours(reader: ByteReader, end: number, entries: EntryParts[], problems: Problem[]): void {
  reader.u16(true);
  const count = reader.u16(true);
  const room = Math.floor((Math.min(end, reader.bytes.length) - reader.at) / 4);
  for (let at = 1; at <= Math.min(count, room); at++) {
    const from = reader.at;
    const [r, g, b] = [reader.u8(), reader.u8(), reader.u8()];
    reader.u8();
    entries.push(taken(certain(fromBytes(r, g, b)), { line: entries.length + 1, span: { from, to: reader.at } }));
  }
  const place = { line: Math.max(1, entries.length), column: 1 };
  if (room < count) {
    const message = `The file ends within colour ${room + 1} of ${count}; those before it are here.`;
    problems.push(problem(message, { line: room + 1, column: 1 }, 'error', count - room));
  } else if (room > count) {
    const message = `The file says that it has ${count} colours, and there is room for ${room}; the ${count} are here.`;
    problems.push(problem(message, place, 'warning', room - count));
  }
}

function named(reader: ByteReader, end: number): string {
  while (reader.at + 8 <= end) {
    const chunk = reader.latin(4);
    const size = reader.u32(true);
    const next = reader.at + size + (size % 2);
    if (chunk === RIFF_PAL.chunks.name) return tidyName(reader.latin(Math.min(size, 1_000)).replace(/\0[^]*$/, ''));
    reader.at = Math.min(next, end);
  }
  return '';
}
