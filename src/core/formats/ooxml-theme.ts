import { unzipSync } from 'fflate';
import { z } from 'zod';
import { readColour } from '../colour/read';
import { defineFormat, type Problem, type ReadSwatch, type SourceFile } from './format';
import { nameOfFile, readingOf, readSwatch, unreadable } from './reading';
import { decodeXml, walkXml } from './xml';

/** A theme part larger than this is no theme. */
const LARGEST_PART = 4 * 1024 * 1024;

/** The twelve places of a colour scheme in the order of the standard, in words. */
const PLACES: Record<string, string> = {
  dk1: 'Dark 1',
  lt1: 'Light 1',
  dk2: 'Dark 2',
  lt2: 'Light 2',
  accent1: 'Accent 1',
  accent2: 'Accent 2',
  accent3: 'Accent 3',
  accent4: 'Accent 4',
  accent5: 'Accent 5',
  accent6: 'Accent 6',
  hlink: 'Link',
  folHlink: 'Visited link',
};

export interface OfficeTheme {
  readonly name: string;
  readonly swatches: readonly ReadSwatch[];
  readonly problem: Problem | null;
}

/** The colour scheme of a DrawingML theme part. ECMA-376 part 1, 20.1.6.2 (clrScheme). */
export function officeTheme(xml: string): OfficeTheme {
  const swatches: ReadSwatch[] = [];
  let name = '';
  const fault = walkXml(xml, ({ name: element, attributes, within, line, column }) => {
    if (element === 'clrScheme' && name === '') name = attributes.name ?? '';
    const place = within.at(-1) ?? '';
    if (within.at(-2) !== 'clrScheme' || !Object.hasOwn(PLACES, place)) return;
    // A system colour names what it was when the file was written.
    const code = `#${element === 'srgbClr' ? attributes.val : attributes.lastClr}`;
    if (readColour(code)) swatches.push(readSwatch(code.toLowerCase(), { name: PLACES[place]!, line, column }));
  });
  return { name, swatches, problem: fault };
}

/** Office themes: the theme part by itself, or any office file that carries one. */
export const ooxmlTheme = defineFormat({
  id: 'ooxml-theme',
  title: 'Office theme (OOXML)',
  family: 'interface',
  extensions: ['.thmx', '.xml', '.pptx', '.docx'],
  purpose: 'To bring in: the twelve theme colours of an office file.',
  options: z.strictObject({}),
  read({ name, bytes }: SourceFile) {
    const part = themePart(bytes);
    if (part === null) return null;
    if (part === 'damaged') return unreadable('ooxml-theme', 'This office file is damaged: its parts cannot be unpacked.');
    const { name: scheme, swatches, problem } = officeTheme(part);
    return readingOf('ooxml-theme', [{ name: scheme || nameOfFile(name), kind: 'brand', swatches }], problem ? [problem] : []);
  },
});

function themePart(bytes: Uint8Array): string | 'damaged' | null {
  if (!isZip(bytes)) {
    const head = decodeXml(bytes.subarray(0, 4_096));
    return /<(?:\w+:)?theme[\s>]/.test(head) && head.includes('drawingml') ? decodeXml(bytes) : null;
  }
  try {
    let taken = 0;
    const parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) =>
        /(?:^|\/)theme\/theme\d*\.xml$/.test(name) && originalSize <= LARGEST_PART && taken++ === 0,
    });
    const [part] = Object.values(parts);
    return part ? decodeXml(part) : null;
  } catch {
    // The unpacker throws on any damage; what it was is of no use to a person.
    return 'damaged';
  }
}

export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;
}
