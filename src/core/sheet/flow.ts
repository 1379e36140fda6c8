import { FLOOR, INNER, PAPER } from './paper';

/** Something of a known height that is drawn in one piece. */
export interface Block {
  readonly height: number;
  readonly draw: (x: number, y: number, width: number) => string;
}

/** Blocks under a heading, which stands again where they go on in another column. */
export interface Section {
  readonly heading: (continued: boolean) => Block;
  readonly rows: readonly Block[];
}

/** What stands on one page; drawn when it is asked for. */
export type Content = () => string;

/** Puts sections under one another, column after column and page after page. @param lead room left free on the first page */
export function flow(sections: readonly Section[], columns: number, gap: number, lead: number): Content[] {
  const width = (INNER - (columns - 1) * gap) / columns;
  const pages: (() => string)[][] = [[]];
  const top = () => PAPER.head + (pages.length === 1 ? lead : 0);
  let column = 0;
  let y: number = top();
  const put = ({ height, draw }: Block) => {
    const at = { x: PAPER.margin + column * (width + gap), y };
    pages.at(-1)!.push(() => draw(at.x, at.y, width));
    y += height;
  };
  /** Whether it fits here; otherwise the next column or page is begun. */
  const fits = (height: number): boolean => {
    if (y + height <= FLOOR || y === top()) return true;
    if (++column === columns) {
      column = 0;
      pages.push([]);
    }
    y = top();
    return false;
  };
  for (const { heading, rows } of sections) {
    const first = heading(false);
    // A heading at the very foot would stand alone.
    fits(first.height + (rows[0]?.height ?? 0));
    put(first);
    for (const row of rows) {
      if (!fits(row.height)) put(heading(true));
      put(row);
    }
  }
  return pages.filter((page) => page.length > 0).map((page) => () => page.map((draw) => draw()).join(''));
}
