import { readColour, type ReadColour } from './read';

/** What somebody looks for: a colour, a name, or both where a word may be either, such as “tan”. */
export interface Sought {
  readonly colour: ReadColour | null;
  /** null where only a colour can be meant. */
  readonly name: string | null;
}

/** Reads what is typed into a search: `#1f6f78`, `1f6f78`, `near teal`, `teal`, or a piece of a name. */
export function sought(typed: string): Sought {
  const text = typed.trim();
  const near = /^near\s+(.+)$/i.exec(text)?.[1];
  const asked = near ?? text;
  const colour = readColour(asked) ?? (/^[0-9a-f]{6}$/i.test(asked) ? readColour(`#${asked}`) : null);
  const isWord = /^[\p{L}\p{N} ._-]*$/u.test(asked);
  return { colour, name: colour && (near !== undefined || !isWord) ? null : text };
}
