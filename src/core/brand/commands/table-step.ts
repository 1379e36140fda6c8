import type { Brand } from '../document/brand-shape';
import type { BrandDifference } from '../document/difference';
import { byId, entitiesOf, KINDS, labelOf, type Entity, type KindName } from '../document/kinds';
import type { Command, Step } from './commands';

/** Fields, or entries of a record, by their names; null stands for one that is not there. */
export type Fields = Readonly<Record<string, unknown>>;

export interface EditStep {
  readonly verb: 'edit';
  readonly kind: KindName | 'brand';
  readonly id: string;
  /** The record of the entity of which entries are set; its own fields, where none is said. */
  readonly record?: 'values' | 'bindings' | 'banks';
  readonly set: Fields;
  readonly was?: Fields | undefined;
}

/** A step as the table of kinds understands it: all kinds are added, edited, removed and moved alike. */
export type TableStep =
  | EditStep
  | {
      readonly verb: 'add';
      readonly kind: KindName;
      readonly entities: readonly Entity[];
      /** Id of the palette, for swatches. */
      readonly within?: string | undefined;
      readonly before: string | null;
      /** Of a theme: its value of each token, by token id. */
      readonly values?: Fields;
    }
  | { readonly verb: 'remove'; readonly kind: KindName; readonly ids: readonly string[] }
  | {
      readonly verb: 'move';
      readonly kind: KindName;
      readonly ids: readonly string[];
      readonly within?: string | undefined;
      readonly before: string | null;
    }
  | { readonly verb: 'restore'; readonly difference: BrandDifference };

/** Steps that are not called after their kind and what they do. */
const NAMED: Readonly<Record<string, Pick<EditStep, 'record'> & { readonly kind: KindName; readonly verb: string }>> = {
  'token.set': { kind: 'token', verb: 'edit', record: 'values' },
  'graft.bind': { kind: 'graft', verb: 'edit', record: 'bindings' },
  'graft.bank': { kind: 'graft', verb: 'edit', record: 'banks' },
  'finding.accept': { kind: 'acceptance', verb: 'add' },
  'finding.withdraw': { kind: 'acceptance', verb: 'remove' },
};

const nameKey = (step: { kind: string; verb: string; record?: string | undefined }) =>
  `${step.kind} ${step.verb} ${step.record ?? ''}`;
const NAMES = new Map(Object.entries(NAMED).map(([name, step]) => [nameKey(step), name]));

/** A step as the table understands it. */
export function tableStep(step: Step): TableStep {
  if (step.do === 'brand.restore') return { verb: 'restore', difference: step.difference };
  if (step.do === 'brand.edit') return { verb: 'edit', kind: 'brand', id: '', set: step.set, was: step.was };
  const [word, act] = step.do.split('.') as [KindName, string];
  const { kind, verb, record } = NAMED[step.do] ?? { kind: word, verb: act };
  const said = step as unknown as Record<string, never>;
  const { list, several, within } = KINDS[kind];
  const ids = (): string[] => (several ? [...new Set<string>(said.ids)] : [said.id!]);
  const place = within && { within: said[within] as unknown as string };
  switch (verb) {
    case 'add':
      return {
        verb,
        kind,
        entities: several ? said[list]! : [said[kind]!],
        before: said.before!,
        ...place,
        ...(kind === 'theme' && { values: said.values! }),
      };
    case 'remove':
      return { verb, kind, ids: ids() };
    case 'move':
      return { verb, kind, ids: ids(), before: said.before!, ...place };
    default:
      return { verb: 'edit', kind, id: said.id!, set: said.set!, was: said.was, ...(record && { record }) };
  }
}

/** The step that a step of the table stands for. */
export function writtenStep(step: TableStep): Step {
  return written(step) as unknown as Step;
}

function written(step: TableStep): Record<string, unknown> {
  if (step.verb === 'restore') return { do: 'brand.restore', difference: step.difference };
  const { kind } = step;
  if (kind === 'brand') return { do: 'brand.edit', ...settingOf(step) };
  const name = NAMES.get(nameKey(step)) ?? `${kind}.${step.verb}`;
  if (step.verb === 'edit') return { do: name, id: step.id, ...settingOf(step) };
  const word = { do: name };
  const { list, several, within } = KINDS[kind];
  switch (step.verb) {
    case 'add':
      return {
        ...word,
        ...(several ? { [list]: step.entities } : { [kind]: step.entities[0] }),
        ...(within && { [within]: step.within }),
        before: step.before,
        ...(kind === 'theme' && { values: step.values ?? {} }),
      };
    case 'remove':
      return { ...word, ...(several ? { ids: step.ids } : { id: step.ids[0] }) };
    case 'move':
      return {
        ...word,
        ...(several ? { ids: step.ids } : { id: step.ids[0] }),
        ...(within && { [within]: step.within }),
        before: step.before,
      };
  }
}

function settingOf({ set, was }: EditStep) {
  return was ? { set, was } : { set };
}

/** The edits of fields that a step makes; a restoring step makes many. */
export function editsOf(step: TableStep): readonly EditStep[] {
  if (step.verb === 'edit') return [step];
  if (step.verb !== 'restore') return [];
  const { fields, edited } = step.difference;
  const own = Object.keys(fields.set).length > 0 ? [{ verb: 'edit', kind: 'brand', id: '', ...fields } as const] : [];
  return [...own, ...edited.map((edit) => ({ verb: 'edit', ...edit }) as const)];
}

/** What an edit is of; undefined when it is not there. */
export function entityOf(brand: Brand, { kind, id }: Pick<EditStep, 'kind' | 'id'>): object | undefined {
  return kind === 'brand' ? brand : byId(entitiesOf(brand, kind)).get(id);
}

/** What is edited, by its name. */
export function nameOf(brand: Brand, { kind }: Pick<EditStep, 'kind'>, entity: object): string {
  return kind === 'brand' ? brand.name : labelOf(kind, entity as Entity);
}

/** What an edit finds: the fields that it sets, null where there is none. */
export function foundBy({ record, set }: EditStep, entity: object): Fields {
  const fields = (record ? (entity as Record<string, object>)[record] : entity) as Fields;
  return Object.fromEntries(Object.keys(set).map((key) => [key, fields[key] ?? null]));
}

/** Ids of everything a command adds, changes or removes, without repeats: what the history is searched by. */
export function touchedBy({ steps }: Command): string[] {
  return [...new Set(steps.map(tableStep).flatMap(touched))];
}

function touched(step: TableStep): readonly string[] {
  switch (step.verb) {
    case 'add':
      return step.entities.map(({ id }) => id);
    case 'edit':
      return step.kind === 'brand' ? [] : [step.id];
    case 'remove':
    case 'move':
      return step.ids;
    case 'restore': {
      const { added, removed, edited, orders } = step.difference;
      const wholes = [...added, ...removed].map(({ entity }) => entity.id);
      return [...wholes, ...edited.map(({ id }) => id), ...orders.flatMap(({ of }) => of ?? [])];
    }
  }
}
