import type { Command } from '../brand/commands';
import type { Brand } from '../brand/document';
import { clash } from './clash';
import { contrastText } from './contrast-text';
import { deprecated } from './deprecated';
import type { Finding, Known, Rule, RuleId } from './finding';
import { lostReference } from './lost-reference';
import { misnamed } from './misnamed';
import { noColour } from './no-colour';
import { tooFew } from './too-few';
import { unsaidRole } from './unsaid-role';
import { unused } from './unused';

/** Every rule for a brand: what would break a file first, what is merely superfluous last. */
export const RULES: readonly Rule[] = [
  noColour,
  contrastText,
  clash,
  tooFew,
  lostReference,
  deprecated,
  misnamed,
  unsaidRole,
  unused,
];

/** The rules about names and uses; contrast is proved in a stage of its own. */
export const TIDY_RULES: readonly Rule[] = RULES.filter((rule) => rule !== contrastText);

/** What some rules find in a brand, rule by rule. */
export function findingsOf(brand: Brand, rules: readonly Rule[], known: Known = {}): Finding[] {
  return rules.flatMap((rule) => rule.find(brand, known));
}

export function ruleById(id: RuleId): Rule | undefined {
  return RULES.find((rule) => rule.id === id);
}

/** What putting a finding right is called; null where a person has to decide. */
export function mendOffered(finding: Finding): string | null {
  return ruleById(finding.rule)?.mend?.offer(finding) ?? null;
}

/** What would put findings of one rule right, in one step. @returns null where nothing can be done */
export function mendOf(brand: Brand, findings: readonly Finding[], label: string): Command | null {
  const [first] = findings;
  return (first && ruleById(first.rule)?.mend?.command(brand, findings, label)) ?? null;
}
