import type { Difference } from '../brand/history/compare';

/** The steps of a version MAJOR.MINOR.PATCH, from what breaks those who use it to what does not (Semantic Versioning 2.0.0, sections 6 to 8). */
export const VERSION_STEPS = ['major', 'minor', 'patch'] as const;
export type VersionStep = (typeof VERSION_STEPS)[number];

export interface ProposedStep {
  readonly step: VersionStep;
  /** Why, in a few words. */
  readonly why: string;
}

/** What consumers know by its name: gone or renamed, what they refer to leads nowhere. */
const KNOWN_BY_NAME: readonly Difference['what'][] = ['token', 'theme', 'palette', 'destination', 'graft', 'art'];

/**
 * The step that a release with these differences takes: something gone or renamed that consumers know by its name breaks them; something new does
 * not; and with neither only colours and words have changed.
 */
export function proposedStep(differences: readonly Difference[]): ProposedStep {
  const broken = differences.find(
    ({ kind, what, was }) => KNOWN_BY_NAME.includes(what) && (kind === 'removed' || was !== undefined),
  );
  if (broken)
    return {
      step: 'major',
      why: `${broken.what} ${broken.was ?? broken.name} ${broken.kind === 'removed' ? 'is gone' : `is called ${broken.name}`}`,
    };
  const added = differences.find(({ kind, what }) => kind === 'added' && what !== 'acceptance' && what !== 'brand');
  if (added) return { step: 'minor', why: `${added.what} ${added.name} is new` };
  return { step: 'patch', why: 'nothing is gone, renamed or new' };
}

/** The version after a step. @param last null before the first release, which is 1.0.0 */
export function nextVersion(last: string | null, step: VersionStep): string {
  const found = /^(\d+)\.(\d+)\.(\d+)$/.exec(last ?? '');
  if (!found) return '1.0.0';
  const [major, minor, patch] = found.slice(1).map(Number) as [number, number, number];
  if (step === 'major') return `${major + 1}.0.0`;
  return step === 'minor' ? `${major}.${minor + 1}.0` : `${major}.${minor}.${patch + 1}`;
}
