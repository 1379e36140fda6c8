import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { houseDifferences, houseStanding, type HouseDifference, type HouseStanding } from '@/core/brand/tools/house-set';
import type { ToldHouseSet } from '@/core/organisation/told';
import { useBrand } from '../store/brand-context';
import { request } from './request';

const NONE: readonly HouseDifference[] = [];

/** The house set beside the brand. A page asks for it when it is opened and every few minutes, for the house seldom moves. */
export function useHouse() {
  const { id, brand } = useBrand((state) => ({ id: state.id, brand: state.replica.brand }));
  const { data: house, isError } = useQuery({
    queryKey: ['house', id],
    staleTime: 60_000,
    refetchInterval: 300_000,
    queryFn: () => request<ToldHouseSet>(`/api/brands/${id}/house`),
  });
  const differences = useMemo(() => (house ? houseDifferences(brand, house) : NONE), [brand, house]);
  const standing: HouseStanding | null = house ? houseStanding(brand, house, differences.length) : null;
  return { house: house ?? null, differences, standing, isError };
}
