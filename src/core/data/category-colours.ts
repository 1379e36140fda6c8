import { assignments, tokensBelow } from '../brand/reading/data-fields';
import type { Brand } from '../brand/document/document';
import type { DataField } from '../brand/document/data-shape';
import type { Palette } from '../brand/document/palette-shape';
import { resolveTheme, type Resolved } from '../brand/reading/resolve';
import { readColour } from '../colour/read';

/** What a consumer does with categories that the palette has no colour for. */
export type Lack = 'repeats' | 'fills in';

/** What charts are drawn with where a palette runs out and the consumer has colours of its own: the ten of a widely used charting library (D3, schemeCategory10). */
const OWN = [
  '#1f77b4',
  '#ff7f0e',
  '#2ca02c',
  '#d62728',
  '#9467bd',
  '#8c564b',
  '#e377c2',
  '#7f7f7f',
  '#bcbd22',
  '#17becf',
] as const;

export interface CategoryColour {
  readonly name: string;
  readonly hex: string;
  /** How it came by its colour: pinned by hand, by its name or order, or as the consumer does for lack of one. */
  readonly how: 'pinned' | 'given' | 'repeated' | 'filled in';
  /** Id of the swatch that its colour is kept in; null where it is kept in none, or the consumer's. */
  readonly swatch: string | null;
}

/** The colours that categories have from a palette, in its order. */
export function fromPalette(palette: Pick<Palette, 'swatches'>, names: readonly string[], lack: Lack): CategoryColour[] {
  const hexes = palette.swatches.map(({ value }) => readColour(value)!.hex);
  return lacking(
    names.map((name, at) => ({ name, hex: hexes[at] ?? null, how: 'given', swatch: palette.swatches[at]?.id ?? null })),
    hexes,
    lack,
  );
}

/**
 * The colours that categories have from a field of the brand, in a theme: those pinned, those by name, and the rest in the order of the group. Categories that the
 * field does not know yet come after those it knows.
 */
export function fromField(brand: Brand, field: DataField, theme: string, names: readonly string[], lack: Lack): CategoryColour[] {
  const known = new Set(field.values.map(({ text }) => text));
  const values = [...field.values, ...names.filter((name) => !known.has(name)).map((text) => ({ text }))];
  const given = new Map(assignments(brand, { ...field, values }).map((each) => [each.text, each]));
  const resolved = resolveTheme(brand, theme);
  const hexes = tokensBelow(brand.tokens, field.group).flatMap(({ id }) => resolved.get(id)?.colour?.hex ?? []);
  return lacking(
    names.map((name) => {
      const { token, pinned } = given.get(name)!;
      return {
        name,
        hex: (token && resolved.get(token.id)?.colour?.hex) ?? null,
        how: pinned ? 'pinned' : 'given',
        swatch: swatchBehind(token && resolved.get(token.id)),
      };
    }),
    hexes,
    lack,
  );
}

function swatchBehind(resolved: Resolved | null | undefined): string | null {
  let at = resolved;
  while (at?.via && !at.kept) at = at.via;
  return at?.kept?.swatch.id ?? null;
}

function lacking(
  list: readonly (Omit<CategoryColour, 'hex'> & { readonly hex: string | null })[],
  hexes: readonly string[],
  lack: Lack,
): CategoryColour[] {
  let bare = 0;
  return list.map(({ hex, ...rest }): CategoryColour => {
    if (hex !== null) return { ...rest, hex };
    const at = bare++;
    return lack === 'repeats' && hexes.length > 0
      ? { ...rest, hex: hexes[at % hexes.length]!, how: 'repeated', swatch: null }
      : { ...rest, hex: OWN[at % OWN.length]!, how: 'filled in', swatch: null };
  });
}
