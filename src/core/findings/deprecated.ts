import type { Step } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import type { Token } from '../brand/document/token-shape';
import { finding, type Rule } from './finding';

/** Tokens that still point at what is not to be used any more. */
export const deprecated: Rule = {
  id: 'deprecated',
  title: 'Still pointing at what is deprecated',
  looksAt: ['tokens'],
  find(brand) {
    const old = deprecatedTokens(brand);
    if (old.size === 0) return [];
    return brand.tokens.flatMap((token) => {
      const first = Object.values(token.values).flatMap((value) => ('token' in value ? (old.get(value.token) ?? []) : []))[0];
      if (!first || token.deprecated) return [];
      const use = brand.tokens.find(({ id }) => id === first.deprecated!.use);
      const instead = use ? `; ${use.path} is to be used instead` : '';
      const message = `${token.path} points at ${first.path}, which is deprecated${instead}.`;
      return [finding('deprecated', 'warning', message, { tokens: [token.id] }, use ? { path: token.path } : {})];
    });
  },
  mend: {
    all: 'Point all at their replacements',
    offer: ({ data }) => (data.path === undefined ? null : `Point ${data.path} at what is in use`),
    command(brand, findings, label) {
      const old = deprecatedTokens(brand);
      const wanted = new Set(findings.flatMap(({ subject }) => subject.tokens ?? []));
      const moved = brand.tokens.filter(({ id }) => wanted.has(id));
      const steps = moved.flatMap(({ id, values }): Step[] => {
        const set = Object.fromEntries(
          Object.entries(values).flatMap(([theme, value]) => {
            const use = 'token' in value ? old.get(value.token)?.deprecated?.use : undefined;
            return use === undefined || use === id ? [] : [[theme, { token: use }] as const];
          }),
        );
        return Object.keys(set).length > 0 ? [{ do: 'token.set', id, set }] : [];
      });
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};

function deprecatedTokens({ tokens }: Brand): ReadonlyMap<string, Token> {
  return new Map(tokens.flatMap((token) => (token.deprecated ? [[token.id, token] as const] : [])));
}
