import type { Command } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import { alike } from './alike';
import { alikeVision } from './alike-vision';
import { arms } from './arms';
import { clash } from './clash';
import { contrastEnhanced } from './contrast-enhanced';
import { contrastGraphic } from './contrast-graphic';
import { contrastText } from './contrast-text';
import { cycle } from './cycle';
import { deprecated } from './deprecated';
import type { Finding, Known, Rule, RuleId } from './finding';
import { gamut } from './gamut';
import { lostReference } from './lost-reference';
import { misnamed } from './misnamed';
import { nearDuplicate } from './near-duplicate';
import { noColour } from './no-colour';
import { notMonotone } from './not-monotone';
import { state } from './state';
import { tooFew } from './too-few';
import { uneven } from './uneven';
import { unsaidRole } from './unsaid-role';
import { unused } from './unused';

/** The rules about names and uses, which Name tidies up. */
export const TIDY_RULES: readonly Rule[] = [noColour, clash, tooFew, lostReference, deprecated, misnamed, unsaidRole, unused];

/** Every rule for a brand: what would break a file first, then what people cannot see, what is merely superfluous last. */
export const RULES: readonly Rule[] = [
  cycle,
  noColour,
  contrastText,
  contrastGraphic,
  alike,
  alikeVision,
  tooFew,
  notMonotone,
  uneven,
  arms,
  state,
  clash,
  gamut,
  lostReference,
  deprecated,
  contrastEnhanced,
  nearDuplicate,
  misnamed,
  unsaidRole,
  unused,
];

/** What some rules find in a brand, rule by rule. */
export function findingsOf(brand: Brand, rules: readonly Rule[], known: Known = {}): Finding[] {
  return rules.flatMap((rule) => rule.find(brand, known));
}

const SEVERITIES = ['error', 'warning', 'note'] as const;

/** Errors first, then warnings, then notes; within those rule by rule, each in the order in which it found them, which is the worst first. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  const rank = ({ severity }: Finding) => SEVERITIES.indexOf(severity);
  return [...findings].sort((one, two) => rank(one) - rank(two));
}

/** A brand that is edited holds no circle: the edit would be refused. To look for one costs more than most rules together. */
const FOLLOWED = RULES.filter((rule) => rule !== cycle);

/**
 * Finds in one state of a brand after the other. A rule is asked again only where a part that it looks at has changed; what it remembers of
 * resolved tokens and of palettes does the rest.
 */
export class Finder {
  private readonly last = new Map<Rule, { readonly parts: readonly unknown[]; readonly found: Finding[] }>();

  constructor(private readonly known: Known) {}

  /** Everything that the rules find, the worst first. */
  find(brand: Brand): Finding[] {
    return worstFirst(
      FOLLOWED.flatMap((rule) => {
        const parts = rule.looksAt.map((part) => brand[part]);
        const last = this.last.get(rule);
        if (last?.parts.every((part, at) => part === parts[at])) return last.found;
        const found = rule.find(brand, this.known);
        this.last.set(rule, { parts, found });
        return found;
      }),
    );
  }
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
