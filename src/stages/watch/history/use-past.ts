import { useInfiniteQuery } from '@tanstack/react-query';
import { useBrand } from '@/ui/store/brand-context';
import { request } from '@/ui/asked/request';

export interface PastChange {
  /** Its number in the brand's log. */
  readonly seq: number;
  readonly label: string;
  readonly by: string;
  /** ISO 8601. */
  readonly at: string;
}

/** What is asked of the past: nothing, what touched one thing, what one person did. Empty texts ask for all. */
export interface PastAsked {
  readonly of: string;
  readonly by: string;
}

interface Answer {
  readonly history: readonly PastChange[];
  readonly people?: readonly { readonly id: string; readonly name: string }[];
}

/** The server tells so many at once. */
const AT_ONCE = 60;

/** The changes of the brand, the latest first, as far back as somebody asks. */
export function usePast({ of, by }: PastAsked) {
  const { id, seq } = useBrand((state) => ({ id: state.id, seq: state.replica.seq }));
  return useInfiniteQuery({
    queryKey: ['past', id, of, by, seq],
    queryFn: ({ pageParam }) => {
      const asked = Object.entries({ of, by, before: pageParam }).filter(([, value]) => value !== '');
      return request<Answer>(`/api/brands/${id}/history?${new URLSearchParams(asked).toString()}`);
    },
    initialPageParam: '',
    getNextPageParam: ({ history }) => (history.length < AT_ONCE ? null : String(history.at(-1)!.seq)),
    placeholderData: (earlier) => earlier,
  });
}
