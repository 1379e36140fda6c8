import { readColour } from '../../colour/read';
import { canonical } from '../document/canonical';
import type { Command, Step } from '../commands/commands';
import type { Brand, Token, TokenValue } from '../document/document';
import type { Binding, Graft } from '../document/graft-shape';
import { resolveTheme, swatchesOf, tokensOf } from '../reading/resolve';

/** A field that a command sets, named so that two commands that set the same have the same key. */
interface FieldEdit {
  readonly key: string;
  readonly step: EditStep;
  readonly field: string;
  readonly value: unknown;
}

/** Steps that replace fields, and may say what those were. */
type EditStep = Extract<Step, { set: object }>;

const isEdit = (step: Step): step is EditStep => 'set' in step;

function fieldEdits({ steps }: Command): FieldEdit[] {
  return steps.filter(isEdit).flatMap((step) =>
    Object.entries(step.set).map(([field, value]) => ({
      key: `${step.do} ${'id' in step ? step.id : ''} ${field}`,
      step,
      field,
      value,
    })),
  );
}

/** Of steps that set entries of a record: which record. */
const FIELDS_OF: Partial<Record<EditStep['do'], (entity: object) => object>> = {
  'token.set': (entity) => (entity as Token).values,
  'graft.bind': (entity) => (entity as Graft).bindings,
  'graft.bank': (entity) => (entity as Graft).banks,
};

/** What an edit finds: the fields that it replaces, null where there is none; null when what it edits is gone. */
function held(brand: Brand, step: EditStep): Record<string, unknown> | null {
  const entity = entityOf(brand, step);
  if (!entity) return null;
  const fields = FIELDS_OF[step.do]?.(entity) ?? entity;
  return Object.fromEntries(Object.keys(step.set).map((key) => [key, (fields as Record<string, unknown>)[key] ?? null]));
}

function entityOf(brand: Brand, step: EditStep): object | undefined {
  switch (step.do) {
    case 'brand.edit':
      return brand;
    case 'palette.edit':
      return brand.palettes.find(({ id }) => id === step.id);
    case 'swatch.edit':
      return swatchesOf(brand).get(step.id)?.swatch;
    case 'theme.edit':
      return brand.themes.find(({ id }) => id === step.id);
    case 'token.edit':
    case 'token.set':
      return tokensOf(brand).get(step.id);
    case 'destination.edit':
      return brand.destinations.find(({ id }) => id === step.id);
    case 'graft.edit':
    case 'graft.bind':
    case 'graft.bank':
      return brand.grafts.find(({ id }) => id === step.id);
    case 'art.edit':
      return brand.art.find(({ id }) => id === step.id);
    case 'field.edit':
      return brand.fields.find(({ id }) => id === step.id);
  }
}

/**
 * A command that is refused where somebody else has set what it sets: each edit says what it found. For edits that wait and meet
 * later ones of others. Steps that say so already, and further ones of the same, stay as they are.
 */
export function guarded(brand: Brand, command: Command): Command {
  const seen = new Set<string>();
  const steps = command.steps.map((step): Step => {
    if (!isEdit(step)) return step;
    const name = `${step.do} ${'id' in step ? step.id : ''}`;
    const was = seen.has(name) || step.was ? null : held(brand, step);
    seen.add(name);
    return was ? ({ ...step, was } as Step) : step;
  });
  return { ...command, steps };
}

/** The same command for somebody who has seen what it overwrites. */
export function unguarded(command: Command): Command {
  return {
    ...command,
    steps: command.steps.map((step) =>
      isEdit(step) ? (Object.fromEntries(Object.entries(step).filter(([key]) => key !== 'was')) as Step) : step,
    ),
  };
}

/** One field that two people set to different values, in words, and as colours where they are some. */
export interface Overtaken {
  /** "Harbour", "text.default in Dusk", "the name of Route lines". */
  readonly what: string;
  /** Id of what was edited. */
  readonly entity: string;
  readonly theirs: { readonly words: string; readonly hex: string | null };
  readonly mine: { readonly words: string; readonly hex: string | null };
}

/** Where a guarded command does not find what it expected any more: what stands there now, and what it would have set. */
export function conflictsOf(brand: Brand, command: Command): Overtaken[] {
  return fieldEdits(command).flatMap(({ step, field, value }): Overtaken[] => {
    const was = (step.was as Record<string, unknown> | undefined)?.[field];
    const now = held(brand, step)?.[field];
    if (was === undefined || now === undefined || canonical(now) === canonical(was) || canonical(now) === canonical(value))
      return [];
    return [told(brand, step, field, now, value)];
  });
}

/** Fields that an earlier command set and a later one of somebody else set otherwise. @param brand after the later one */
export function overtakenBy(brand: Brand, earlier: Command, later: Command): Overtaken[] {
  const set = new Map(fieldEdits(later).map((edit) => [edit.key, edit.value]));
  return fieldEdits(earlier).flatMap(({ key, step, field, value }): Overtaken[] => {
    if (!set.has(key) || canonical(set.get(key)) === canonical(value) || !entityOf(brand, step)) return [];
    return [told(brand, step, field, set.get(key), value)];
  });
}

function told(brand: Brand, step: EditStep, field: string, theirs: unknown, mine: unknown): Overtaken {
  const theme = step.do === 'token.set' ? field : '';
  return {
    what: whatIs(brand, step, field),
    entity: 'id' in step ? step.id : brand.id,
    theirs: inWords(brand, theirs, theme),
    mine: inWords(brand, mine, theme),
  };
}

function whatIs(brand: Brand, step: EditStep, field: string): string {
  const entity = entityOf(brand, step) as { name?: string; path?: string };
  const name = entity.path ?? entity.name ?? brand.name;
  if (step.do === 'graft.bind' || step.do === 'graft.bank') return `what ${field} of ${name} is bound to`;
  if (step.do === 'token.set') return `${name} in ${brand.themes.find(({ id }) => id === field)?.name ?? 'a theme that is gone'}`;
  return step.do === 'swatch.edit' && field === 'value' ? name : `the ${field} of ${name}`;
}

function inWords(brand: Brand, value: unknown, theme: string): Overtaken['mine'] {
  if (value === null || value === undefined) return { words: 'nothing', hex: null };
  if (typeof value === 'string') return { words: value === '' ? 'nothing' : value, hex: readColour(value)?.hex ?? null };
  if (typeof value !== 'object') return { words: String(value), hex: null };
  const given = ('to' in value ? (value as Binding).to : value) as Partial<TokenValue>;
  if ('colour' in given && given.colour) return { words: given.colour, hex: readColour(given.colour)?.hex ?? null };
  if ('swatch' in given && given.swatch) {
    const swatch = swatchesOf(brand).get(given.swatch)?.swatch;
    return { words: swatch?.name ?? 'a swatch that is gone', hex: swatch ? readColour(swatch.value)!.hex : null };
  }
  if ('token' in given && given.token) {
    const path = tokensOf(brand).get(given.token)?.path;
    return { words: path ?? 'a token that is gone', hex: resolveTheme(brand, theme).get(given.token)?.colour?.hex ?? null };
  }
  return { words: 'other settings', hex: null };
}
