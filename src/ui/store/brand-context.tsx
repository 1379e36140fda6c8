'use client';

import { createContext, use, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { swatchesOf } from '@/core/brand/reading/resolve';
import { may } from '@/core/brand/roles';
import { type BrandState, type BrandStore, type Opening } from './brand-state';
import { createBrandStore } from './brand-store';

const Context = createContext<BrandStore | null>(null);

/**
 * Gives everything below it the one brand of this page, and keeps it live.
 * @param opening an `Opening` as JSON: a text is handed from the server to the page many times faster than what it says
 */
export function BrandProvider({ opening, children }: { opening: string; children: ReactNode }) {
  const [store] = useState(() => createBrandStore(JSON.parse(opening) as Opening));
  useEffect(() => store.getState().connect(), [store]);
  return <Context value={store}>{children}</Context>;
}

export function useBrandStore(): BrandStore {
  const store = use(Context);
  if (!store) throw new Error('This part of the page stands outside the brand.');
  return store;
}

/** A part of the page's brand; draws anew only when that part is another. */
export function useBrand<T>(part: (state: BrandState) => T): T {
  return useStore(useBrandStore(), useShallow(part));
}

/**
 * A swatch as it is shown this moment, on trial while a slider moves. Only what stands for this one swatch draws anew
 * then; lists of swatches are drawn from the document without the trial (`replica.brand`) and stay as they are.
 */
export function useLiveSwatch(untried: Swatch): Swatch {
  return useStore(useBrandStore(), (state) => swatchesOf(state.brand).get(untried.id)?.swatch ?? untried);
}

/** Whether this person may edit; controls that would be refused are shown disabled. */
export function useMayEdit(): boolean {
  return useBrand((state) => may(state.role, 'edit'));
}

/** Names of the others who have chosen this swatch or token just now. */
export function useHolders(entity: string): readonly string[] {
  return useBrand(({ here, person }) =>
    here.filter(({ id, chosen }) => id !== person.id && chosen.includes(entity)).map(({ name }) => name),
  );
}
