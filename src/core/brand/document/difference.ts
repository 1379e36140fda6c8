import { z } from 'zod';
import { BrandShape } from './brand-shape';
import { EntityId, LIMITS } from './fields';
import { FIELD_NAMES, KIND_NAMES, KINDS, type Entity, type KindName } from './kinds';

/** The most parts of a difference: as many as a brand has, with what it had. */
const MOST = 2 * (LIMITS.swatches + LIMITS.tokens + LIMITS.palettes + LIMITS.acceptances);

/** Fields of a shape, each of which may be said or not; null stands for one that is not there, where it may be missing. */
function someOf(shape: Readonly<Record<string, z.ZodType>>): z.ZodObject {
  const fields = Object.entries(shape).map(([name, schema]) => {
    const missing = schema.safeParse(undefined).success;
    return [name, (missing ? schema.nullable() : schema).optional()] as const;
  });
  return z.strictObject(Object.fromEntries(fields));
}

const wholes = z.discriminatedUnion(
  'kind',
  oneOfEach((kind) => z.strictObject({ kind: z.literal(kind), entity: KINDS[kind].own })),
);
const edits = z.discriminatedUnion(
  'kind',
  oneOfEach((kind) => {
    const some = someOf(KINDS[kind].own.omit({ id: true }).shape);
    return z.strictObject({ kind: z.literal(kind), id: EntityId, set: some, was: some });
  }),
);
const ids = z.array(EntityId).max(LIMITS.swatches);
const ownFields = someOf(Object.fromEntries(FIELD_NAMES.map((name) => [name, BrandShape.shape[name]])));

function oneOfEach<T>(make: (kind: KindName) => T): [T, ...T[]] {
  return KIND_NAMES.map(make) as [T, ...T[]];
}

const shape = z.strictObject({
  /** Of the brand itself. */
  fields: z.strictObject({ set: ownFields, was: ownFields }),
  /** Without those that they hold. */
  added: z.array(wholes).max(MOST),
  removed: z.array(wholes).max(MOST),
  edited: z.array(edits).max(MOST),
  /** Lists whose ids are others, or in another order; `of` is the id of the palette for lists of swatches. */
  orders: z.array(z.strictObject({ kind: z.enum(KIND_NAMES), of: EntityId.nullable(), was: ids, now: ids })).max(MOST),
});

/** All in which one state of a brand is another than a second: what each side has, so that it can be turned round. */
export interface BrandDifference {
  fields: Change;
  added: Whole[];
  removed: Whole[];
  edited: ({ kind: KindName; id: string } & Change)[];
  orders: Order[];
}
/** The type is said by hand: of a schema made from the table, only the table knows which entities have which fields. */
export const BrandDifference = shape as unknown as z.ZodType<BrandDifference>;

export interface Whole {
  kind: KindName;
  entity: Entity;
}
interface Change {
  set: Record<string, unknown>;
  was: Record<string, unknown>;
}
export interface Order {
  kind: KindName;
  of: string | null;
  was: string[];
  now: string[];
}

/** The same difference seen from the other side. */
export function turned({ fields, added, removed, edited, orders }: BrandDifference): BrandDifference {
  return {
    fields: { set: fields.was, was: fields.set },
    added: removed,
    removed: added,
    edited: edited.map(({ kind, id, set, was }) => ({ kind, id, set: was, was: set })),
    orders: orders.map(({ kind, of, was, now }) => ({ kind, of, was: now, now: was })),
  };
}

/** Whether two states have no difference. */
export function isNone({ fields, added, removed, edited, orders }: BrandDifference): boolean {
  return [Object.keys(fields.set), added, removed, edited, orders].every(({ length }) => length === 0);
}
