import { useEffect } from 'react';
import { may } from '@/core/brand/roles';
import { useBrand } from '../store/brand-context';
import { tell } from '../notices';

const DAY_MS = 24 * 60 * 60 * 1000;

/** Reminds whoever may release, as a page is opened, of changes that have waited for a release for a day or longer. */
export function useReleaseReminder(): void {
  const { since, mayRelease } = useBrand((state) => ({ since: state.waitingSince, mayRelease: may(state.role, 'release') }));
  useEffect(() => {
    const days = since && mayRelease ? Math.floor((Date.now() - Date.parse(since)) / DAY_MS) : 0;
    if (days > 0) tell(`Changes have waited for a release for ${days} ${days === 1 ? 'day' : 'days'}; nobody else has them yet.`);
  }, [since, mayRelease]);
}
