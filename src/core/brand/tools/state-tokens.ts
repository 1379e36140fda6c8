import { STATE_DEFAULTS } from '../reading/state-rule';
import { stateRule, type StateRule, type Token } from '../document/token-shape';
import type { Brand } from '../document/document';
import { tokensOf } from '../reading/resolve';

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
  /** The rule of the first of them: they have the surface and the text in common. */
  readonly rule: StateRule;
}

/** Every token that has states by rule, with them, in the brand's order. */
export function stateFamilies(brand: Brand): StateFamily[] {
  const byBase = new Map<string, { states: Token[]; rule: StateRule }>();
  for (const token of brand.tokens) {
    const rule = stateRule(token);
    if (!rule) continue;
    const family = byBase.get(rule.of);
    if (family) family.states.push(token);
    else byBase.set(rule.of, { states: [token], rule });
  }
  const tokens = tokensOf(brand);
  return [...byBase].map(([base, family]) => ({ base: tokens.get(base)!, ...family }));
}
