import { useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import { useBrandStore } from '../store/brand-context';
import { SEARCH_KEY } from '../keys/keys';
import { isTyping } from '../keys/typing';
import { SearchDialog } from './search-dialog';
import type { Act } from './found';

/** Opens the search by its key. @returns the dialog while it is open, and what opens it */
export function useSearch(acts: readonly Act[]): { readonly dialog: ReactNode; readonly open: () => void } {
  const [isOpen, setOpen] = useState(false);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.key !== SEARCH_KEY || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    event.preventDefault();
    setOpen(true);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  return { dialog: isOpen && <SearchDialog acts={acts} onClose={() => setOpen(false)} />, open: () => setOpen(true) };
}

/** A page that was opened for one swatch, by its id behind the #, shows it. */
export function useSwatchOfAddress(): void {
  const store = useBrandStore();
  useEffect(() => {
    const wanted = window.location.hash.slice(1);
    const { brand, choosePalette, select } = store.getState();
    const palette = brand.palettes.find(({ swatches }) => swatches.some(({ id }) => id === wanted));
    if (!palette) return;
    choosePalette(palette.id);
    select({ swatch: wanted });
  }, [store]);
}
