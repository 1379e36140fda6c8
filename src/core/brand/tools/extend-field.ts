import { apply } from '../commands/apply';
import type { Command, Step } from '../commands/commands';
import { assignments, tokensBelow } from '../reading/data-fields';
import { deriveTheme } from './derive-theme';
import type { Brand } from '../document/document';
import type { DataField } from '../document/data-shape';
import type { Palette, Swatch } from '../document/palette-shape';
import { resolveTheme, swatchesOf } from '../reading/resolve';
import { tokensOfSwatches } from './tokens-of-swatches';

/** What is needed so that every value of a field has a colour of its own. */
export interface FieldLack {
  /** What the group's tokens and the values have in the theme, in order; further colours are to be told apart from them. */
  readonly given: readonly { readonly hex: string; readonly name: string }[];
  /** Values without a colour, as the data spells them. */
  readonly bare: readonly string[];
}

export function lackOf(brand: Brand, field: DataField, theme: string): FieldLack {
  const resolved = resolveTheme(brand, theme);
  const given = assignments(brand, field);
  const used = new Set([...tokensBelow(brand.tokens, field.group), ...given.flatMap(({ token }) => token ?? [])]);
  return {
    given: [...used].flatMap(({ id, path }) => {
      const hex = resolved.get(id)?.colour?.hex;
      const value = given.find(({ token }) => token?.id === id);
      return hex ? [{ hex, name: value?.text ?? path }] : [];
    }),
    bare: given.flatMap(({ text, token }) => (token ? [] : [text])),
  };
}

/**
 * Colours for the values that have none, in one step: swatches at the end of the palette that the group's colours come from, tokens of
 * the group named after the values, and their values in every theme; where a theme was derived, as its recipe makes them.
 * @param colours CSS, one for each bare value at most
 */
export function extendField(
  brand: Brand,
  field: DataField,
  theme: string,
  colours: readonly string[],
  newId: () => string,
): Command {
  const { bare } = lackOf(brand, field, theme);
  const swatches = colours
    .slice(0, bare.length)
    .map((value, at): Swatch => ({ id: newId(), name: bare[at]!, value, locked: false }));
  const there = homeOf(brand, field, theme);
  const palette: Palette = there ?? { id: newId(), name: field.name, kind: 'categorical', swatches: [] };
  const home: Step = there
    ? { do: 'swatch.add', palette: there.id, swatches, before: null }
    : { do: 'palette.add', palette: { ...palette, swatches }, before: null };
  const { command, tokens } = tokensOfSwatches(brand, { kind: 'categorical' }, swatches, field.group, newId);
  const steps = [home, ...command.steps];
  const ids = new Set(tokens.map(({ id }) => id));
  const after = apply(brand, { label: field.name, steps });
  const derived = !after.ok
    ? []
    : brand.themes.flatMap(({ id, derived: how }): Step[] => {
        if (!how || !brand.themes.some((source) => source.id === how.from)) return [];
        const made = deriveTheme(withoutValues(after.brand, ids, id), how.from, id, how.recipe).values;
        return tokens.flatMap((token): Step[] =>
          made[token.id] ? [{ do: 'token.set', id: token.id, set: { [id]: made[token.id]! } }] : [],
        );
      });
  return { label: `Extend ${field.name} by ${swatches.length} colours`, steps: [...steps, ...derived] };
}

/** The palette that most of the group's tokens take their colours from. */
function homeOf(brand: Brand, field: DataField, theme: string): Palette | undefined {
  const known = swatchesOf(brand);
  const counts = new Map<Palette, number>();
  for (const { values } of tokensBelow(brand.tokens, field.group)) {
    const value = values[theme] ?? Object.values(values).find((held) => 'swatch' in held);
    const palette = value && 'swatch' in value ? known.get(value.swatch)?.palette : undefined;
    if (palette) counts.set(palette, (counts.get(palette) ?? 0) + 1);
  }
  return [...counts].sort(([, one], [, two]) => two - one)[0]?.[0];
}

/** Deriving leaves what a person chose; the new tokens' values in the theme are nobody's choice. */
function withoutValues(brand: Brand, ids: ReadonlySet<string>, theme: string): Brand {
  const bare = (values: Brand['tokens'][number]['values']) =>
    Object.fromEntries(Object.entries(values).filter(([id]) => id !== theme));
  return {
    ...brand,
    tokens: brand.tokens.map((token) => (ids.has(token.id) ? { ...token, values: bare(token.values) } : token)),
  };
}
