import type { Brand } from '@/core/brand/document/document';
import type { TokenValue } from '@/core/brand/document/token-shape';
import { readColour, type ReadColour } from '@/core/colour/read';
import { resolveTheme } from '@/core/brand/reading/resolve';

/** Something a token can be given as its value. */
export interface ValueOption {
  readonly key: string;
  readonly label: string;
  readonly kind: 'swatch' | 'token' | 'own colour';
  readonly colour: ReadColour | null;
  readonly value: TokenValue;
}

/** Of each kind; typing narrows it down. */
const SHOWN = 40;

/**
 * What fits a text typed for a value: first the text itself where it is a colour, then swatches by palette and name,
 * then tokens by path.
 */
export function valueOptions(brand: Brand, theme: string, typed: string): ValueOption[] {
  const fits = fitting(typed);
  const swatches: ValueOption[] = [];
  const colour = readColour(typed);
  for (const palette of brand.palettes) {
    for (const swatch of palette.swatches) {
      if (swatches.length >= SHOWN) break;
      const label = `${palette.name} / ${swatch.name}`;
      if (fits(`${label} ${swatch.value}`)) {
        swatches.push({ key: swatch.id, label, kind: 'swatch', colour: readColour(swatch.value), value: { swatch: swatch.id } });
      }
    }
  }
  const typedColour: ValueOption[] = colour
    ? [{ key: 'own', label: colour.css, kind: 'own colour', colour: colour, value: { colour: colour.css } }]
    : [];
  return [...typedColour, ...swatches, ...tokenOptions(brand, theme, typed)];
}

/** The tokens whose path fits a text. */
export function tokenOptions(brand: Brand, theme: string, typed: string): ValueOption[] {
  const fits = fitting(typed);
  const resolved = resolveTheme(brand, theme);
  const options: ValueOption[] = [];
  for (const { id, path } of brand.tokens) {
    if (options.length >= SHOWN) break;
    if (fits(path)) options.push({ key: id, label: path, kind: 'token', colour: resolved.get(id)!.colour, value: { token: id } });
  }
  return options;
}

/** Whether every word that was typed is in a label; a path in braces has to be the label's beginning. */
function fitting(typed: string): (label: string) => boolean {
  const alias = /^\{([^{}]*)\}?$/.exec(typed.trim());
  if (alias) return (label) => label.startsWith(alias[1]!.trim());
  const words = typed
    .trim()
    .toLowerCase()
    .split(/[\s/]+/)
    .filter(Boolean);
  return (label) => words.every((word) => label.toLowerCase().includes(word));
}
