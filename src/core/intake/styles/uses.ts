import { readColour, type ReadColour } from '../../colour/read';
import type { ReadSwatch } from '../../formats/kit/format';
import { readSwatch } from '../reading';

interface Use {
  readonly css: string;
  readonly line: number;
  readonly column: number;
  readonly where: Set<string>;
  count: number;
}

/** Gathers the colours a file uses: each once, in the order of its first use, with where and how often. */
export class Uses {
  private readonly byColour = new Map<string, Use>();
  private readonly named: ReadSwatch[] = [];

  /** @returns false when the text is no colour. */
  add(css: string, where: string, line: number, column: number): boolean {
    const colour = readColour(css);
    if (!colour) return false;
    const known = this.byColour.get(keyOf(colour));
    if (known) {
      known.count++;
      known.where.add(where);
    } else this.byColour.set(keyOf(colour), { css: css.trim(), line, column, where: new Set([where]), count: 1 });
    return true;
  }

  /** A colour that the file itself gives a name: kept whatever else has the same colour. */
  name(css: string, name: string, line: number, column: number): boolean {
    if (!readColour(css)) return false;
    this.named.push(readSwatch(css.trim(), { name, line, column }));
    return true;
  }

  swatches(): ReadSwatch[] {
    const named = new Set(this.named.map(({ css }) => keyOf(readColour(css)!)));
    const used = [...this.byColour]
      .filter(([key]) => !named.has(key))
      .map(([, { css, line, column, where, count }]) => {
        const times = count === 1 ? 'once' : `${count} times`;
        return readSwatch(css, { name: '', line, column, text: `${[...where].slice(0, 4).join(', ')}: ${css}, ${times}` });
      });
    return [...this.named, ...used].sort((one, two) => one.line - two.line || one.column - two.column);
  }
}

function keyOf({ hex, alpha }: ReadColour): string {
  return hex + alpha;
}
