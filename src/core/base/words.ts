/** The words of a name, in lower case: cut at hyphens, at underscores and before capitals. */
export function wordsOf(name: string): string[] {
  const words = name
    .replace(/(?<=[\p{Ll}\p{N}])(?=\p{Lu})/gu, '-')
    .split(/[-_]+/)
    .filter(Boolean)
    .map((word) => word.toLowerCase());
  return words.length > 0 ? words : [name];
}

/**
 * A name as a lower-case word for file names and identifiers: letters a to z, digits and single hyphens. Accents are taken
 * off; letters of other scripts are given by their code points, so that different names stay different.
 */
export function slug(name: string): string {
  return (
    name
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[\p{L}\p{N}]/gu, spelt)
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'unnamed'
  );
}

/** A letter that is none of a to z by its code point. */
export function spelt(letter: string): string {
  return /[a-z0-9]/.test(letter) ? letter : `u${letter.codePointAt(0)!.toString(16)}`;
}
