import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { Figure, Screen } from '@/core/screens/screen';
import { useBrand } from '../store/brand-context';
import { tell } from '../notices';
import { request } from './request';

interface Answer {
  readonly screens: readonly Screen[];
  readonly figures: readonly Figure[];
}

/** The screens of the brand, and how its figure went. Asked for again when one of them was made another, or read. */
export function useScreens() {
  const { id, news, newest } = useBrand((state) => ({
    id: state.id,
    news: state.screenNews,
    newest: state.release?.number,
  }));
  const { data, isError } = useQuery({
    queryKey: ['screens', id, news, newest],
    queryFn: () => request<Answer>(`/api/brands/${id}/screens`),
    placeholderData: (earlier) => earlier,
  });
  return { isError, isKnown: data !== undefined, screens: data?.screens ?? [], figures: data?.figures ?? [] };
}

/** Something done to a screen at the server. @returns whether it was done; when not, the person has been told */
export function useScreenAct(): (path: string, method: 'POST' | 'PATCH' | 'DELETE', body?: unknown) => Promise<boolean> {
  const id = useBrand((state) => state.id);
  const client = useQueryClient();
  return async (path, method, body = {}) => {
    try {
      await request(`/api/brands/${id}/screens${path}`, method, body);
      await client.invalidateQueries({ queryKey: ['screens', id] });
      return true;
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached; nothing was done. Try again in a moment.'
          : (error as Error).message,
      );
      return false;
    }
  };
}
