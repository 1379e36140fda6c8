import { wordsOf } from '../../base/words';
import type { Naming } from '../document/brand-shape';
import type { Token } from '../document/token-shape';

/** A path in a naming convention: `text.onHeader` in kebab case is `text.on-header`, in dots `text.on.header`. */
export function named(path: string, naming: Naming): string {
  const steps = path.split('.').map(wordsOf);
  switch (naming) {
    case 'kebab':
      return steps.map((words) => words.join('-')).join('.');
    case 'camel':
      return steps.map((words) => words.map((word, at) => (at === 0 ? word : capital(word))).join('')).join('.');
    case 'dots':
      return steps.flat().join('.');
  }
}

function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1);
}

/** Two tokens whose paths differ only in case or in what stands between their words: some destinations would merge them. */
export interface Clash {
  readonly one: Token;
  readonly two: Token;
  readonly by: 'case' | 'separators';
}

/** A path without capitals, and without what stands between its words. */
interface Folded {
  readonly folded: string;
  readonly bare: string;
}

const foldings = new WeakMap<Token, Folded>();

function foldedOnce(token: Token): Folded {
  let found = foldings.get(token);
  if (!found) {
    const folded = token.path.toLowerCase();
    foldings.set(token, (found = { folded, bare: folded.replace(/[._-]/g, '') }));
  }
  return found;
}

export function clashes(tokens: readonly Token[]): Clash[] {
  const first = new Map<string, Token>();
  const found: Clash[] = [];
  for (const token of tokens) {
    const { folded, bare } = foldedOnce(token);
    const other = first.get(bare);
    if (other) found.push({ one: other, two: token, by: other.path.toLowerCase() === folded ? 'case' : 'separators' });
    else first.set(bare, token);
  }
  return found;
}
