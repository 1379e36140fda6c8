import { z } from 'zod';
import { cssColours } from './css-colours';
import { defineFormat, type SourceFile } from '../../formats/kit/format';
import { nameOfFile, readingOf } from '../reading';
import { Uses } from './uses';

/** Past this a style sheet is taken for plain text: its tree would take too much memory. */
const LONGEST = 2 * 1024 * 1024;

export const stylesheet = defineFormat({
  id: 'stylesheet',
  title: 'Style sheet (CSS)',
  family: 'style framework',
  extensions: ['.css'],
  purpose: 'To bring in: custom properties keep their names, other colours come with how often they are used.',
  options: z.strictObject({}),
  read({ name, bytes }: SourceFile) {
    if (bytes.length > LONGEST || bytes.includes(0)) return null;
    const source = new TextDecoder().decode(bytes);
    const looksIt = /^[^{}<]*\{\s*(?:\/\*[^]*?\*\/\s*)?[-a-z]+\s*:[^{}]*[;}]/.test(source.slice(0, 8_192));
    if (!/\.css$/i.test(name) && !(looksIt && !/^\s*[{[]/.test(source))) return null;
    const uses = new Uses();
    const problems = cssColours(source, uses);
    return readingOf('stylesheet', [{ name: nameOfFile(name), kind: 'loose', swatches: uses.swatches() }], problems);
  },
});
