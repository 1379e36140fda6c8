import { readColour } from '../../colour/read';
import type { Command, Step } from '../commands/commands';
import { editsOf, entityOf, foundBy, nameOf, tableStep, writtenStep, type EditStep } from '../commands/table-step';
import type { Brand } from '../document/brand-shape';
import { canonical } from '../document/canonical';
import type { Binding } from '../document/graft-shape';
import { FIELDS, type FieldName } from '../document/kinds';
import type { TokenValue } from '../document/token-shape';
import { resolveTheme, swatchesOf, tokensOf } from '../reading/resolve';

/** A field that a command sets. */
interface FieldEdit {
  /** The same for two commands that set the same field. */
  readonly key: string;
  readonly edit: EditStep;
  readonly field: string;
  readonly value: unknown;
}

function fieldEdits({ steps }: Command): FieldEdit[] {
  return steps
    .flatMap((step) => editsOf(tableStep(step)))
    .flatMap((edit) =>
      Object.entries(edit.set).map(([field, value]) => ({ key: `${entityKey(edit)} ${field}`, edit, field, value })),
    );
}

const entityKey = ({ kind, id, record }: EditStep) => `${kind} ${id} ${record ?? ''}`;

/**
 * A command that is refused where somebody else has set what it sets: each edit says what it found. For edits that wait and meet
 * later ones of others. Steps that say so already, and further ones of the same, stay as they are.
 */
export function guarded(brand: Brand, command: Command): Command {
  const seen = new Set<string>();
  const steps = command.steps.map((step): Step => {
    const edit = tableStep(step);
    if (edit.verb !== 'edit') return step;
    const isFirst = !seen.has(entityKey(edit));
    seen.add(entityKey(edit));
    const entity = isFirst && !edit.was ? entityOf(brand, edit) : undefined;
    return entity ? writtenStep({ ...edit, was: foundBy(edit, entity) }) : step;
  });
  return { ...command, steps };
}

/** The same command for somebody who has seen what it overwrites. */
export function unguarded(command: Command): Command {
  const steps = command.steps.map((step): Step => {
    const edit = tableStep(step);
    return edit.verb === 'edit' ? writtenStep({ ...edit, was: undefined }) : step;
  });
  return { ...command, steps };
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
  return fieldEdits(command).flatMap(({ edit, field, value }): Overtaken[] => {
    const entity = entityOf(brand, edit);
    if (!entity || edit.was?.[field] === undefined) return [];
    const now = foundBy(edit, entity)[field];
    const isFree = canonical(now) === canonical(edit.was[field]) || canonical(now) === canonical(value);
    return isFree ? [] : [overtakenField(brand, edit, field, now, value)];
  });
}

/** Fields that an earlier command set and a later one of somebody else set otherwise. @param brand after the later one */
export function overtakenBy(brand: Brand, earlier: Command, later: Command): Overtaken[] {
  const set = new Map(fieldEdits(later).map((edit) => [edit.key, edit.value]));
  return fieldEdits(earlier).flatMap(({ key, edit, field, value }): Overtaken[] => {
    if (!set.has(key) || canonical(set.get(key)) === canonical(value) || !entityOf(brand, edit)) return [];
    return [overtakenField(brand, edit, field, set.get(key), value)];
  });
}

function overtakenField(brand: Brand, edit: EditStep, field: string, theirs: unknown, mine: unknown): Overtaken {
  const theme = edit.record === 'values' ? field : '';
  return {
    what: whatIs(brand, edit, field),
    entity: edit.kind === 'brand' ? brand.id : edit.id,
    theirs: inWords(brand, theirs, theme),
    mine: inWords(brand, mine, theme),
  };
}

function whatIs(brand: Brand, edit: EditStep, field: string): string {
  const name = nameOf(brand, edit, entityOf(brand, edit)!);
  if (edit.kind === 'brand') return `the ${FIELDS[field as FieldName].words} of ${name}`;
  if (edit.record === 'values')
    return `${name} in ${brand.themes.find(({ id }) => id === field)?.name ?? 'a theme that is gone'}`;
  if (edit.record) return `what ${field} of ${name} is bound to`;
  return edit.kind === 'swatch' && field === 'value' ? name : `the ${field} of ${name}`;
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
