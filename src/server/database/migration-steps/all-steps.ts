import { BRAND_STEPS } from './brand-steps';
import type { MigrationStep } from './migration-step';
import { ORGANISATION_STEPS } from './organisation-steps';
import { SCREEN_STEPS } from './screen-steps';

/** Every step the database has ever taken, in the order of their numbers, whatever each is about. */
export const MIGRATIONS: readonly MigrationStep[] = [...BRAND_STEPS, ...ORGANISATION_STEPS, ...SCREEN_STEPS].sort((one, two) =>
  one.name < two.name ? -1 : 1,
);
