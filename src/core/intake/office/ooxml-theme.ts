import { SourceText } from '../../source/source-text';
import { isZip, unpackParts } from '../../source/zip';
import type { OpenFile, Reader } from '../reader';
import { nameOfFile, intakeOf, unreadable } from '../intake';
import { officeTheme } from './office-theme';

/** A theme part larger than this is no theme. */
const LARGEST_PART = 4 * 1024 * 1024;

/** Office themes: the theme part by itself, or any office file that carries one. */
export const ooxmlTheme: Reader = {
  id: 'ooxml-theme',
  title: 'Office theme (OOXML)',
  family: 'interface',
  extensions: ['.thmx', '.xml', '.pptx', '.docx'],
  purpose: 'The twelve colours of the theme.',
  read(file) {
    const part = partOf(file);
    if (part === null) return null;
    if (part === 'damaged') return unreadable('ooxml-theme', 'This office file is damaged: its parts cannot be unpacked.');
    const { name, entries, problem } = officeTheme(part);
    const palette = { name: name || nameOfFile(file.name), kind: 'brand' as const, entries };
    return intakeOf('ooxml-theme', [palette], problem ? [problem] : []);
  },
};

function partOf({ bytes, source }: OpenFile): SourceText | 'damaged' | null {
  if (isZip(bytes)) {
    let found = false;
    const isTheme = (path: string) => !found && (found = /(?:^|\/)theme\/theme\d*\.xml$/.test(path));
    const { parts, ending } = unpackParts(bytes, isTheme, LARGEST_PART);
    const [part] = parts.values();
    return part ? SourceText.of(part) : ending === 'whole' ? null : 'damaged';
  }
  const head = source?.text.slice(0, 4_096) ?? '';
  return /<(?:\w+:)?theme[\s>]/.test(head) && head.includes('drawingml') ? source : null;
}
