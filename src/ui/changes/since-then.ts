import type { ManifestEntry } from '@/core/release/bundle';

export type Since = 'new' | 'changed' | 'as before' | 'gone';

/** Files beside those of an earlier manifest, what is another than before first. */
export function sinceThen(
  before: readonly ManifestEntry[],
  after: readonly ManifestEntry[],
): readonly { readonly entry: ManifestEntry; readonly since: Since }[] {
  const then = new Map(before.map((entry) => [entry.path, entry]));
  const now = new Set(after.map(({ path }) => path));
  return [
    ...after.map((entry) => {
      const was = then.get(entry.path);
      const since: Since = !was ? 'new' : was.sha256 === entry.sha256 ? 'as before' : 'changed';
      return { entry, since };
    }),
    ...before.filter(({ path }) => !now.has(path)).map((entry) => ({ entry, since: 'gone' as const })),
  ].sort((one, two) => Number(one.since === 'as before') - Number(two.since === 'as before'));
}
