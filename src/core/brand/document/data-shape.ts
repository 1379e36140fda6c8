import { z } from 'zod';
import { EntityId as id, LIMITS, name, text } from './fields';
import { TokenPath } from './token-shape';

/** Things in the data that always have the same colour: the values of one field, such as the routes. */
export const DataField = z.strictObject({
  id,
  name,
  /** The group of tokens that values without one of their own take their colours from, in order. */
  group: TokenPath,
  /** As the data spells them; `token` is the id of the token a value is pinned to. */
  values: z.array(z.strictObject({ text: name, token: id.optional() })).max(LIMITS.fieldValues),
});

/** What a design token file holds besides colours, kept as it stood there so that it can be written again. */
export const Carried = z.strictObject({
  /** Keys from the file's root to it. */
  path: z.array(text(LIMITS.path).min(1)).min(1).max(60),
  /** Its JSON text. */
  json: text(LIMITS.carriedText),
  /** Id of the token it stood before; null, or one that is gone, is the end. */
  before: id.nullable(),
  /** Id of the theme whose files it belongs in; absent: in those of every theme. */
  theme: id.optional(),
});

export type DataField = z.infer<typeof DataField>;
export type Carried = z.infer<typeof Carried>;
