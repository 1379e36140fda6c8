import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use } from 'react';
import type { PersonRole } from '@/core/brand/roles';
import { tell } from '@/ui/notices';
import { request } from '@/ui/asked/request';
import type { ListedBrand, Organisation, ToldHouseSet } from '@/core/organisation/told';

/** Who looks at which organisation. */
export interface Looking {
  readonly organisation: Organisation;
  readonly person: { readonly id: string; readonly name: string; readonly hasPassword: boolean };
}

export const LookingContext = createContext<Looking | null>(null);

export function useLooking(): Looking & { readonly address: string } {
  const looking = use(LookingContext);
  if (!looking) throw new Error('This part of the page stands outside an organisation.');
  return { ...looking, address: `/api/organisations/${looking.organisation.id}` };
}

/** Something that the server tells of the organisation. @param path below its address */
export function useTold<T>(path: string) {
  const { address } = useLooking();
  return useQuery({
    queryKey: ['organisation', address, path],
    queryFn: () => request<T>(`${address}${path}`),
    placeholderData: (earlier) => earlier,
  });
}

/** The organisation itself: its brands, and the palettes that new ones begin with. */
export function useOrganisation() {
  return useTold<{ role: PersonRole; brands: ListedBrand[]; house: ToldHouseSet }>('');
}

/** Asks the server for something to be done; everything that is told is asked for again. @returns what it answered; null when it refused */
export function useAct(): <T>(path: string, method: 'POST' | 'PATCH' | 'DELETE', body?: unknown) => Promise<T | null> {
  const client = useQueryClient();
  return async <T,>(path: string, method: 'POST' | 'PATCH' | 'DELETE', body: unknown = {}) => {
    try {
      const answer = await request<T>(path, method, body);
      await client.invalidateQueries({ queryKey: ['organisation'] });
      return answer;
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached; nothing was done. Try again in a moment.'
          : (error as Error).message,
      );
      return null;
    }
  };
}
