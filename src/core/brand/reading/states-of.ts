import { stateRule, TOKEN_STATES, type StateRule, type Token } from '../document/token-shape';
import type { Brand } from '../document/document';
import { tokensOf } from './resolve';

/** A token that is a state of another. */
export interface StateOf {
  readonly token: Token;
  readonly state: StateRule['state'];
  readonly rest: Token;
}

const known = new WeakMap<readonly Token[], readonly StateOf[]>();

/** Every state with what it is a state of: by its rule, or by its path beside `….rest`, `….default` or the token of the path around it. */
export function statesOf(brand: Brand): readonly StateOf[] {
  let found = known.get(brand.tokens);
  if (found) return found;
  const byId = tokensOf(brand);
  const byPath = new Map(brand.tokens.map((token) => [token.path, token]));
  found = brand.tokens.flatMap((token): StateOf[] => {
    const state = stateOf(token);
    if (!state) return [];
    const around = token.path.slice(0, token.path.lastIndexOf('.'));
    const rule = stateRule(token);
    const rest = rule
      ? byId.get(rule.of)
      : (byPath.get(`${around}.rest`) ?? byPath.get(`${around}.default`) ?? byPath.get(around));
    return rest && rest !== token ? [{ token, state, rest }] : [];
  });
  known.set(brand.tokens, found);
  return found;
}

const states: ReadonlySet<string> = new Set(TOKEN_STATES);

/** Which state a token is by its rule, or by the last step of its path. */
export function stateOf(token: Token): StateRule['state'] | undefined {
  if (token.rule) return stateRule(token)?.state;
  const { path } = token;
  const last = path.slice(path.lastIndexOf('.') + 1);
  return states.has(last) && last !== path ? (last as StateRule['state']) : undefined;
}
