/** Says of a text what is wrong with it when it is not {@link isStorable}. */
export const UNSTORABLE = 'It holds half a character or an empty one (NUL), which cannot be kept. Type it anew.';

/**
 * Whether a value of JSON, with all that is in it, can be kept: neither UTF-8 nor PostgreSQL's text holds half of a
 * surrogate pair, and PostgreSQL's text no NUL either.
 */
export function isStorable(value: unknown): boolean {
  if (typeof value === 'string') return !/[\0\p{Cs}]/u.test(value);
  if (typeof value !== 'object' || value === null) return true;
  return Object.entries(value).every(([key, held]) => isStorable(key) && isStorable(held));
}

/** The beginning of a text, of at most so many UTF-16 units, without half a character at its end. */
export function shortened(text: string, most: number): string {
  return text.slice(0, most).replace(/[\ud800-\udbff]$/, '');
}
