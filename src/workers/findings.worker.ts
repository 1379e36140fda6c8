import { expose } from 'comlink';
import { patched, type BrandPatch } from '@/core/brand/document/brand-patch';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Finding } from '@/core/findings/finding';
import { Finder, mendOf } from '@/core/findings/rules';
import { tokensNarrowed, tokensWritten } from '@/core/formats/registry';
import { findingsSince } from '@/core/findings/since';
import { destinationFindings } from '@/core/release/problems';

const known = { written: tokensWritten, narrow: tokensNarrowed };
const finder = new Finder(known);
let brand: Brand | null = null;

const api = {
  /** The brand to begin with. */
  open(whole: Brand): void {
    brand = whole;
  },
  /** What the rules find in the brand as a patch makes it. */
  find(patch: BrandPatch | null): Finding[] {
    if (patch) brand = patched(brand!, patch);
    return finder.find(brand!);
  },
  /** What is found in one state and was not in an earlier one, and the other way round. */
  since(before: Brand, now: Brand): ReturnType<typeof findingsSince> {
    return findingsSince(before, now, known);
  },
  /** What writing its destinations finds. */
  ofDestinations(): Finding[] {
    return destinationFindings(brand!);
  },
  /** What would put findings of one rule right; null where nothing can be done. */
  mend(findings: readonly Finding[], label: string): Command | null {
    return mendOf(brand!, findings, label);
  },
};

export type FindingsWorker = typeof api;

expose(api);
