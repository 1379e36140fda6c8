import { finding, type Finding } from '../../findings/finding';
import { tokenOption } from './options';
import type { TokenOption } from '../../brand/token-options';
import { wordsOf } from '../../base/words';
import type { z } from 'zod';
import type { Token } from '../../brand/document';
import type { Written } from './format';
import type { ShippedTheme, ShippedToken } from './material';

/** What a framework's own slot is filled from, where nobody names a token: words its path has, or a role, the first that is found. */
export interface FormatSlot {
  readonly title: string;
  /** Words one of which stands in the path; tried in order. */
  readonly words: readonly string[];
  readonly role?: Token['role'];
}

/** An option for each slot: the path of a token. */
export function slotOptions<Name extends TokenOption>(slots: Readonly<Record<Name, FormatSlot>>) {
  const entries = (Object.entries(slots) as [Name, FormatSlot][]).map(([name, { title }]) =>
    tokenOption(name, title, 'found by its name or role'),
  );
  return Object.assign({}, ...entries) as Record<Name, z.ZodDefault<z.ZodString>>;
}

/** The token of each slot that is named or found. A named one that is not there is an error. */
export function fitted<Name extends string>(
  slots: Readonly<Record<Name, FormatSlot>>,
  options: Readonly<Record<NoInfer<Name>, string>>,
  tokens: readonly Token[],
): { readonly slots: ReadonlyMap<Name, Token>; readonly findings: Written['findings'] } {
  const found = new Map<Name, Token>();
  const findings: Finding[] = [];
  const worded = tokens.map((token) => ({ token, pathWords: token.path.split('.').flatMap(wordsOf) }));
  for (const [name, slot] of Object.entries(slots) as [Name, FormatSlot][]) {
    const path = options[name];
    const token = path ? tokens.find((token) => token.path === path) : (byWords(slot) ?? byRole(slot));
    if (token) found.set(name, token);
    else if (path)
      findings.push(
        finding('no-such-token', 'error', `${slot.title} is taken from ${path}, and there is no such token; choose another.`),
      );
  }
  return { slots: found, findings };

  /** Those of the fitting role first: `text.on-danger` is no status. */
  function byWords({ words, role }: FormatSlot): Token | undefined {
    const named = (list: typeof worded) =>
      words.flatMap((word) => list.filter(({ pathWords }) => pathWords.includes(word)))[0]?.token;
    return named(worded.filter(({ token }) => token.role === role)) ?? named(worded);
  }

  function byRole({ role }: FormatSlot): Token | undefined {
    return role && tokens.find((token) => token.role === role);
  }
}

/** The slots' colours in one theme. */
export function slotColours<Name extends string>(
  { tokens }: ShippedTheme,
  slots: ReadonlyMap<Name, Token>,
): Map<Name, ShippedToken> {
  const byId = new Map(tokens.map((token) => [token.token.id, token]));
  return new Map([...slots].flatMap(([name, { id }]) => (byId.has(id) ? [[name, byId.get(id)!] as const] : [])));
}
