import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';

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
 * between control characters that nothing else uses: private use one, private use two, string terminator (ISO/IEC 6429).
 * They are of Latin-1, so that a text with marks takes no more memory a character than one without.
 */
const [OPEN, MIDDLE, CLOSE] = ['\u0091', '\u0092', '\u009c'] as const;
const HEADER = /^([tsn]) ([\w-]*) ([\w-]*) (#[0-9a-f]{6})$/;

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

/** A text with the signs taken out, and the marks that they were. What only looks like a sign stays. */
export function unmarked(text: string): { text: string; marks: Mark[] } {
  const parts: string[] = [];
  const marks: Mark[] = [];
  let length = 0;
  let done = 0;
  const keep = (from: number, to: number) => {
    parts.push(text.slice(from, to));
    length += to - from;
  };
  let open = text.indexOf(OPEN);
  while (open >= 0) {
    const middle = text.indexOf(MIDDLE, open);
    const close = text.indexOf(CLOSE, middle);
    if (middle < 0 || close < 0) break;
    const [, kind, id, theme, hex] = HEADER.exec(text.slice(open + 1, middle)) ?? [];
    if (kind === undefined) {
      open = text.indexOf(OPEN, open + 1);
      continue;
    }
    // A quotation mark about a text is the text's own; about numbers it is only JSON's.
    const quoted = kind === 'n' ? 1 : 0;
    keep(done, open - quoted);
    const from = length;
    keep(middle + 1, close);
    marks.push({ from, to: length, hex: hex!, ...(kind === 's' ? { swatch: id! } : { token: id!, theme: theme! }) });
    done = close + 1 + 2 * quoted;
    open = text.indexOf(OPEN, done);
  }
  keep(done, text.length);
  return { text: parts.join(''), marks };
}
