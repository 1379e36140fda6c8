import { z } from 'zod';
import { EntityId, LIMITS, text } from './fields';

/** Somebody's word that a finding may stand, and why. It stays on record when what it is about has changed or is gone. */
export const Acceptance = z.strictObject({
  id: EntityId,
  /** Tells the finding from all others: its rule and what it is about. */
  finding: text(LIMITS.findingKey).min(1),
  /** The finding's sentence as it was then. */
  said: text(LIMITS.description).min(1),
  /** How far it was from its limit then; what is worse later is found again. */
  value: z.number().optional(),
  reason: text(LIMITS.note).refine((given) => given.trim() !== '', 'Say why it may stand.'),
});
export type Acceptance = z.infer<typeof Acceptance>;
