import type { TokenChange } from '@/core/intake/tokens/compare-tokens';

/** What tells one difference from another. */
export function changeKey({ kind, path }: TokenChange): string {
  return `${kind} ${path}`;
}
