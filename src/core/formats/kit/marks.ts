import type { Theme, Token } from '../../brand/document';

/** Where a token's colour stands in a written text: UTF-16 units from its beginning, the end left out. */
export interface Mark {
  readonly from: number;
  readonly to: number;
  /** Id of the token, or of the swatch in files that hold palettes. */
  readonly token?: string;
  readonly swatch?: string;
  /** Id of the theme whose colour it is. */
  readonly theme?: string;
  /** `#rrggbb` of the colour that stands there. */
  readonly hex: string;
}

/**
 * Writers put texts together from pieces, so where a piece ends up is known only at the end. Until then a colour stands
 * between signs that no text may hold: noncharacters, which Unicode keeps for a program's own use (Unicode 15, 23.7).
 */
const [OPEN, MIDDLE, CLOSE] = ['\ufdd0', '\ufdd1', '\ufdd2'];
const MARKED = new RegExp(`"?${OPEN}([tsn]) ([\\w-]*) ([\\w-]*) (#[0-9a-f]{6})${MIDDLE}|${CLOSE}(n")?`, 'g');

/** What a mark needs to know of a token on its way into a file. */
export interface Marked {
  readonly token: Pick<Token, 'id'>;
  readonly theme: Pick<Theme, 'id'>;
  readonly colour: { readonly hex: string };
}

/** The text of a token's colour, marked as that. */
export function marked({ token, theme, colour }: Marked, text: string): string {
  return `${OPEN}t ${token.id} ${theme.id} ${colour.hex}${MIDDLE}${text}${CLOSE}`;
}

/** The text of a swatch's colour, marked as that. */
export function markedSwatch({ id, hex }: { readonly id: string; readonly hex: string }, text: string): string {
  return `${OPEN}s ${id}  ${hex}${MIDDLE}${text}${CLOSE}`;
}

/** Numbers of a token's colour on their way into JSON: a text until then, and a list of numbers in the file. */
export function markedNumbers({ token, theme, colour }: Marked, numbers: readonly number[]): string {
  return `${OPEN}n ${token.id} ${theme.id} ${colour.hex}${MIDDLE}[${numbers.join(', ')}]${CLOSE}n`;
}

/** A code without its `#`; marks about it stay. */
export function withoutHash(text: string): string {
  const at = text.lastIndexOf('#');
  return text.slice(0, at) + text.slice(at + 1);
}

/** A text with the signs taken out, and the marks that they were. */
export function unmarked(text: string): { text: string; marks: Mark[] } {
  if (!text.includes(OPEN!)) return { text, marks: [] };
  const parts: string[] = [];
  const marks: Mark[] = [];
  let open: Omit<Mark, 'to'> | null = null;
  let length = 0;
  let done = 0;
  for (const match of text.matchAll(MARKED)) {
    const [, kind, id, theme, hex] = match;
    // A quotation mark before a text is the text's own; about numbers it is only JSON's.
    const kept = match[0].startsWith('"') && kind !== 'n' ? '"' : '';
    const part = text.slice(done, match.index) + kept;
    parts.push(part);
    length += part.length;
    done = match.index + match[0].length;
    if (kind !== undefined) {
      open = kind !== 's' ? { from: length, token: id!, theme: theme!, hex: hex! } : { from: length, swatch: id!, hex: hex! };
    } else if (open) {
      marks.push({ ...open, to: length });
      open = null;
    }
  }
  parts.push(text.slice(done));
  return { text: parts.join(''), marks };
}
