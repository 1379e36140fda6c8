import type { Brand } from '../document/document';
import type { Palette } from '../document/palette-shape';
import type { Theme } from '../document/theme-shape';
import type { Token } from '../document/token-shape';
import { commentText } from '../../base/plain-text';

/** What a palette is for and who made it, each part a sentence of one line, safe in a comment; none where nothing is known. */
export function paletteWords({ note, maker }: Pick<Palette, 'note' | 'maker'>): string[] {
  return [note ?? '', maker ? `Made by ${maker.name}${maker.link ? `, ${maker.link}` : ''}.` : '']
    .map(commentText)
    .filter(Boolean);
}

/** A line for each palette with a note or a maker that tokens take their colours from, in the brand's order. */
export function notesOfPalettes(brand: Brand, tokens: readonly Token[], themes: readonly Theme[]): string[] {
  const noted = brand.palettes.filter((palette) => paletteWords(palette).length > 0);
  if (noted.length === 0) return [];
  const used = new Set<string>();
  for (const { values } of tokens)
    for (const { id } of themes) {
      const value = values[id];
      if (value && 'swatch' in value) used.add(value.swatch);
    }
  return noted
    .filter(({ swatches }) => swatches.some(({ id }) => used.has(id)))
    .map((palette) => `${commentText(palette.name)}: ${paletteWords(palette).join(' ')}`);
}

/** What is known of the palette that all tokens of a group take their colours from, by the group. */
export function notesOfGroups({ palettes, tokens }: Brand, { id }: Theme): Map<string, string> {
  const noted = new Map(
    palettes.flatMap((palette) => {
      const words = paletteWords(palette).join(' ');
      return words ? palette.swatches.map((swatch) => [swatch.id, words] as const) : [];
    }),
  );
  const groups = new Map<string, string>();
  if (noted.size === 0) return groups;
  for (const { path, values } of tokens) {
    const group = path.slice(0, Math.max(0, path.lastIndexOf('.')));
    const value = values[id];
    const words = (value && 'swatch' in value && noted.get(value.swatch)) || '';
    groups.set(group, groups.get(group) === words || !groups.has(group) ? words : '');
  }
  return new Map([...groups].filter(([group, words]) => group && words));
}
