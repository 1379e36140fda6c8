import type { Good } from '@/core/findings/matrix';

/** What a ratio is good for, by a sign of a shape of its own and in words. */
export const GOOD: Readonly<Record<Good, { readonly sign: string; readonly words: string }>> = {
  enhanced: { sign: '●', words: 'any text, enhanced' },
  text: { sign: '◕', words: 'any text' },
  large: { sign: '◑', words: 'large text, graphics' },
  nothing: { sign: '○', words: 'nothing that must be seen' },
};

/** Two decimals, cut and not rounded: 4.496 must not read as 4.50. */
export function floor(ratio: number): string {
  return (Math.floor(ratio * 100) / 100).toFixed(2);
}
