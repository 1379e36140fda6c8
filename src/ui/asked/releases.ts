import { useQuery } from '@tanstack/react-query';
import type { Brand } from '@/core/brand/document/document';
import type { ManifestEntry } from '@/core/release/bundle';
import { useBrand } from '../store/brand-context';
import { request } from './request';

export interface ReleaseSummary {
  number: number;
  /** Number of the last change in it. */
  seq: number;
  title: string;
  /** MAJOR.MINOR.PATCH. */
  version: string;
  note: string;
  by: string;
  at: string;
  manifest: ManifestEntry[];
  /** Names of those whose approval counted for it. */
  signedBy: string[];
  imported: 'written again' | 'as it says' | null;
}

/** The releases of the brand, the newest first. @param enabled whether they are wanted yet */
export function useReleases(enabled = true) {
  const { id, newest } = useBrand((state) => ({ id: state.id, newest: state.release?.number }));
  return useQuery({
    queryKey: ['releases', id, newest],
    queryFn: async () => (await request<{ releases: ReleaseSummary[] }>(`/api/brands/${id}/releases`)).releases,
    enabled,
  });
}

/** How the document of a release is asked for; it never changes. */
export function releaseQuery(brand: string, number: number) {
  return {
    queryKey: ['release', brand, number],
    staleTime: Infinity,
    queryFn: async () => (await request<{ document: Brand }>(`/api/brands/${brand}/releases/${number}`)).document,
  };
}
