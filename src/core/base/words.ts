/** The words of a name, in lower case: cut at hyphens, at underscores and before capitals. */
export function wordsOf(name: string): string[] {
  const words = name
    .replace(/(?<=[\p{Ll}\p{N}])(?=\p{Lu})/gu, '-')
    .split(/[-_]+/)
    .filter(Boolean)
    .map((word) => word.toLowerCase());
  return words.length > 0 ? words : [name];
}

/** A name as a lower-case word for file names and identifiers: letters, digits and single hyphens. */
export function slug(name: string): string {
  return (
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'unnamed'
  );
}
