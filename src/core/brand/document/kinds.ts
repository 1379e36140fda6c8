import type { z } from 'zod';
import { Acceptance } from './acceptance-shape';
import { Art } from './art-shape';
import type { Brand } from './brand-shape';
import { DataField } from './data-shape';
import { Destination } from './destination-shape';
import { LIMITS } from './fields';
import { Graft } from './graft-shape';
import { Palette, Swatch } from './palette-shape';
import { Theme } from './theme-shape';
import { ruleTokens, Token } from './token-shape';

/**
 * What a brand is made of, in one table. The check of a document, the steps that edit it, who uses what, comparing, restoring, taking back and the
 * random commands of the tests are derived from it: a kind or a field is added here, and the compiler or a test names whatever it still wants.
 */

export type KindName = 'palette' | 'swatch' | 'theme' | 'token' | 'destination' | 'graft' | 'art' | 'acceptance' | 'field';

/** Something with an id. */
export interface Entity {
  readonly id: string;
}

/** Where an entity speaks of another. */
export interface Reference {
  /** The place in the entity, such as `values.day`. */
  readonly path: readonly (string | number)[];
  readonly to: KindName;
  readonly id: string;
  /** Whether it has to lead somewhere: what it leads to cannot go while it is there. One that need not, and does not, stops a release. */
  readonly firm: boolean;
}

export interface Kind {
  /** The field that holds them: of the brand, or of the palette for swatches. */
  readonly list: string;
  /** The kind whose entities hold them; the brand itself, where none is said. */
  readonly within?: 'palette';
  readonly schema: z.ZodObject;
  /** The shape of what one has itself, without those that it holds. */
  readonly own: z.ZodObject;
  /** One of them and many, in words. */
  readonly one: string;
  readonly many: string;
  /** The field that says what it is called. */
  readonly label: string;
  /** The most that a brand holds of them. */
  readonly limit: number;
  /** Fields that no edit sets; only restoring does. */
  readonly fixed?: readonly string[];
  /** Whether steps add, remove and move several at once. */
  readonly several: boolean;
  /** What another order of them does to files, in a sentence. @param then and now the list as it was and as it is */
  readonly order: (then: readonly Entity[], now: readonly Entity[]) => string;
  /** Whether it matters which is the first, also where that one came or went. */
  readonly firstCounts?: true;
  readonly references: (entity: Entity) => Reference[];
  /** A field that no two have alike, and the sentence for whoever tries. */
  readonly unique?: { readonly field: string; readonly taken: (value: string) => string };
  /** Why an edit of these fields is refused; null where it is not. */
  readonly refuses?: (entity: Entity, set: Readonly<Record<string, unknown>>) => string | null;
  /** What is wrong in an entity that its schema cannot say. */
  readonly wrong?: (entity: Entity) => string | null;
}

interface KindOf<T> extends Omit<Kind, 'own' | 'label' | 'fixed' | 'references' | 'refuses' | 'wrong' | 'unique'> {
  readonly own?: z.ZodObject;
  readonly label: keyof T & string;
  readonly fixed?: readonly (keyof T)[];
  readonly references?: (entity: T) => Reference[];
  readonly unique?: { readonly field: keyof T & string; readonly taken: (value: string) => string };
  readonly refuses?: (entity: T, set: Partial<T>) => string | null;
  readonly wrong?: (entity: T) => string | null;
}

const NONE: Reference[] = [];
const none = () => NONE;

/** An entry of the table, written with the type of its entities and read without. */
function kind<T extends Entity>(entry: KindOf<T>): Kind {
  return { references: none, own: entry.schema, ...entry } as unknown as Kind;
}

const firm = (to: KindName, id: string, ...path: (string | number)[]): Reference => ({ path, to, id, firm: true });
const loose = (to: KindName, id: string, ...path: (string | number)[]): Reference => ({ path, to, id, firm: false });

/** In the order in which people are told of them. */
export const KINDS: Readonly<Record<KindName, Kind>> = {
  palette: kind<Palette>({
    list: 'palettes',
    schema: Palette,
    own: Palette.omit({ swatches: true }),
    one: 'palette',
    many: 'palettes',
    label: 'name',
    limit: LIMITS.palettes,
    fixed: ['source'],
    several: false,
    order: () => 'Files list palettes in this order.',
  }),
  swatch: kind<Swatch>({
    list: 'swatches',
    within: 'palette',
    schema: Swatch,
    one: 'swatch',
    many: 'swatches',
    label: 'name',
    limit: LIMITS.swatches,
    several: true,
    order: () => 'Categories and steps take their colours in this order.',
    refuses: (swatch, set) =>
      swatch.locked && set.value !== undefined && set.locked !== false
        ? `${swatch.name} is locked. Unlock it to change its colour.`
        : null,
  }),
  theme: kind<Theme>({
    list: 'themes',
    schema: Theme,
    one: 'theme',
    many: 'themes',
    label: 'name',
    limit: LIMITS.themes,
    several: false,
    order: ([was], [is]) =>
      was?.id === is?.id
        ? 'Files list themes in this order.'
        : `:root of style sheets is now ${labelOf('theme', is!)}, no longer ${labelOf('theme', was!)}, and so are files of one theme.`,
    firstCounts: true,
    references: ({ derived }) => (derived ? [loose('theme', derived.from, 'derived', 'from')] : []),
  }),
  token: kind<Token>({
    list: 'tokens',
    schema: Token,
    one: 'token',
    many: 'tokens',
    label: 'path',
    limit: LIMITS.tokens,
    several: true,
    order: () => 'Files list tokens, and charts take their colours, in this order.',
    references: tokenReferences,
    unique: { field: 'path', taken: (path) => `There is a token ${path} already. Choose another path.` },
  }),
  destination: kind<Destination>({
    list: 'destinations',
    schema: Destination,
    one: 'destination',
    many: 'destinations',
    label: 'name',
    limit: LIMITS.destinations,
    fixed: ['format'],
    several: false,
    order: () => 'Files of the same name are told apart in this order.',
    references: ({ options: { themes } }) =>
      Array.isArray(themes)
        ? themes.flatMap((id, at) => (typeof id === 'string' ? [loose('theme', id, 'options', 'themes', at)] : []))
        : [],
  }),
  graft: kind<Graft>({
    list: 'grafts',
    schema: Graft,
    one: 'graft',
    many: 'grafts',
    label: 'path',
    limit: LIMITS.grafts,
    several: false,
    order: () => 'Grafts are written in this order.',
    references: graftReferences,
    wrong: ({ bindings, banks }) =>
      Object.keys(bindings).length + Object.keys(banks).length > LIMITS.bindings
        ? `A graft holds at most ${LIMITS.bindings} bindings; bind fewer slots.`
        : null,
  }),
  art: kind<Art>({
    list: 'art',
    schema: Art,
    one: 'art',
    many: 'pieces of art',
    label: 'path',
    limit: LIMITS.art,
    several: false,
    order: () => 'Art is written in this order.',
    references: ({ table }) => [
      loose('palette', table.palette, 'table', 'palette'),
      ...table.map.map(({ to }, at) => loose('swatch', to, 'table', 'map', at, 'to')),
    ],
  }),
  acceptance: kind<Acceptance>({
    list: 'acceptances',
    schema: Acceptance,
    one: 'acceptance',
    many: 'accepted findings',
    label: 'said',
    limit: LIMITS.acceptances,
    fixed: ['finding', 'said', 'value', 'reason'],
    several: false,
    order: () => 'Accepted findings are listed in this order.',
    unique: { field: 'finding', taken: () => 'This has been accepted already.' },
  }),
  field: kind<DataField>({
    list: 'fields',
    schema: DataField,
    one: 'field',
    many: 'fields',
    label: 'name',
    limit: LIMITS.fields,
    several: false,
    order: () => 'Charts offer fields in this order.',
    references: ({ values }) =>
      values.flatMap(({ token }, at) => (token === undefined ? [] : [firm('token', token, 'values', at, 'token')])),
  }),
};
export const KIND_NAMES = Object.keys(KINDS) as KindName[];

function tokenReferences({ on, values, rule, deprecated }: Token): Reference[] {
  return [
    ...on.map((id, at) => firm('token', id, 'on', at)),
    ...Object.entries(values).flatMap(([theme, value]) => [
      firm('theme', theme, 'values', theme),
      ...('swatch' in value ? [firm('swatch', value.swatch, 'values', theme)] : []),
      ...('token' in value ? [firm('token', value.token, 'values', theme)] : []),
    ]),
    ...(rule ? ruleTokens(rule).map((id) => firm('token', id, 'rule')) : []),
    ...(deprecated?.use === undefined ? [] : [firm('token', deprecated.use, 'deprecated', 'use')]),
  ];
}

function graftReferences({ theme, bindings, banks }: Graft): Reference[] {
  return [
    loose('theme', theme, 'theme'),
    ...Object.entries(bindings).flatMap(([slot, { to, theme: own }]) => [
      'swatch' in to ? loose('swatch', to.swatch, 'bindings', slot, 'to') : loose('token', to.token, 'bindings', slot, 'to'),
      ...(own === undefined ? [] : [loose('theme', own, 'bindings', slot, 'theme')]),
    ]),
    ...Object.entries(banks).map(([slot, { palette }]) => loose('palette', palette, 'banks', slot, 'palette')),
  ];
}

type ListName = { [K in keyof Brand]-?: Brand[K] extends Entity[] ? K : never }[keyof Brand];
/** The fields of a brand that are no lists of entities. */
export type FieldName = Exclude<keyof Brand, ListName | 'format' | 'version' | 'id'>;

interface Field {
  /** What it is, after "the". */
  readonly words: string;
  readonly references: (brand: Brand) => Reference[];
}

/** The fields that the brand has itself. */
export const FIELDS: { readonly [F in FieldName]: Field } = {
  name: { words: 'name', references: none },
  naming: { words: 'naming convention', references: none },
  carried: {
    words: 'values carried for other tools',
    references: ({ carried }) =>
      carried.flatMap(({ before, theme }, at) => [
        ...(before === null ? [] : [loose('token', before, 'carried', at, 'before')]),
        ...(theme === undefined ? [] : [loose('theme', theme, 'carried', at, 'theme')]),
      ]),
  },
  print: { words: 'printing condition', references: none },
  logo: { words: 'logo', references: none },
  house: { words: 'standing to the house set', references: none },
};
export const FIELD_NAMES = Object.keys(FIELDS) as FieldName[];

/** Entities by the lists that they stand in: of a kind that the brand holds itself. */
export function listOf(brand: Brand, name: KindName): readonly Entity[] {
  return brand[KINDS[name].list as ListName];
}

/** All entities of a kind, in their order; of swatches, palette after palette. */
export function entitiesOf(brand: Brand, name: KindName): readonly Entity[] {
  return KINDS[name].within ? swatchList(brand.palettes) : listOf(brand, name);
}

const swatchLists = new WeakMap<readonly Palette[], readonly Swatch[]>();

function swatchList(palettes: readonly Palette[]): readonly Swatch[] {
  let found = swatchLists.get(palettes);
  if (!found) swatchLists.set(palettes, (found = palettes.flatMap(({ swatches }) => swatches)));
  return found;
}

const indexes = new WeakMap<readonly Entity[], ReadonlyMap<string, Entity>>();

/** The entities of a list by id. Computed once for a list. */
export function byId<T extends Entity>(list: readonly T[]): ReadonlyMap<string, T> {
  let found = indexes.get(list);
  if (!found) indexes.set(list, (found = new Map(list.map((entity) => [entity.id, entity]))));
  return found as ReadonlyMap<string, T>;
}

/** What an entity is called. */
export function labelOf(name: KindName, entity: Entity): string {
  return String((entity as unknown as Record<string, unknown>)[KINDS[name].label]);
}

/** What an entity has itself, without those that it holds. */
export function ownOf(name: KindName, entity: Entity): Entity {
  const { own, schema } = KINDS[name];
  if (own === schema) return entity;
  return { id: entity.id, ...Object.fromEntries(Object.entries(entity).filter(([field]) => field in own.shape)) };
}

const known = new WeakMap<Entity, readonly Reference[]>();

/** All that an entity speaks of. Computed once for an entity. */
export function referencesOf(name: KindName, entity: Entity): readonly Reference[] {
  const { references } = KINDS[name];
  if (references === none) return NONE;
  let found = known.get(entity);
  if (!found) known.set(entity, (found = references(entity)));
  return found;
}

/** An entity that speaks of another, and where. */
export interface User {
  readonly kind: KindName;
  readonly entity: Entity;
  readonly reference: Reference;
}

/** Everything in a brand that speaks of entities of a kind, by their ids. */
export function usersOf(brand: Brand, of: KindName, ids: ReadonlySet<string>): User[] {
  return KIND_NAMES.flatMap((name) =>
    entitiesOf(brand, name).flatMap((entity) =>
      referencesOf(name, entity)
        .filter(({ to, id }) => to === of && ids.has(id))
        .map((reference) => ({ kind: name, entity, reference })),
    ),
  );
}
