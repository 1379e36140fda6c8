import { shortened } from '../base/storable';
import { slug } from '../base/words';
import { apply } from '../brand/commands/apply';
import type { Command, Step } from '../brand/commands/commands';
import { tokensBelow } from '../brand/reading/data-fields';
import type { Brand } from '../brand/document/document';
import type { DataField } from '../brand/document/data-shape';
import type { Palette } from '../brand/document/palette-shape';
import { LIMITS } from '../brand/document/fields';
import { tokensOfSwatches } from '../brand/tools/tokens-of-swatches';

/** Where the categories of some data have their colours from: a field of the brand, or a palette in its order. */
export type ColourSource = { readonly field: DataField } | { readonly palette: Palette };

/** A field that knows all categories of some data, and the steps that make it so. */
export interface ChartField {
  readonly steps: readonly Step[];
  readonly field: DataField;
  /** The brand after those steps. */
  readonly brand: Brand;
}

/**
 * The field with every category of the data in it. For a palette one is begun: a token for each of its swatches that a category has, and a field called after the
 * column; then colours can be pinned and added, and go to every destination.
 * @param column what the data calls the categories
 */
export function fieldWith(
  brand: Brand,
  source: ColourSource,
  column: string,
  names: readonly string[],
  newId: () => string,
): ChartField {
  const texts = [...new Set(names)].slice(0, LIMITS.fieldValues);
  if ('field' in source) {
    const { field } = source;
    const known = new Set(field.values.map(({ text }) => text));
    const added = texts.filter((text) => !known.has(text)).map((text) => ({ text }));
    const values = [...field.values, ...added].slice(0, LIMITS.fieldValues);
    if (added.length === 0) return { steps: [], field, brand };
    return after(brand, [{ do: 'field.edit', id: field.id, set: { values }, was: { values: field.values } }], {
      ...field,
      values,
    });
  }
  const { palette } = source;
  const name = shortened(column.trim(), LIMITS.name) || 'Category';
  const group = freeGroup(brand, slug(name) || 'category');
  const swatches = palette.swatches.slice(0, texts.length).map(({ id }, at) => ({ id, name: texts[at]! }));
  const { command, tokens } = tokensOfSwatches(brand, palette, swatches, group, newId);
  const values = texts.map((text, at) => ({ text, ...(tokens[at] && { token: tokens[at].id }) }));
  const field: DataField = { id: newId(), name, group, values };
  const made: Step[] = tokens.length > 0 ? [...command.steps] : [];
  return after(brand, [...made, { do: 'field.add', field, before: null }], field);
}

function after(brand: Brand, steps: Step[], field: DataField): ChartField {
  const applied = apply(brand, { label: field.name, steps });
  return { steps, field, brand: applied.ok ? applied.brand : brand };
}

function freeGroup({ tokens }: Brand, wanted: string): string {
  const taken = (group: string) => tokens.some(({ path }) => path === group || path.startsWith(`${group}.`));
  for (let number = 1; ; number++) {
    const group = number === 1 ? wanted : `${wanted}-${number}`;
    if (!taken(group)) return group;
  }
}

/** Gives a category the colour of a swatch for good: the token of the field's group that has it, or a new one. Whoever was pinned to it before is so no longer. */
export function pinCategory({ steps, field, brand }: ChartField, category: string, swatch: string, newId: () => string): Command {
  const there = tokensBelow(brand.tokens, field.group).find(({ values }) =>
    Object.values(values).some((value) => 'swatch' in value && value.swatch === swatch),
  );
  const made = there
    ? null
    : tokensOfSwatches(brand, { kind: 'categorical' }, [{ id: swatch, name: category }], field.group, newId);
  const token = there?.id ?? made!.tokens[0]!.id;
  const values = field.values.map((value) =>
    value.text === category ? { ...value, token } : value.token === token ? { text: value.text } : value,
  );
  return {
    label: shortened(`Pin ${category}`, 200),
    steps: [...steps, ...(made?.command.steps ?? []), { do: 'field.edit', id: field.id, set: { values } }],
  };
}
