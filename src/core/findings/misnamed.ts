import type { Naming } from '../brand/document/brand-shape';
import type { Token } from '../brand/document/token-shape';
import { named } from '../brand/reading/naming';
import { renameTokens } from '../brand/tools/rename-tokens';
import { tokensOf } from '../brand/reading/resolve';
import { finding, type Rule } from './finding';

const known = new WeakMap<Token, { readonly naming: Naming; readonly to: string }>();

function namedOnce(token: Token, naming: Naming): string {
  let found = known.get(token);
  if (found?.naming !== naming) known.set(token, (found = { naming, to: named(token.path, naming) }));
  return found!.to;
}

/** Paths that do not keep to the convention that the brand has chosen. */
export const misnamed: Rule = {
  id: 'naming',
  title: 'Not in the naming convention',
  looksAt: ['tokens', 'naming'],
  find({ tokens, naming }) {
    if (!naming) return [];
    const taken = new Set(tokens.map(({ path }) => path));
    return tokens.flatMap((token) => {
      const { id, path } = token;
      const to = namedOnce(token, naming);
      if (to === path) return [];
      const message = `${path} is written ${to} in the convention chosen${taken.has(to) ? ', and that path is taken' : ''}.`;
      return [finding('naming', 'note', message, { tokens: [id] }, taken.has(to) ? {} : { to })];
    });
  },
  mend: {
    all: 'Rename all',
    offer: ({ data }) => (data.to === undefined ? null : `Rename to ${data.to}`),
    command(brand, findings, label) {
      const byId = tokensOf(brand);
      const renames = findings.flatMap(({ subject, data }) => {
        const token = byId.get(subject.tokens?.[0] ?? '');
        return token && typeof data.to === 'string' ? [[token.path, data.to] as const] : [];
      });
      if (renames.length === 0) return null;
      // As one: a group whose every token is renamed is renamed itself, wherever it is spoken of.
      const command = renameTokens(brand, new Map(renames), label);
      return 'steps' in command ? command : null;
    },
  },
};
