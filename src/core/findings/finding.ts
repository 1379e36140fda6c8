import type { Command } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import type { TokensWritten } from '../brand/reading/where-used';

/** What was found, each by a rule of a file of its own; those below the line are found while a destination is written. */
export type RuleId =
  | 'cycle'
  | 'no-colour'
  | 'contrast-text'
  | 'contrast-enhanced'
  | 'contrast-graphic'
  | 'alike'
  | 'alike-vision'
  | 'too-few'
  | 'not-monotone'
  | 'uneven'
  | 'arms'
  | 'state'
  | 'clash'
  | 'gamut'
  | 'near-duplicate'
  | 'lost-reference'
  | 'deprecated'
  | 'naming'
  | 'role'
  | 'unused'
  // In a destination:
  | 'opacity'
  | 'depth'
  | 'no-such-token'
  | 'nothing-to-write'
  | 'incomplete'
  | 'option'
  | 'same-path'
  | 'too-large'
  | 'template'
  // In a graft:
  | 'graft'
  // In recoloured art:
  | 'art';

/** An error stops a release; a warning is something that a consumer will not see as it is here; a note only wants a look. */
export type Severity = 'error' | 'warning' | 'note';

/** What a finding is about, all by ids. */
export interface Subject {
  readonly theme?: string;
  readonly palette?: string;
  readonly tokens?: readonly string[];
  readonly swatches?: readonly string[];
  readonly field?: string;
  readonly destination?: string;
}

/** Something that a rule found: in a brand, or in what a destination would write of it. */
export interface Finding {
  readonly rule: RuleId;
  readonly severity: Severity;
  readonly subject: Subject;
  /** Numbers and words that the sentence is made from, such as `value` and `limit`. */
  readonly data: Readonly<Record<string, string | number>>;
  /** One sentence: what, where, and where possible what to do. */
  readonly message: string;
}

/** What a rule may be told besides the brand. */
export interface Known {
  /** Which tokens a destination writes; without it nothing can be said of what goes nowhere. */
  readonly written?: TokensWritten;
  /** How many findings of a rule are told one by one; 500, where nothing is said. */
  readonly most?: number;
  /** Which tokens a destination writes into a file that holds sRGB and nothing beyond it. */
  readonly narrow?: TokensWritten;
}

/** How a rule's findings are put right. */
export interface Mend {
  /** What putting one right is called; null where a person has to decide. */
  readonly offer: (finding: Finding) => string | null;
  /** What putting all of them right at once is called. */
  readonly all: string;
  /** What is asked before all of them are, where something goes with it. */
  readonly asks?: (findings: readonly Finding[]) => string;
  /**
   * Findings put right in one step; made up only when asked for, for it may look through the whole brand.
   * @returns null when nothing can be done
   */
  readonly command: (brand: Brand, findings: readonly Finding[], label: string) => Command | null;
}

/** One thing to look for in a brand. */
export interface Rule {
  readonly id: RuleId;
  /** What its findings are called, in the plural where there may be several. */
  readonly title: string;
  /** The worst first. */
  readonly find: (brand: Brand, known: Known) => Finding[];
  /** The parts of a brand that it looks at: while these are the same, so is what it finds. */
  readonly looksAt: readonly (keyof Brand)[];
  readonly mend?: Mend;
}

export function finding(
  rule: RuleId,
  severity: Severity,
  message: string,
  subject: Subject = {},
  data: Finding['data'] = {},
): Finding {
  return { rule, severity, subject, data, message };
}

/** Whether any of them stops a release. */
export function stops(findings: readonly Finding[]): boolean {
  return findings.some(({ severity }) => severity === 'error');
}
