import { z } from 'zod';
import { isShallow } from '../../base/json-text';
import { isStorable, UNSTORABLE } from '../../base/storable';
import { EntityId as id, name, text } from './fields';

/** A format the brand ships to. Its options are checked by the format itself. */
export const Destination = z.strictObject({
  id,
  name,
  format: text(40),
  options: z
    .record(z.string(), z.json())
    .refine(isShallow, 'The options of a destination are nested too deep.')
    .refine(isStorable, UNSTORABLE),
});

export type Destination = z.infer<typeof Destination>;
