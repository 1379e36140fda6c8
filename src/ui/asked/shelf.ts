import { useQuery } from '@tanstack/react-query';
import type { ShelfPalette } from '@/core/shelf/shelf-palette';
import { useBrand } from '../store/brand-context';
import { request } from './request';

interface Cached {
  readonly ours: readonly ShelfPalette[];
  readonly uses: Readonly<Record<string, number>>;
}

const NOTHING: Cached = { ours: [], uses: {} };

/** What the organisation has put on its shelf, and how often each palette of it was used; nothing until that is known. */
export function useShelf() {
  const id = useBrand((state) => state.id);
  const { data = NOTHING, isError } = useQuery({
    queryKey: ['shelf', id],
    queryFn: () => request<Cached>(`/api/brands/${id}/shelf`),
  });
  return { shelf: data, isError };
}
