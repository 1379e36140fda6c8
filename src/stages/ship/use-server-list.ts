import { useQuery, useQueryClient } from '@tanstack/react-query';
import { tell } from '@/ui/notices';
import { request } from '@/ui/asked/request';

/**
 * A list that the server keeps, and a way to do something to it, after which it is asked for again; a refusal is told.
 * @param news another whenever it is to be asked for again by itself
 */
export function useServerList<List>(path: string, news = 0) {
  const client = useQueryClient();
  const { data, error } = useQuery({
    queryKey: [path, news],
    queryFn: () => request<List>(path),
    placeholderData: (earlier) => earlier,
  });
  const act = async (work: () => Promise<unknown>) => {
    try {
      await work();
      await client.invalidateQueries({ queryKey: [path] });
    } catch (failure) {
      tell((failure as Error).message);
    }
  };
  return { data, error, act };
}
