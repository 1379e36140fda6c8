import { BrandShape, type Brand } from './brand-shape';
import { findCycle, ringWords } from './circles';
import { byId, entitiesOf, FIELD_NAMES, KIND_NAMES, KINDS, labelOf, listOf, ownOf, referencesOf, usersOf } from './kinds';
import type { Entity, KindName, Reference, User } from './kinds';
import { sourcesOf, type Token } from './token-shape';

/** What does not hold in a document, although every part of it has its shape. */
export type Problem =
  | { readonly what: 'twice'; readonly kind: KindName; readonly entity: Entity }
  | { readonly what: 'taken'; readonly kind: KindName; readonly entity: Entity; readonly value: string }
  | { readonly what: 'lost'; readonly kind: KindName; readonly entity: Entity; readonly reference: Reference }
  | { readonly what: 'wrong'; readonly kind: KindName; readonly entity: Entity; readonly words: string }
  | { readonly what: 'many'; readonly kind: KindName; readonly count: number }
  | { readonly what: 'no theme' }
  /** Paths, the first repeated at the end. */
  | { readonly what: 'circle'; readonly paths: readonly string[] };

/**
 * What does not hold in a document: ids are used once, every firm reference leads somewhere, no token leads back to itself, what has to be unique is,
 * and nothing is more than its limit.
 * @param before a document that is known to be right; then only what is another since is looked at, and a save costs what it changes
 */
export function* problemsOf(brand: Brand, before: Brand | null): Generator<Problem> {
  const changes = new Map(KIND_NAMES.map((kind) => [kind, changeOf(brand, before, kind)]));
  if (brand.themes.length === 0) yield { what: 'no theme' };
  yield* usedTwice(brand, changes);
  for (const kind of KIND_NAMES) {
    const { changed, hasOtherIds } = changes.get(kind)!;
    const count = hasOtherIds ? entitiesOf(brand, kind).length : 0;
    if (count > KINDS[kind].limit) yield { what: 'many', kind, count };
    yield* takenTwice(brand, before, kind, changed);
    for (const entity of changed) {
      const words = KINDS[kind].wrong?.(entity);
      if (words) yield { what: 'wrong', kind, entity, words };
      for (const reference of referencesOf(kind, entity))
        if (reference.firm && !has(brand, reference)) yield { what: 'lost', kind, entity, reference };
    }
  }
  for (const kind of KIND_NAMES) {
    const { gone } = changes.get(kind)!;
    if (gone.size === 0) continue;
    for (const user of usersOf(brand, kind, gone)) if (user.reference.firm) yield { what: 'lost', ...user };
  }
  yield* circles(brand, before, changes.get('token')!.changed as readonly Token[]);
}

/** What in a document has not the shape of its kind, in words; null when all has. @param before a document that is known to be right */
export function shapeProblem(brand: Brand, before: Brand): string | null {
  for (const name of FIELD_NAMES) {
    const read = brand[name] === before[name] ? null : BrandShape.shape[name].safeParse(brand[name]);
    if (read?.success === false) return `${name}: ${read.error.issues[0]!.message}`;
  }
  for (const kind of KIND_NAMES) {
    for (const entity of changeOf(brand, before, kind).changed) {
      const read = KINDS[kind].own.safeParse(ownOf(kind, entity));
      if (!read.success) return `${labelOf(kind, entity)}: ${read.error.issues[0]!.message}`;
    }
  }
  return null;
}

/** How the entities of a kind differ from those of an earlier document. */
interface Change {
  /** What is new, or not the very same. */
  readonly changed: readonly Entity[];
  /** Ids of what was there. */
  readonly gone: ReadonlySet<string>;
  /** Whether ids came, went, or stand elsewhere. */
  readonly hasOtherIds: boolean;
}

const NOTHING: Change = { changed: [], gone: new Set(), hasOtherIds: false };

function changeOf(brand: Brand, before: Brand | null, kind: KindName): Change {
  const now = entitiesOf(brand, kind);
  const then = before ? entitiesOf(before, kind) : [];
  if (now === then) return NOTHING;
  // Mostly one is edited in its place, and nothing needs to be looked up.
  const elsewhere = now.filter((entity, at) => then[at] !== entity);
  if (now.length === then.length && now.every(({ id }, at) => id === then[at]!.id)) return { ...NOTHING, changed: elsewhere };
  const old = byId(then);
  const changed = elsewhere.filter((entity) => old.get(entity.id) !== entity);
  const here = byId(now);
  return { changed, gone: new Set([...old.keys()].filter((id) => !here.has(id))), hasOtherIds: true };
}

function has(brand: Brand, { to, id }: Reference): boolean {
  return byId(entitiesOf(brand, to)).has(id);
}

/** Ids are looked at only where some came: all of the document's. */
function* usedTwice(brand: Brand, changes: ReadonlyMap<KindName, Change>): Generator<Problem> {
  if (![...changes.values()].some(({ hasOtherIds }) => hasOtherIds)) return;
  const seen = new Set<string>();
  for (const kind of KIND_NAMES) {
    for (const entity of entitiesOf(brand, kind)) {
      if (seen.has(entity.id)) yield { what: 'twice', kind, entity };
      seen.add(entity.id);
    }
  }
}

function* takenTwice(brand: Brand, before: Brand | null, kind: KindName, changed: readonly Entity[]): Generator<Problem> {
  const field = KINDS[kind].unique?.field;
  if (field === undefined) return;
  const valueOf = (entity: Entity | undefined) => (entity as Record<string, unknown> | undefined)?.[field] as string;
  const old = before ? byId(listOf(before, kind)) : null;
  if (changed.every((entity) => valueOf(old?.get(entity.id)) === valueOf(entity))) return;
  const seen = new Set<string>();
  for (const entity of listOf(brand, kind)) {
    const value = valueOf(entity);
    if (seen.has(value)) yield { what: 'taken', kind, entity, value };
    seen.add(value);
  }
}

/** Circles that changed tokens close, and in a new theme any. */
function* circles(brand: Brand, before: Brand | null, changed: readonly Token[]): Generator<Problem> {
  const old = before && byId(before.tokens);
  const tokens = byId(brand.tokens);
  for (const { id: theme } of brand.themes) {
    const isNew = !before?.themes.some(({ id }) => id === theme);
    if (!isNew && changed.length === 0) continue;
    const starts = (isNew ? brand.tokens : changed).filter((token) => {
      const was = old?.get(token.id);
      return isNew || !was || sourcesOf(was, theme).join() !== sourcesOf(token, theme).join();
    });
    const paths = findCycle(
      tokens,
      starts.map(({ id }) => id),
      theme,
    );
    if (paths) yield { what: 'circle', paths };
  }
}

/** A problem in a document as it was handed in: the sentence, and the place. */
export function complaintOf(brand: Brand, problem: Problem): { message: string; path: (string | number)[] } {
  switch (problem.what) {
    case 'twice':
      return { message: `The id ${problem.entity.id} is used twice.`, path: placeOf(brand, problem.kind, problem.entity) };
    case 'taken': {
      const place = placeOf(brand, problem.kind, problem.entity);
      const { one, unique } = KINDS[problem.kind];
      return { message: `The ${one} ${unique!.field} ${problem.value} is used twice.`, path: [...place, unique!.field] };
    }
    case 'lost': {
      const { kind, entity, reference } = problem;
      const path = [...placeOf(brand, kind, entity), ...reference.path];
      return {
        message: `${labelOf(kind, entity)} ${reference.to === 'theme' ? 'has a value for' : 'points at'} a ${KINDS[reference.to].one} that is not there.`,
        path,
      };
    }
    case 'wrong':
      return { message: problem.words, path: placeOf(brand, problem.kind, problem.entity) };
    case 'many':
      return { message: `A brand holds at most ${KINDS[problem.kind].limit} ${KINDS[problem.kind].many}.`, path: [] };
    case 'no theme':
      return { message: 'A brand has at least one theme.', path: ['themes'] };
    case 'circle':
      return { message: `These tokens point at each other in a circle: ${ringWords(problem.paths)}.`, path: ['tokens'] };
  }
}

function placeOf(brand: Brand, kind: KindName, entity: Entity): (string | number)[] {
  const { list, within } = KINDS[kind];
  // Of two with the same id the later one is meant.
  const at = (entities: readonly Entity[]) => entities.lastIndexOf(entity);
  if (!within) return [list, at(listOf(brand, kind))];
  const holder = brand.palettes.findLastIndex(({ swatches }) => at(swatches) >= 0);
  return ['palettes', holder, list, at(brand.palettes[holder]!.swatches)];
}

/** A problem that an edit would make, in one sentence for the person. @param before the document that it edits */
export function refusalOf(before: Brand, brand: Brand, problem: Problem): string {
  switch (problem.what) {
    case 'twice':
      return IN_IT_ALREADY;
    case 'taken':
      return KINDS[problem.kind].unique!.taken(problem.value);
    case 'lost':
      return has(before, problem.reference) ? stillUsed(before, brand, problem) : lostWords(problem);
    case 'wrong':
      return problem.words;
    case 'many': {
      const { limit, many } = KINDS[problem.kind];
      return `A brand holds at most ${limit} ${many}, and this would make ${problem.count}. Take fewer.`;
    }
    case 'no theme':
      return `${before.themes.at(-1)!.name} is the only theme; a brand keeps at least one.`;
    case 'circle':
      return `That would go round in a circle: ${ringWords(problem.paths)}. Point it at something else.`;
  }
}

export const IN_IT_ALREADY = 'This is in the brand already.';

/** What is said of something that an edit speaks of and that is not there. */
export function goneWords(kind: KindName): string {
  return `That ${KINDS[kind].one} is no longer there; somebody may have deleted it.`;
}

function lostWords({ kind, entity, reference }: Extract<Problem, { what: 'lost' }>): string {
  if (kind !== 'field') return goneWords(reference.to);
  return `The token that ${pinnedValue(entity, reference)} is pinned to is no longer there; somebody may have deleted it.`;
}

/** Who uses what was to go: the users of the first such thing by name, or, of many things, those of all. */
function stillUsed(before: Brand, brand: Brand, { reference: { to } }: Extract<Problem, { what: 'lost' }>): string {
  const here = byId(entitiesOf(brand, to));
  const gone = entitiesOf(before, to).filter(({ id }) => !here.has(id));
  const users = usersOf(brand, to, new Set(gone.map(({ id }) => id))).filter(({ reference }) => reference.firm);
  const named = users.filter(({ reference }) => reference.id === users[0]!.reference.id);
  const first = gone.find(({ id }) => id === users[0]!.reference.id)!;
  if (users[0]!.kind === 'field') {
    const { entity, reference } = users[0]!;
    const pinned = `${pinnedValue(entity, reference)} of ${labelOf('field', entity)}`;
    return `${labelOf(to, first)} cannot go while ${pinned} is pinned to it. Unpin it first.`;
  }
  if (to === 'token') return `${labelOf(to, first)} cannot go while ${namesInWords(named, 'uses', 'use')} it. Unlink first.`;
  const what = gone.length === 1 ? labelOf(to, first) : `These ${KINDS[to].many}`;
  return `${what} cannot go while ${namesInWords(users, 'points', 'point')} there. Unlink first.`;
}

function pinnedValue(entity: Entity, { path }: Reference): string {
  return (entity as Entity & { values: { text: string }[] }).values[path[1] as number]!.text;
}

function namesInWords(users: readonly User[], one: string, many: string): string {
  const names = [...new Set(users.map(({ kind, entity }) => labelOf(kind, entity)))];
  const more = names.length - 3;
  return `${names.slice(0, 3).join(', ')}${more > 0 ? ` and ${more} more` : ''} ${names.length === 1 ? one : many}`;
}
