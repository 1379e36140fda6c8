import { Button } from '@chakra-ui/react';
import { useInfiniteQuery } from '@tanstack/react-query';
import { request } from '@/ui/asked/request';
import { useLooking } from './organisation-context';
import type { ToldAuditEntry } from '@/core/organisation/told';
import css from './organisation.module.css';

/** The server tells so many at once. */
const AT_ONCE = 100;

/** Who did what that the others rely on: roles, invitations, releases, brands, passwords. The latest first, for good. */
export function AuditView() {
  const { address } = useLooking();
  const { data, isError, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ['organisation', address, 'audit'],
    queryFn: async ({ pageParam }) =>
      (await request<{ entries: ToldAuditEntry[] }>(`${address}/audit${pageParam ? `?before=${pageParam}` : ''}`)).entries,
    initialPageParam: '',
    getNextPageParam: (last) => (last.length < AT_ONCE ? null : last.at(-1)!.id),
  });
  if (isError && !data) return <p>What was done cannot be reached just now; try again in a moment.</p>;
  const entries = data?.pages.flat() ?? [];
  return (
    <div className={css.view}>
      <p className={css.acts}>
        <a href={`${address}/audit/csv`} download>
          Take all of it away as a table (CSV)
        </a>
        <span>Nothing in it is ever rewritten.</span>
      </p>
      <table className={css.table} aria-label="What was done">
        <tbody>
          {entries.map(({ id, by, what, about, at }) => (
            <tr key={id}>
              <td>
                <code>{new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short', hour12: false })}</code>
              </td>
              <td>
                <b>{by}</b> {what} {about}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {hasNextPage && (
        <Button size="xs" variant="outline" loading={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          Earlier
        </Button>
      )}
    </div>
  );
}
