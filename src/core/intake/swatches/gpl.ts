import { GPL } from '../../base/swatch-layouts';
import { fromBytes } from '../../colour/channel-values';
import type { Reader } from '../reader';
import { certain, doubt, EntryList, leftOut, nameOfFile, intakeOf, taken, tidyName } from '../intake';

/** The first line by which every such file is known. */
const MAGIC = new RegExp(`^\\s*${GPL.magic}[ \\t]*(?:[\\r\\n]|$)`);

/** See `GPL`. */
export const gpl: Reader = {
  id: 'gpl',
  title: GPL.title,
  family: 'swatches',
  extensions: [GPL.extension],
  purpose: 'A line a colour, with its name.',
  read({ name, source }) {
    if (!source || !MAGIC.test(source.text)) return null;
    const list = new EntryList();
    let title = nameOfFile(name);
    let begun = false;
    for (let number = 1; number <= source.lineCount; number++) {
      const span = source.lineSpan(number);
      const line = source.textOf(span);
      if (!begun) {
        begun = line.trim() !== '';
        continue;
      }
      if (line.trim() === '' || line.startsWith('#') || /^(?:Columns|Channels)\s*:/i.test(line)) continue;
      // A name may hold any other line break (U+2028, say), so the patterns take every character to the end.
      const header = /^Name\s*:([^]*)$/i.exec(line);
      if (header && list.entries.length === 0) {
        title = tidyName(header[1]!) || title;
        continue;
      }
      list.add(() => {
        const place = { line: number, span, text: line.trim().slice(0, 80) };
        const match = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+([^]*))?$/.exec(line);
        const channels = match?.slice(1, 4).map(Number) ?? [];
        if (!match || channels.some((value) => value > 255)) {
          const reason = 'This line is no colour: three numbers from 0 to 255 and a name are wanted.';
          return leftOut(null, doubt('unreadable', reason), place);
        }
        const [r, g, b] = channels as [number, number, number];
        const label = match[4] === 'Untitled' ? '' : (match[4] ?? '');
        return taken(certain(fromBytes(r, g, b)), { ...place, name: label });
      });
    }
    return intakeOf('gpl', [{ name: title, kind: 'loose', entries: list.entries }], list.problems());
  },
};
