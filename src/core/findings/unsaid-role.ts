import type { Step } from '../brand/commands/commands';
import { stateRule, type Token } from '../brand/document/token-shape';
import { likelyRole } from '../brand/reading/token-role';
import { finding, type Rule } from './finding';

const known = new WeakMap<Token, Token['role']>();

function likelyOnce(token: Token): Token['role'] {
  let role = known.get(token);
  if (!role) known.set(token, (role = likelyRole(token.path)));
  return role;
}

/** Tokens of which nobody has said what they are, though their path or use does: what is not known to be a text is not measured. */
export const unsaidRole: Rule = {
  id: 'role',
  title: 'What these probably are',
  looksAt: ['tokens'],
  find({ tokens }) {
    const grounds = new Set(tokens.flatMap(({ on }) => on));
    return tokens.flatMap((token) => {
      if (token.role !== 'other') return [];
      const role = stateRule(token) ? 'state' : token.rule || grounds.has(token.id) ? 'surface' : likelyOnce(token);
      if (role === 'other') return [];
      const message = `${token.path} is probably of the role ${role}, and has none.`;
      return [finding('role', 'note', message, { tokens: [token.id] }, { role })];
    });
  },
  mend: {
    all: 'Take all as guessed',
    offer: ({ data }) => `It is ${data.role}`,
    command(_brand, findings, label) {
      const steps = findings.flatMap(({ subject, data }): Step[] => {
        const [id] = subject.tokens ?? [];
        return id === undefined ? [] : [{ do: 'token.edit', id, set: { role: data.role as Token['role'] } }];
      });
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};
