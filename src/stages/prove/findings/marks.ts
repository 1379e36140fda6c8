import type { Severity } from '@/core/findings/finding';

/** What the list tells apart: how bad something is, or that somebody said that it may stand. */
export type Kind = Severity | 'accepted';

export const KINDS: readonly Kind[] = ['error', 'warning', 'note', 'accepted'];

/** A sign of a shape of its own, and its word. */
export const MARKS: Readonly<Record<Kind, { readonly sign: string; readonly words: (count: number) => string }>> = {
  error: { sign: '▲', words: (count) => (count === 1 ? 'fails' : 'fail') },
  warning: { sign: '△', words: (count) => (count === 1 ? 'warning' : 'warnings') },
  note: { sign: '○', words: (count) => (count === 1 ? 'note' : 'notes') },
  accepted: { sign: '✓', words: () => 'accepted' },
};
