import { shownKey, type ReadColour } from '../../colour/read';
import type { CssOccurrence } from '../../source/css';
import { cssOf, type Literal } from '../../source/literal';
import type { SourceText, Span } from '../../source/source-text';
import { certain, doubt, leftOut, taken, type EntryParts } from '../intake';

interface Use {
  readonly colour: ReadColour;
  readonly span: Span;
  readonly where: Set<string>;
  readonly also: Span[];
}

/** Gathers the colours a file uses: each once, in the order of its first use, with where and how often. */
export class DrawnColours {
  private readonly byColour = new Map<string, Use>();
  private readonly others: EntryParts[] = [];
  private readonly named = new Set<string>();

  constructor(private readonly source: SourceText) {}

  add(literal: Literal, where: string, span: Span): void {
    const colour = certain(cssOf(literal));
    const known = this.byColour.get(shownKey(colour));
    if (known) {
      known.also.push(span);
      known.where.add(where);
    } else this.byColour.set(shownKey(colour), { colour, span, where: new Set([where]), also: [] });
  }

  /** A colour that the file itself gives a name: kept whatever else has the same colour. */
  name(literal: Literal, name: string, span: Span): void {
    const colour = certain(cssOf(literal));
    this.named.add(shownKey(colour));
    this.others.push(taken(colour, { ...this.source.placeOf(span.from), span, name }));
  }

  /** A colour of a comment, which is not used. */
  remark({ text, colour }: Literal, span: Span): void {
    const place = { ...this.source.placeOf(span.from), span, text };
    this.others.push(leftOut(colour, doubt('apart', 'It stands in a comment.'), place));
  }

  /**
   * The colours of a style sheet: a custom property that is nothing but a colour names it, all others are uses.
   * @param part what the sheet is called among others that the source is made of
   */
  addCss(occurrences: readonly CssOccurrence[], part?: string): void {
    for (const { literal, span, path: way, aside, whole } of occurrences) {
      const property = way.at(-1)?.key ?? '';
      if (aside) this.remark(literal, span);
      else if (whole) this.name(literal, property.slice(2), span);
      else this.add(literal, part === undefined ? property : `${property} in ${part}`, span);
    }
  }

  entries(): EntryParts[] {
    const used = [...this.byColour].map(([key, { colour, span, where, also }]): EntryParts => {
      const times = also.length === 0 ? 'once' : `${also.length + 1} times`;
      const text = `${[...where].slice(0, 4).join(', ')}: ${colour.css}, ${times}`;
      const parts = { ...this.source.placeOf(span.from), span, text, ...(also.length > 0 && { also }) };
      return this.named.has(key)
        ? leftOut(colour, doubt('duplicate', 'A custom property has this colour, with its name.'), parts)
        : taken(colour, parts);
    });
    return [...this.others, ...used].sort((one, two) => one.line - two.line || one.column - two.column);
  }
}
