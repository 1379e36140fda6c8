import { STATE_DEFAULTS } from './state-rule';
import type { Brand, StateRule, Token } from './document';
import { tokensOf } from './resolve';

/**
 * Tokens for the states of a token at rest, by the usual rules. `action.confirm.rest` gives `action.confirm.hover`, any
 * other path a step more. They have no values of their own: in every theme the rule makes them.
 */
export function stateTokens(
  base: Token,
  surface: string,
  text: string | undefined,
  states: readonly StateRule['state'][],
  newId: () => string,
): Token[] {
  const stem = base.path.replace(/\.(?:rest|default|base)$/, '');
  return states.map((state) => ({
    id: newId(),
    path: `${stem}.${state}`,
    role: 'state',
    description: '',
    on: [],
    values: {},
    // What is disabled need not be read (WCAG 2.2, 1.4.3 leaves it out), and must not look as if it could be used.
    rule: {
      state,
      of: base.id,
      surface,
      ...(text !== undefined && state !== 'disabled' && { text }),
      ...STATE_DEFAULTS[state],
    },
  }));
}

/** A token at rest with its states. */
export interface StateFamily {
  readonly base: Token;
  readonly states: readonly Token[];
}

/** Every token that has states by rule, with them, in the brand's order. */
export function stateFamilies(brand: Brand): StateFamily[] {
  const byBase = new Map<string, Token[]>();
  for (const token of brand.tokens) {
    if (!token.rule) continue;
    const states = byBase.get(token.rule.of);
    if (states) states.push(token);
    else byBase.set(token.rule.of, [token]);
  }
  const tokens = tokensOf(brand);
  return [...byBase].map(([base, states]) => ({ base: tokens.get(base)!, states }));
}
