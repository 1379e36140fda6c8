import type { Brand } from '@/core/brand/document/document';
import type { Graft } from '@/core/brand/document/graft-shape';
import { swatchesOf, tokensOf } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';
import { boundColour } from '@/core/graft/write-graft';
import type { ShownHost } from '@/workers/graft.worker';

/** What a slot will have, and by what. */
export interface Bound {
  /** Path of a token, or name of a swatch; of a run's slot, its palette's. */
  readonly name: string;
  /** null when it is gone or has no colour. */
  readonly hex: string | null;
  /** Whether it comes from the palette that its run takes. */
  readonly byBank: boolean;
}

/** What every bound slot of a host will have, by its index. */
export function boundSlots(brand: Brand, graft: Graft, { slots, banks }: ShownHost): Map<number, Bound> {
  const bound = new Map<number, Bound>();
  for (const { key, slots: members } of banks) {
    const taken = graft.banks[key];
    const palette = taken && brand.palettes.find(({ id }) => id === taken.palette);
    if (!palette) continue;
    for (const [n, at] of members.entries()) {
      const swatch = palette.swatches[n];
      if (swatch) bound.set(at, { name: `${palette.name} / ${swatch.name}`, hex: readColour(swatch.value)!.hex, byBank: true });
    }
  }
  for (const [at, { key }] of slots.entries()) {
    const binding = graft.bindings[key];
    if (!binding) continue;
    const { to } = binding;
    const place = 'swatch' in to ? swatchesOf(brand).get(to.swatch) : undefined;
    const name = 'token' in to ? tokensOf(brand).get(to.token)?.path : place && `${place.palette.name} / ${place.swatch.name}`;
    bound.set(at, { name: name ?? 'no longer there', hex: boundColour(brand, binding, graft.theme)?.hex ?? null, byBank: false });
  }
  return bound;
}

/** The name of what a slot may be bound to. */
export function nameOfTarget(brand: Brand, to: Graft['bindings'][string]['to']): string {
  if ('token' in to) return tokensOf(brand).get(to.token)?.path ?? 'a token';
  const place = swatchesOf(brand).get(to.swatch);
  return place ? `${place.palette.name} / ${place.swatch.name}` : 'a swatch';
}
