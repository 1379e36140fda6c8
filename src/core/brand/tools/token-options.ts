/**
 * The options of destinations that speak of tokens by their paths. An option of one of these names means the same in
 * every format, so that renaming tokens can follow into them without knowing the formats; formats may declare no other
 * option that holds a path (`kit/options.ts`).
 */
const ONE = [
  ...(['group', 'series', 'scale', 'middle', 'ground', 'text', 'soft', 'lines'] as const),
  ...(['primary', 'secondary', 'success', 'info', 'warning', 'danger', 'error'] as const),
  ...(['body-bg', 'body-color', 'link-color', 'border-color', 'page', 'paper', 'divider'] as const),
  ...(['dk1', 'lt1', 'dk2', 'lt2', 'hlink', 'folHlink'] as const),
] as const;
const SEVERAL = ['without'] as const;

export type TokenOption = (typeof ONE)[number];
export type GroupsOption = (typeof SEVERAL)[number];

const single: ReadonlySet<string> = new Set(ONE);
const several: ReadonlySet<string> = new Set(SEVERAL);

/** Options with every path replaced by what `follow` says; null when none is. */
export function followedOptions<Value>(
  options: Readonly<Record<string, Value>>,
  follow: (path: string) => string | undefined,
): Record<string, Value | string | string[]> | null {
  const changed = Object.entries(options).flatMap(([name, value]): [string, string | string[]][] => {
    if (single.has(name) && typeof value === 'string') {
      const to = follow(value);
      return to === undefined ? [] : [[name, to]];
    }
    const list = several.has(name) && Array.isArray(value) ? value.map(String) : [];
    return list.some((path) => follow(path) !== undefined) ? [[name, list.map((path) => follow(path) ?? path)]] : [];
  });
  return changed.length > 0 ? { ...options, ...Object.fromEntries(changed) } : null;
}
