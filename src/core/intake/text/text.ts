import type { Reader } from '../reader';
import { nameOfFile, intakeOf } from '../intake';
import { readText } from './lines';

export const text: Reader = {
  id: 'text',
  title: 'Any text with colours in it',
  family: 'text',
  extensions: ['.txt', '.md', '.scss'],
  purpose: 'Lists, tables, style guides, code: every colour with the name beside it.',
  read({ name, source }, { onProgress }) {
    if (!source) return null;
    const { entries, problems } = readText(source.text, onProgress);
    return intakeOf('text', [{ name: nameOfFile(name), kind: 'loose', entries }], problems);
  },
};
