import { unzipSync } from 'fflate';
import { z } from 'zod';
import { readColour } from '../../colour/read';
import { firstSeries, tokensBelow } from '../../brand/data-fields';
import { bytesOf } from '../../colour/integers';
import { chartParts } from '../charts/chart-parts';
import { chosen } from '../kit/choices';
import { fitted, slotColours, slotOptions } from '../kit/fitted-tokens';
import {
  defineFormat,
  slug,
  type Problem,
  type ReadSwatch,
  type SourceFile,
  type Written,
  type WrittenFile,
} from '../kit/format';
import { material } from '../kit/material';
import { themePackage, themePart } from './ooxml-scheme';
import { nameOfFile, readingOf, readSwatch, unreadable } from '../../intake/reading';
import { decodeXml, walkXml } from '../../source/xml';
import { workbook } from './xlsx-parts';

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

/** What the places but the accents are filled from. */
const SLOTS = {
  dk1: { title: 'Text 1', words: ['default', 'body'], role: 'text' },
  lt1: { title: 'Background 1', words: ['page', 'background', 'ground'], role: 'surface' },
  dk2: { title: 'Text 2', words: ['soft', 'secondary', 'muted'], role: 'text' },
  lt2: { title: 'Background 2', words: ['panel', 'sunken', 'paper', 'card'], role: 'surface' },
  hlink: { title: 'Link', words: ['link', 'primary'], role: 'text' },
  folHlink: { title: 'Visited link', words: ['visited', 'soft'], role: 'text' },
} as const;

/** Office themes: the theme part by itself, or any office file that carries one. */
export const ooxmlTheme = defineFormat({
  id: 'ooxml-theme',
  title: 'Office theme (OOXML)',
  family: 'interface',
  extensions: ['.thmx', '.xml', '.pptx', '.docx'],
  purpose:
    'For office programs: the theme by itself, and a workbook that has it; its twelve colours then stand in every picker for font, fill and border.',
  readBy: 'Office programs, for their colour pickers',
  taken: 'import',
  options: z.strictObject({
    themes: chosen.themes,
    series: chartParts.series.meta({ title: 'Accents 1 to 6, a group', description: 'first data group', names: 'tokens' }),
    ...slotOptions(SLOTS),
  }),
  read({ name, bytes }: SourceFile) {
    const part = partOf(bytes);
    if (part === null) return null;
    if (part === 'damaged') return unreadable('ooxml-theme', 'This office file is damaged: its parts cannot be unpacked.');
    const { name: scheme, swatches, problem } = officeTheme(part);
    return readingOf('ooxml-theme', [{ name: scheme || nameOfFile(name), kind: 'brand', swatches }], problem ? [problem] : []);
  },
  write(brand, themes, options) {
    const { themes: shipped, problems } = material(brand, themes, {}, { opaque: true });
    const { slots, problems: own } = fitted(SLOTS, options, brand.tokens);
    const all: Written['problems'][number][] = [...problems, ...own];
    const series = options.series || firstSeries(brand.tokens);
    const accents = series === undefined ? [] : tokensBelow(brand.tokens, series).slice(0, 6);
    if (options.series && accents.length === 0)
      all.push({
        severity: 'error',
        message: `The accents are taken from ${options.series}, and there is no such group; choose another.`,
      });
    if (accents.length < 6 && brand.tokens.length > 0) {
      const message = `An office theme has six accents, and ${series ?? 'the brand'} has colours for ${accents.length}; the rest repeat the last one.`;
      all.push({ severity: 'warning', message });
    }
    const files = shipped.flatMap((theme): WrittenFile[] => {
      const found = slotColours(theme, slots);
      const byId = new Map(theme.tokens.map((token) => [token.token.id, token]));
      const lit = accents.flatMap(({ id }) => byId.get(id)?.colour.hex ?? []);
      const code = (place: keyof typeof SLOTS, otherwise: string) => found.get(place)?.colour.hex ?? otherwise;
      const accent = (at: number) => lit[at] ?? lit.at(-1) ?? code('dk1', '#000000');
      const dk1 = code('dk1', '#000000');
      const lt1 = code('lt1', '#ffffff');
      const part = themePart(`${brand.name} ${theme.theme.name}`, {
        ...{ dk1, lt1, dk2: code('dk2', dk1), lt2: code('lt2', lt1), hlink: code('hlink', dk1), folHlink: code('folHlink', dk1) },
        ...{
          accent1: accent(0),
          accent2: accent(1),
          accent3: accent(2),
          accent4: accent(3),
          accent5: accent(4),
          accent6: accent(5),
        },
      });
      const base = `office/${slug(brand.name)}-${theme.identifier}`;
      const swatches = theme.tokens.map(({ token, colour }) => {
        const [r, g, b] = bytesOf(colour);
        return { name: token.path, hex: colour.hex, rgb: [r, g, b] as const };
      });
      const office = 'application/vnd.openxmlformats-officedocument';
      return [
        { path: `${base}.thmx`, mediaType: `${office}.theme`, bytes: themePackage(part) },
        {
          path: `${base}.xlsx`,
          mediaType: `${office}.spreadsheetml.sheet`,
          bytes: workbook([{ name: theme.theme.name, swatches }], part),
        },
      ];
    });
    return { files, problems: all };
  },
});

function partOf(bytes: Uint8Array): string | 'damaged' | null {
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
