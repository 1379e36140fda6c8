import type { Brand } from '../brand/document';
import { resolveTheme } from '../brand/resolve';
import { FLOOR, INNER, LINE, PAPER, rect, rule, SOFT, text } from './paper';

const COLUMNS = 5;
const GAP = 20;
const ROW = 15.2;

/** Tokens by group with their colour in every theme, column after column. @returns the drawing, and how many tokens are on it */
export function tokensPart(brand: Brand): { drawn: string; count: number } {
  const width = (INNER - (COLUMNS - 1) * GAP) / COLUMNS;
  const patch = Math.min(13, 64 / brand.themes.length);
  const resolved = brand.themes.map(({ id }) => resolveTheme(brand, id));
  const parts: string[] = [];
  let [column, y] = [0, PAPER.head as number];
  let group = '';
  let count = 0;
  const place = (height: number): boolean => {
    if (y + height <= FLOOR + 14) return true;
    [column, y] = [column + 1, PAPER.head];
    if (column === COLUMNS) return false;
    if (height === ROW) heading(`${group}, continued`);
    return true;
  };
  const heading = (name: string) => {
    parts.push(text(x(), y + 10, name, { size: 9, weight: 620, max: width }), rule(x(), y + 13.5, width));
    y += ROW + 2;
  };
  const x = () => PAPER.margin + column * (width + GAP);
  for (const token of brand.tokens) {
    const cut = token.path.lastIndexOf('.');
    const parent = cut < 0 ? '' : token.path.slice(0, cut);
    if (parent !== group) {
      // A heading at the very foot would stand alone.
      if (!place(2 * ROW + 4)) break;
      heading(parent || 'without a group');
      group = parent;
    } else if (!place(ROW)) break;
    const colours = resolved.map((theme) => theme.get(token.id)?.colour?.hex);
    const names = width - patch * colours.length - 52;
    parts.push(
      text(x(), y + 10, token.path.slice(cut + 1), { size: 8.6, max: names }),
      text(x() + names + 46, y + 10, colours[0] ?? 'none', { size: 7.4, mono: true, fill: SOFT, anchor: 'end' }),
      ...colours.map((hex, at) =>
        rect(x() + width - patch * (colours.length - at), y + 1.5, patch - 1, 11.5, hex ?? 'none', LINE),
      ),
    );
    y += ROW;
    count++;
  }
  return { drawn: parts.join(''), count };
}
