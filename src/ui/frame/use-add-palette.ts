import type { Palette } from '@/core/brand/document/palette-shape';
import { newId } from '@/core/brand/document/identity';
import { useBrand } from '../store/brand-context';
import { useGoTo } from '../stage-link';

/** Adds an empty palette and opens it in Mix. */
export function useAddPalette(): () => void {
  const { run, choosePalette } = useBrand((state) => ({ run: state.run, choosePalette: state.choosePalette }));
  const goTo = useGoTo();
  return () => {
    const palette: Palette = { id: newId(), name: 'New palette', kind: 'loose', swatches: [] };
    if (!run({ label: 'Add a palette', steps: [{ do: 'palette.add', palette, before: null }] })) return;
    choosePalette(palette.id);
    goTo('mix');
  };
}
