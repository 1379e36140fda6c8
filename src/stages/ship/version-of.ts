const versions = new WeakMap<object, number>();
let last = 0;

/** A number that is another for every other document. */
export function versionOf(document: object): number {
  let version = versions.get(document);
  if (version === undefined) versions.set(document, (version = ++last));
  return version;
}
