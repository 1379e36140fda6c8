import { resolveTheme } from './resolve';
import type { Brand } from '../document/document';
import type { Token } from '../document/token-shape';

/**
 * How high a surface lies, by the words it is called by (common practice): what everything lies on, what lies on that, and what floats
 * above. A word of the path's end counts before one of its beginning.
 */
const HEIGHTS: readonly (readonly string[])[] = [
  ['sunken', 'well', 'inset'],
  ['page', 'background', 'bg', 'base', 'app', 'canvas', 'ground', 'body'],
  ['panel', 'card', 'section', 'sheet', 'sidebar'],
  ['raised', 'elevated', 'floating'],
  ['overlay', 'popover', 'menu', 'dialog', 'modal', 'tooltip'],
];

/** From 0, the lowest; null for a surface whose name does not say, or what is no surface. */
export function elevationOf({ path, role }: Token): number | null {
  if (role !== 'surface') return null;
  for (const word of path
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .reverse()) {
    const height = HEIGHTS.findIndex((words) => words.includes(word));
    if (height >= 0) return height;
  }
  return null;
}

/** The surface that everything else lies on: the first that is called a page, or else the first there is. */
export function pageOf(brand: Brand): Token | undefined {
  const surfaces = brand.tokens.filter(({ role }) => role === 'surface');
  return surfaces.find((surface) => elevationOf(surface) === 1) ?? surfaces[0];
}

/** OKLCH lightness below which a surface is dark. */
const DARK = 0.5;

export function isDark(lightness: number): boolean {
  return lightness < DARK;
}

/** Whether a theme's page is dark; false when it has none. */
export function isDarkTheme(brand: Brand, theme: string): boolean {
  const page = pageOf(brand);
  const colour = page && resolveTheme(brand, theme).get(page.id)?.colour;
  return colour ? isDark(colour.oklch[0]) : false;
}
