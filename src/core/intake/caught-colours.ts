import { z } from 'zod';
import { Swatch } from '../brand/document/palette-shape';
import { EntityId } from '../brand/document/fields';

/** Colours that a person sends from one of their pages to the others, such as from the phone to the desk. */
export const CaughtColours = z.strictObject({
  id: EntityId,
  /** Another for every page that is open. */
  page: EntityId,
  /** What they came from, in words. */
  source: Swatch.shape.name,
  colours: z
    .array(Swatch.pick({ name: true, value: true }))
    .min(1)
    .max(256, 'At most 256 colours are sent at once.'),
});
export type CaughtColours = z.infer<typeof CaughtColours>;
