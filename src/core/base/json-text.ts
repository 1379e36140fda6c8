/** How deep JSON from outside may be nested; what is written here needs some 15 levels. */
export const JSON_DEPTH = 60;

/** A text of JSON that is nested deeper than anything here needs. */
export class TooDeep extends SyntaxError {
  override readonly message = `This is nested more than ${JSON_DEPTH} levels deep; nothing here is.`;
}

/**
 * JSON as `JSON.parse` reads it, unless it is nested too deep: whatever looks at it afterwards goes down level by level, and has
 * only so much stack.
 * @throws SyntaxError where it is no JSON, TooDeep where it goes too deep
 */
export function parseJson(text: string): unknown {
  if (isDeep(text)) throw new TooDeep();
  return JSON.parse(text);
}

/** Whether brackets outside of strings are nested deeper than allowed. Told of any text, also of one that is no JSON. */
function isDeep(text: string): boolean {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === OPEN_BRACE || code === OPEN_BRACKET) {
      if (++depth > JSON_DEPTH) return true;
    } else if (code === CLOSE_BRACE || code === CLOSE_BRACKET) depth--;
    else if (code === QUOTE) at = endOfString(text, at);
  }
  return false;
}

const [QUOTE, BACKSLASH] = [0x22, 0x5c];
const [OPEN_BRACKET, CLOSE_BRACKET, OPEN_BRACE, CLOSE_BRACE] = [0x5b, 0x5d, 0x7b, 0x7d];

/** Where a string ends that begins at a quote: at the next one that no backslash takes away. */
function endOfString(text: string, from: number): number {
  for (let at = from + 1; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === BACKSLASH) at++;
    else if (code === QUOTE) return at;
  }
  return text.length;
}

/** Whether a value of JSON is nested no deeper than that. */
export function isShallow(value: unknown, levels = JSON_DEPTH): boolean {
  if (typeof value !== 'object' || value === null) return true;
  return levels > 0 && Object.values(value).every((held) => isShallow(held, levels - 1));
}
