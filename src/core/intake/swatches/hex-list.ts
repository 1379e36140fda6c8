import { HEX_LIST } from '../../base/swatch-layouts';
import type { Reader } from '../reader';
import { certain, doubt, EntryList, leftOut, nameOfFile, intakeOf, taken } from '../intake';

/** See `HEX_LIST`. */
export const hexList: Reader = {
  id: 'hex',
  title: HEX_LIST.title,
  family: 'swatches',
  extensions: [HEX_LIST.extension],
  purpose: 'A code a line, of three, four, six or eight digits, with or without #.',
  read({ name, source }) {
    if (!name.toLowerCase().endsWith(HEX_LIST.extension) || !source) return null;
    const list = new EntryList();
    for (let number = 1; number <= source.lineCount; number++) {
      const span = source.lineSpan(number);
      const text = source.textOf(span).trim();
      if (text === '') continue;
      list.add(() => {
        const digits = /^#?([0-9a-f]{3}|[0-9a-f]{4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.exec(text)?.[1];
        const place = { line: number, column: 1, span, text: text.slice(0, 80) };
        const wrong = 'This line is no hex code of three, four, six or eight digits.';
        return digits ? taken(certain(`#${digits.toLowerCase()}`), place) : leftOut(null, doubt('unreadable', wrong), place);
      });
    }
    return intakeOf('hex', [{ name: nameOfFile(name), kind: 'loose', entries: list.entries }], list.problems());
  },
};
