import { useMemo } from 'react';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import type { Selection } from '@/ui/store/brand-state';
import { useBrand } from '@/ui/store/brand-context';

/** What is chosen in a palette. */
export interface Chosen {
  /** The one that was chosen last, which is tuned and read out. */
  readonly lead: Swatch | undefined;
  /** All that are chosen, in the palette's order. */
  readonly all: readonly Swatch[];
}

export function useChosen(palette: Palette): Chosen {
  const selection = useBrand((state) => state.selection);
  return useMemo(() => chosenIn(palette, selection), [palette, selection]);
}

export function chosenIn(palette: Palette, selection: Selection): Chosen {
  if (!selection || !('swatch' in selection)) return { lead: undefined, all: [] };
  const ids = new Set([selection.swatch, ...(selection.also ?? [])]);
  return {
    lead: palette.swatches.find(({ id }) => id === selection.swatch),
    all: palette.swatches.filter(({ id }) => ids.has(id)),
  };
}

/** The choice after a click: Shift takes all up to there, Ctrl puts one to the others or takes it out. */
export function clicked(palette: Palette, { lead, all }: Chosen, id: string, mode: 'only' | 'range' | 'toggle'): Selection {
  if (mode === 'range' && lead) {
    const [from, to] = [lead.id, id].map((end) => palette.swatches.findIndex((swatch) => swatch.id === end)) as [number, number];
    const range = palette.swatches.slice(Math.min(from, to), Math.max(from, to) + 1).map((swatch) => swatch.id);
    return choice(lead.id, range);
  }
  const ids = all.map((swatch) => swatch.id);
  if (mode !== 'toggle') return { swatch: id };
  if (!ids.includes(id)) return choice(id, ids);
  const left = ids.filter((other) => other !== id);
  return left.length > 0 ? choice(left.at(-1)!, left) : null;
}

/** One swatch that leads, and others with it. */
export function choice(lead: string, ids: readonly string[]): Selection {
  const also = ids.filter((id) => id !== lead);
  return also.length > 0 ? { swatch: lead, also } : { swatch: lead };
}
