import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import type { Replica } from '@/core/brand/commands/replica';
import type { BrandState, BrandStore } from './brand-state';

type ViewActions = Pick<BrandState, 'tryOut' | 'select' | 'choosePalette' | 'chooseTheme'>;

/** What a page looks at: the trial on top of the document, and the palette, theme and entities that are chosen. */
export function viewActions({ getState: get, setState: set }: BrandStore): ViewActions {
  return {
    tryOut: (command) => {
      const { replica } = get();
      const applied = command && apply(replica.brand, command);
      if (!applied?.ok) return set({ brand: replica.brand, trial: null });
      set({ brand: applied.brand, trial: command });
    },
    select: (selection) => set({ selection }),
    choosePalette: (palette) => set({ palette }),
    chooseTheme: (theme) => set({ theme }),
  };
}

/** Shows a replica; a palette or theme that is gone gives way to the first. */
export function showReplica({ setState: set }: BrandStore, replica: Replica): void {
  const { brand } = replica;
  set(({ palette, theme, trial }) => {
    // What is on trial stays on trial when somebody else's work arrives.
    const tried = trial && apply(brand, trial);
    return {
      replica,
      brand: tried?.ok ? tried.brand : brand,
      trial: tried?.ok ? trial : null,
      palette: brand.palettes.some(({ id }) => id === palette) ? palette : (brand.palettes[0]?.id ?? null),
      theme: brand.themes.some(({ id }) => id === theme) ? theme : brand.themes[0]!.id,
    };
  });
}

/** A palette that an undo or a redo brings back is looked at again. */
export function showBroughtBack({ setState: set }: BrandStore, { steps }: Command): void {
  const added = steps.findLast((step) => step.do === 'palette.add');
  if (added) set({ palette: added.palette.id });
}
