import type { Step } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import type { Token } from '../brand/document/token-shape';
import { tokensOf } from '../brand/reading/resolve';
import { proposeOn, type Pair } from './contrast';
import { finding, type Finding, type Mend, type RuleId, type Severity } from './finding';

/** A pair that falls short, as a finding. @param wants what is wanted, after "and" */
export function contrastFinding(rule: RuleId, severity: Severity, pair: Pair, limit: number, wants: string): Finding {
  const { theme, text, surface, ratio } = pair;
  // Cut and not rounded: 4.496 must not read as 4.50.
  const value = Math.floor(ratio * 100) / 100;
  return finding(
    rule,
    severity,
    `${text.path} on ${surface.path} in ${theme.name} has a contrast of ${value.toFixed(2)} to 1, and ${wants} ${limit}.`,
    { theme: theme.id, tokens: [text.id, surface.id] },
    { value, limit, text: text.path },
  );
}

/** Gives tokens the nearest colour of their hue that is far enough from all their grounds. */
export function contrastMend(all: string, limit: number, groundsOf: (brand: Brand, token: Token) => readonly Token[]): Mend {
  return {
    all,
    offer: ({ data }) => (data.text === undefined ? null : `Make ${data.text} stand out by ${limit} to 1`),
    command(brand, findings, label) {
      const tokens = tokensOf(brand);
      const set = new Map<string, Record<string, { colour: string }>>();
      for (const { subject } of findings) {
        const [token] = (subject.tokens ?? []).flatMap((id) => tokens.get(id) ?? []);
        const { theme } = subject;
        if (!token || theme === undefined || set.get(token.id)?.[theme]) continue;
        const colour = proposeOn(brand, token, groundsOf(brand, token), theme, limit);
        if (colour) set.set(token.id, { ...set.get(token.id), [theme]: { colour: colour.hex } });
      }
      const steps = [...set].map(([id, values]): Step => ({ do: 'token.set', id, set: values }));
      return steps.length > 0 ? { label, steps } : null;
    },
  };
}
