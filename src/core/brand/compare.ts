import { canonical } from './canonical';
import type { Brand } from './document';

/** One difference between two states of a brand, in words. */
export interface Difference {
  readonly id: string;
  readonly kind: 'added' | 'changed' | 'removed';
  readonly what: 'brand' | 'palette' | 'swatch' | 'theme' | 'token' | 'destination';
  readonly name: string;
}

interface Part {
  readonly what: Difference['what'];
  readonly name: string;
  /** Everything about the part itself, its place among its neighbours left out. */
  readonly content: string;
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
    if (!old) differences.push({ id, kind: 'added', what: part.what, name: part.name });
    else if (old.content !== part.content) differences.push({ id, kind: 'changed', what: part.what, name: part.name });
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
  parts.set(brand.id, { what: 'brand', name: brand.name, content: brand.name });
  for (const palette of brand.palettes) {
    const { swatches, ...rest } = palette;
    parts.set(palette.id, { what: 'palette', name: palette.name, content: canonical([rest, order(swatches)]) });
    for (const swatch of swatches) {
      parts.set(swatch.id, { what: 'swatch', name: swatch.name, content: canonical(swatch) });
    }
  }
  for (const theme of brand.themes) parts.set(theme.id, { what: 'theme', name: theme.name, content: theme.name });
  for (const token of brand.tokens) {
    const values = themes.map((theme) => token.values[theme] ?? null);
    parts.set(token.id, {
      what: 'token',
      name: token.path,
      content: canonical([token.path, token.role, token.description, token.on, values]),
    });
  }
  for (const destination of brand.destinations) {
    parts.set(destination.id, { what: 'destination', name: destination.name, content: canonical(destination) });
  }
  return parts;
}
