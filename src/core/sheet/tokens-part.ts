import type { Brand } from '../brand/document/document';
import type { Theme } from '../brand/document/theme-shape';
import { resolveTheme } from '../brand/reading/resolve';
import { shownHex } from '../colour/read';
import { flow, type Block, type Content, type Section } from './flow';
import { INNER, LINE, rect, rule, SMALLEST, SOFT, text, widthOf } from './paper';

const GAP = 24;
const ROW = 17;
/** Widths of a token's name, and of one theme's patch and code. */
const [NAME, CODE] = [150, 84];
/** More themes than fit beside each other go on further pages. */
const MOST = Math.floor((INNER - NAME) / CODE);

/** Tokens by group with their colour and its code in every theme. */
export function tokensPart(brand: Brand, lead: number): Content[] {
  const bands = Array.from({ length: Math.ceil(brand.themes.length / MOST) }, (_, at) =>
    brand.themes.slice(at * MOST, (at + 1) * MOST),
  );
  return bands.flatMap((themes, at) => {
    const columns = Math.max(1, Math.floor((INNER + GAP) / (NAME + themes.length * CODE + GAP)));
    return flow(sections(brand, themes), columns, GAP, at === 0 ? lead : 0);
  });
}

function sections(brand: Brand, themes: readonly Theme[]): Section[] {
  const resolved = themes.map(({ id }) => resolveTheme(brand, id));
  const groups = new Map<string, Block[]>();
  for (const token of brand.tokens) {
    const cut = token.path.lastIndexOf('.');
    const group = cut < 0 ? '' : token.path.slice(0, cut);
    const row: Block = {
      height: ROW,
      draw: (x, y, width) => {
        const codes = width - themes.length * CODE;
        return [
          text(x, y + 12, token.path.slice(cut + 1), { max: codes - 8 }),
          ...resolved.map((theme, at) => {
            const colour = theme.get(token.id)?.colour;
            const left = x + codes + at * CODE;
            const code = colour ? shownHex(colour) : 'none';
            return rect(left, y + 2, 13, 12, colour?.hex ?? 'none', LINE) + text(left + 17, y + 12, code, { fill: SOFT });
          }),
        ].join('');
      },
    };
    const known = groups.get(group);
    if (known) known.push(row);
    else groups.set(group, [row]);
  }
  return [...groups].map(([group, rows]) => ({ heading: (continued) => heading(group, continued, themes), rows }));
}

function heading(group: string, continued: boolean, themes: readonly Theme[]): Block {
  const name = `${group || 'without a group'}${continued ? ', continued' : ''}`;
  return {
    height: ROW + 13,
    draw: (x, y, width) => {
      const codes = width - themes.length * CODE;
      // A long name may stand over the themes' names only where there is room beside them.
      const size = widthOf(name, 12) <= codes - 8 ? 12 : SMALLEST;
      return [
        text(x, y + 19, name, { size, weight: 620, max: codes - 8 }),
        ...themes.map((theme, at) => text(x + codes + at * CODE, y + 19, theme.name, { fill: SOFT, max: CODE - 6 })),
        rule(x, y + 24, width),
      ].join('');
    },
  };
}
