import { scanCss } from '../../source/css';
import type { Reader } from '../reader';
import { nameOfFile, intakeOf } from '../intake';
import { DrawnColours } from './drawn-colours';

/** Past this a style sheet is taken for plain text: its tree would take too much memory. */
const LONGEST = 1_250_000;

export const stylesheet: Reader = {
  id: 'stylesheet',
  title: 'Style sheet (CSS)',
  family: 'style framework',
  extensions: ['.css'],
  purpose: 'Custom properties keep their names, other colours come with how often they are used.',
  read({ name, bytes, source }) {
    if (bytes.length > LONGEST || !source) return null;
    const { text } = source;
    const looksIt = /^[^{}<]*\{\s*(?:\/\*[^]*?\*\/\s*)?[-a-z]+\s*:[^{}]*[;}]/.test(text.slice(0, 8_192));
    if (!/\.css$/i.test(name) && !(looksIt && !/^\s*[{[]/.test(text))) return null;
    const uses = new DrawnColours(source);
    const { occurrences, problems } = scanCss(source);
    uses.addCss(occurrences);
    return intakeOf('stylesheet', [{ name: nameOfFile(name), kind: 'loose', entries: uses.entries() }], problems);
  },
};
