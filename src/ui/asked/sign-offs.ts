import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Brand } from '@/core/brand/document/document';
import {
  OPEN_RULE,
  countingApprovals,
  unseenSince,
  verdictsOf,
  type ReleaseRule,
  type Remark,
  type SignOff,
} from '@/core/release/sign-off';
import { useBrand } from '../store/brand-context';
import { tell } from '../notices';
import { request } from './request';

interface Answer {
  readonly rule: ReleaseRule;
  readonly signOffs: readonly SignOff[];
}

/** The reviews of the brand, the newest first, and what a release of it wants. Asked for again when something was said. */
export function useSignOffs() {
  const { id, news, newest } = useBrand((state) => ({
    id: state.id,
    news: state.signOffNews,
    newest: state.release?.number,
  }));
  const { data, isError } = useQuery({
    queryKey: ['sign-offs', id, news, newest],
    queryFn: () => request<Answer>(`/api/brands/${id}/sign-offs`),
    placeholderData: (earlier) => earlier,
  });
  const signOffs = data?.signOffs ?? [];
  return {
    isError,
    isKnown: data !== undefined,
    rule: data?.rule ?? OPEN_RULE,
    signOffs,
    open: signOffs.find(({ outcome }) => outcome === null) ?? null,
  };
}

/** Something said to the server about reviews; what it changes is asked for at once. @returns whether it was done */
export function useSay(): (path: string, method: 'POST' | 'PATCH' | 'DELETE', body?: unknown) => Promise<boolean> {
  const id = useBrand((state) => state.id);
  const client = useQueryClient();
  return async (path, method, body) => {
    try {
      await request(`/api/brands/${id}/${path}`, method, body ?? {});
      await client.invalidateQueries({ queryKey: ['sign-offs', id] });
      return true;
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached; nothing was said. Try again in a moment.'
          : (error as Error).message,
      );
      return false;
    }
  };
}

/** How the brand is asked for as it was after a change; it never changes. */
export function brandAtQuery(brand: string, seq: number) {
  return {
    queryKey: ['brand at', brand, seq],
    staleTime: Infinity,
    queryFn: async () => (await request<{ document: Brand }>(`/api/brands/${brand}/at/${seq}`)).document,
  };
}

/** What a verdict in a review comes to for the brand as it is now. */
export interface Verdict {
  readonly remark: Remark;
  /** Ids of what has changed since; null while that is not known. */
  readonly unseen: ReadonlySet<string> | null;
}

/** The verdicts of a review beside the brand as it is now, and those approvals that count for it. */
export function useVerdicts(open: SignOff | null): {
  readonly verdicts: readonly Verdict[];
  readonly approvals: readonly Remark[];
} {
  const { id, brand } = useBrand((state) => ({ id: state.id, brand: state.replica.brand }));
  const last = useMemo(() => verdictsOf(open?.remarks ?? []), [open]);
  const seqs = useMemo(() => [...new Set(last.map(({ seq }) => seq))], [last]);
  const documents = useQueries({
    queries: seqs.map((seq) => brandAtQuery(id, seq)),
    combine: (all) => all.map(({ data }) => data),
  });
  return useMemo(() => {
    const then = new Map(seqs.map((seq, at) => [seq, documents[at]]));
    return {
      verdicts: last.map((remark): Verdict => {
        const seen = then.get(remark.seq);
        return { remark, unseen: seen ? unseenSince(seen, brand) : null };
      }),
      approvals: open ? countingApprovals(open, (seq) => then.get(seq), brand) : [],
    };
  }, [last, seqs, documents, open, brand]);
}
