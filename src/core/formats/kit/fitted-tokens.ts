import { finding, type Finding } from '../../findings/finding';
import { tokenOption } from './options';
import type { TokenOption } from '../../brand/tools/token-options';
import { wordsOf } from '../../base/words';
import type { z } from 'zod';
import type { Token } from '../../brand/document/token-shape';
import type { Written } from './format';
import type { ShippedTheme, ShippedToken } from './material';

/** What a framework's own part is filled from, where nobody names a token: words its path has, or a role, the first that is found. */
export interface Part {
  readonly title: string;
  /** Words one of which stands in the path; tried in order. */
  readonly words: readonly string[];
  readonly role?: Token['role'];
}

/** An option for each part: the path of a token. */
export function partOptions<Name extends TokenOption>(parts: Readonly<Record<Name, Part>>) {
  const entries = (Object.entries(parts) as [Name, Part][]).map(([name, { title }]) =>
    tokenOption(name, title, 'found by its name or role'),
  );
  return Object.assign({}, ...entries) as Record<Name, z.ZodDefault<z.ZodString>>;
}

/** The token of each part that is named or found. A named one that is not there is an error. */
export function fitted<Name extends string>(
  parts: Readonly<Record<Name, Part>>,
  options: Readonly<Record<NoInfer<Name>, string>>,
  tokens: readonly Token[],
): { readonly parts: ReadonlyMap<Name, Token>; readonly findings: Written['findings'] } {
  const found = new Map<Name, Token>();
  const findings: Finding[] = [];
  const worded = tokens.map((token) => ({ token, pathWords: token.path.split('.').flatMap(wordsOf) }));
  for (const [name, part] of Object.entries(parts) as [Name, Part][]) {
    const path = options[name];
    const token = path ? tokens.find((token) => token.path === path) : (byWords(part) ?? byRole(part));
    if (token) found.set(name, token);
    else if (path)
      findings.push(
        finding('no-such-token', 'error', `${part.title} is taken from ${path}, and there is no such token; choose another.`),
      );
  }
  return { parts: found, findings };

  /** Those of the fitting role first: `text.on-danger` is no status. */
  function byWords({ words, role }: Part): Token | undefined {
    const named = (list: typeof worded) =>
      words.flatMap((word) => list.filter(({ pathWords }) => pathWords.includes(word)))[0]?.token;
    return named(worded.filter(({ token }) => token.role === role)) ?? named(worded);
  }

  function byRole({ role }: Part): Token | undefined {
    return role && tokens.find((token) => token.role === role);
  }
}

/** The parts' colours in one theme. */
export function partColours<Name extends string>(
  { tokens }: ShippedTheme,
  parts: ReadonlyMap<Name, Token>,
): Map<Name, ShippedToken> {
  const byId = new Map(tokens.map((token) => [token.token.id, token]));
  return new Map([...parts].flatMap(([name, { id }]) => (byId.has(id) ? [[name, byId.get(id)!] as const] : [])));
}
