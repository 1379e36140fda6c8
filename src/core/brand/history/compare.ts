import { canonical } from '../document/canonical';
import type { Brand } from '../document/document';

/** One difference between two states of a brand, in words. */
export interface Difference {
  readonly id: string;
  /** Renamed is what is another by its name alone. */
  readonly kind: 'added' | 'changed' | 'renamed' | 'removed';
  readonly what: 'brand' | 'palette' | 'swatch' | 'theme' | 'token' | 'destination' | 'graft' | 'art' | 'acceptance' | 'field';
  readonly name: string;
  /** What it was called, where that was something else. */
  readonly was?: string;
}

interface Part {
  readonly what: Difference['what'];
  readonly name: string;
  /** The same object is the same part; most of a brand is, from one edit to the next. */
  readonly itself: object;
  /** Everything about the part itself but its name, its place among its neighbours left out. */
  readonly content: () => string;
}

/**
 * What is different in `now` against `then`, entity by entity: the changes that a release would bring out.
 * A theme that is new or gone is one difference, its values with it. Something edited and edited back is none. A changed order counts once for the list it happened in.
 */
export function compareBrands(then: Brand | null, now: Brand): Difference[] {
  if (then === now) return [];
  const themes = now.themes.map(({ id }) => id).filter((id) => !then || then.themes.some((theme) => theme.id === id));
  const before = then ? partsOf(then, themes) : new Map<string, Part>();
  const after = partsOf(now, themes);
  const differences: Difference[] = [];
  for (const [id, part] of after) {
    const old = before.get(id);
    const { what, name } = part;
    if (!old) differences.push({ id, kind: 'added', what, name });
    if (!old || old.itself === part.itself) continue;
    const isOther = old.content() !== part.content();
    if (isOther || old.name !== name)
      differences.push({ id, kind: isOther ? 'changed' : 'renamed', what, name, ...(old.name !== name && { was: old.name }) });
  }
  for (const [id, part] of before) {
    if (!after.has(id)) differences.push({ id, kind: 'removed', what: part.what, name: part.name });
  }
  return differences;
}

/** @param themes ids of the themes whose values count */
function partsOf(brand: Brand, themes: readonly string[]): Map<string, Part> {
  const order = (list: readonly { id: string }[]) => list.map((entity) => entity.id);
  const parts = new Map<string, Part>();
  const add = (what: Part['what'], id: string, name: string, itself: object, content: () => unknown) =>
    parts.set(id, { what, name, itself, content: () => canonical(content()) });
  add('brand', brand.id, brand.name, brand, () => [brand.naming ?? null, brand.carried]);
  for (const palette of brand.palettes) {
    const { swatches, ...rest } = palette;
    add('palette', palette.id, palette.name, palette, () => [{ ...rest, name: '' }, order(swatches)]);
    for (const swatch of swatches) add('swatch', swatch.id, swatch.name, swatch, () => ({ ...swatch, name: '' }));
  }
  for (const theme of brand.themes) add('theme', theme.id, theme.name, theme, () => ({ ...theme, name: '' }));
  for (const token of brand.tokens)
    add('token', token.id, token.path, token, () => ({
      ...token,
      path: '',
      values: themes.map((theme) => token.values[theme] ?? null),
    }));
  for (const destination of brand.destinations)
    add('destination', destination.id, destination.name, destination, () => ({ ...destination, name: '' }));
  for (const graft of brand.grafts) add('graft', graft.id, graft.path, graft, () => ({ ...graft, path: '' }));
  for (const art of brand.art) add('art', art.id, art.path, art, () => ({ ...art, path: '' }));
  for (const acceptance of brand.acceptances) add('acceptance', acceptance.id, acceptance.said, acceptance, () => acceptance);
  for (const field of brand.fields) add('field', field.id, field.name, field, () => ({ ...field, name: '' }));
  return parts;
}
