/** What the mutation tester is told beyond its settings: which faults are tried, and which files of tests each concerns. */
import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { relative } from 'node:path';
import { CheckStatus, type Checker, type CheckResult } from '@stryker-mutator/api/check';
import type { Mutant, StrykerOptions } from '@stryker-mutator/api/core';
import { commonTokens, declareClassPlugin, PluginKind, tokens } from '@stryker-mutator/api/plugin';
import type { DryRunCompletedEvent, MutationTestingPlanReadyEvent, Reporter } from '@stryker-mutator/api/report';

/** Of all faults the share that is tried: those whose number, drawn from their place and text, leaves `from` when divided by `every`. */
export interface Share {
  readonly every: number;
  readonly from: number;
}

/** Passes over the faults that are not of the share; the tester counts them as unusable. */
class ShareChecker implements Checker {
  static readonly inject = tokens(commonTokens.options);
  private readonly share: Share;

  constructor(options: StrykerOptions) {
    this.share = options['share'] as Share;
  }

  async init(): Promise<void> {}

  async check(mutants: Mutant[]): Promise<Record<string, CheckResult>> {
    return Object.fromEntries(mutants.map((mutant) => [mutant.id, this.result(mutant)]));
  }

  async group(mutants: Mutant[]): Promise<string[][]> {
    return [mutants.map(({ id }) => id)];
  }

  private result({ fileName, location, replacement }: Mutant): CheckResult {
    const text = [fileName.replace(/^.*\/(?=src\/)/, ''), JSON.stringify(location), replacement].join('\0');
    const number = createHash('sha256').update(text).digest().readUInt32BE();
    return number % this.share.every === this.share.from % this.share.every
      ? { status: CheckStatus.Passed }
      : { status: CheckStatus.CompileError, reason: 'not of the share' };
  }
}

/** Writes down which files of tests reach each fault, for filter.cjs: the tester alone would load all of them for each. */
class ReachReporter implements Reporter {
  private readonly files = new Map<string, string>();

  onDryRunCompleted({ result }: DryRunCompletedEvent): void {
    for (const { id, fileName } of result.tests) if (fileName) this.files.set(id, relative('.', fileName));
  }

  onMutationTestingPlanReady({ mutantPlans }: MutationTestingPlanReadyEvent): void {
    const reach = mutantPlans.map((plan) => {
      const reached = 'runOptions' in plan ? plan.runOptions.testFilter : undefined;
      return [plan.mutant.id, reached && [...new Set(reached.map((id) => this.files.get(id)))]];
    });
    writeFileSync(process.env.MUTANT_REACH!, JSON.stringify(Object.fromEntries(reach)));
  }
}

export const strykerPlugins = [
  declareClassPlugin(PluginKind.Checker, 'share', ShareChecker),
  declareClassPlugin(PluginKind.Reporter, 'reach', ReachReporter),
];
