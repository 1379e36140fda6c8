import type { Art, ColourTable } from '@/core/brand/document/art-shape';
import { useBrand } from '@/ui/store/brand-context';

/** Edits of one piece of art; each says whether it could be done. */
export interface ArtEdits {
  readonly edit: (set: Partial<Omit<Art, 'id'>>, label: string) => boolean;
  readonly setTable: (set: Partial<ColourTable>, label: string) => boolean;
}

export function useArtEdits(art: Art): ArtEdits {
  const run = useBrand((state) => state.run);
  const edit: ArtEdits['edit'] = (set, label) => run({ label, steps: [{ do: 'art.edit', id: art.id, set }] });
  return { edit, setTable: (set, label) => edit({ table: { ...art.table, ...set } }, label) };
}
