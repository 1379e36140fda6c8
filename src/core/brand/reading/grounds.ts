import type { Brand } from '../document/document';
import type { Token } from '../document/token-shape';
import { tokensOf } from './resolve';

/** What texts may be set on, of one list of tokens. */
interface Grounds {
  readonly surfaces: readonly Token[];
  /** By the word by which a text called on-it knows them. */
  readonly named: ReadonlyMap<string, readonly Token[]>;
}

const known = new WeakMap<readonly Token[], Grounds>();

/** Last steps that only say that nothing else is said. */
const PLAIN = ['default', 'rest', 'base'];

/**
 * What a text is set on: the tokens it names; or, when it names none and is itself called on-something (`text.on-accent`, `text.onAccent`,
 * `text.on.accent`), those that are called so (`surface.accent`, `brand.accent.default`); or else every surface.
 */
export function groundsOf(brand: Brand, text: Token): readonly Token[] {
  if (text.on.length > 0) {
    const tokens = tokensOf(brand);
    return text.on.flatMap((id) => tokens.get(id) ?? []);
  }
  return groundsByName(brand, text) ?? groundsIn(brand.tokens).surfaces;
}

/** What a text is set on by what it is called; null when that says nothing, or nothing that there is. */
export function groundsByName(brand: Brand, { path }: Token): readonly Token[] | null {
  const word = onWhat(path);
  return word === null ? null : (groundsIn(brand.tokens).named.get(word) ?? null);
}

/** The word for what a path says it is set on; null when it does not say. */
export function onWhat(path: string): string | null {
  const steps = path.split('.');
  const found = /^on(?:[-_](.+)|(\p{Lu}.*))$/u.exec(steps.at(-1)!);
  if (found) return folded(found[1] ?? found[2]!);
  return steps.length > 1 && steps.at(-2) === 'on' ? folded(steps.at(-1)!) : null;
}

function groundsIn(tokens: readonly Token[]): Grounds {
  const there = known.get(tokens);
  if (there) return there;
  const named = new Map<string, Token[]>();
  for (const token of tokens) {
    if (token.role === 'text' || token.role === 'border') continue;
    const steps = token.path.split('.');
    const last = PLAIN.includes(steps.at(-1)!) ? steps.at(-2) : steps.at(-1);
    if (last === undefined) continue;
    const word = folded(last);
    const there = named.get(word);
    if (there) there.push(token);
    else named.set(word, [token]);
  }
  const found = { surfaces: tokens.filter(({ role }) => role === 'surface'), named };
  known.set(tokens, found);
  return found;
}

function folded(word: string): string {
  return word.toLowerCase().replace(/[-_]/g, '');
}
