'use client';

import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { Gather } from '@/stages/gather/gather';
import { Mix } from '@/stages/mix/mix';
import { Name } from '@/stages/name/name';
import { Prove } from '@/stages/prove/prove';
import { Watch } from '@/stages/watch/watch';
import { useBrandStore } from '@/ui/brand-context';
import { loadFormats } from '@/ui/formats';
import type { StageId } from '@/ui/frame/stages';
import { partOfPage } from '@/ui/reload';

/** With its editor and all that is written, the largest stage: it comes after the page is shown. */
const loadShip = () => partOfPage(() => import('@/stages/ship/ship')).then(({ Ship }) => Ship);
const Ship = dynamic(loadShip, { ssr: false });

const STAGES: Record<StageId, () => ReactNode> = {
  gather: Gather,
  mix: Mix,
  name: Name,
  prove: Prove,
  ship: () => <Ship />,
  watch: Watch,
};

/** Tokens and swatches up to which the server draws the stage as well, so that it is seen before its scripts have come. */
const DRAWN_BY_SERVER = 2_000;

/** Whether this is the server, or the page before it has taken over what the server drew. */
function useIsOnServer(): boolean {
  return useSyncExternalStore(
    () => () => {},
    () => false,
    () => true,
  );
}

/** The stage that the address names. The server has seen to it that a page is only loaded with the name of one. */
export function Stage() {
  useEffect(() => {
    // Fetched when the page rests, so that going to any stage needs no server, not even the first time.
    const fetchRest = () => void Promise.allSettled([loadShip(), loadFormats()]);
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(fetchRest, 1_000);
      return () => clearTimeout(timer);
    }
    const idle = requestIdleCallback(fetchRest, { timeout: 3_000 });
    return () => cancelIdleCallback(idle);
  }, []);
  const { tokens, palettes } = useBrandStore().getState().brand;
  const isLarge = palettes.reduce((sum, { swatches }) => sum + swatches.length, tokens.length) > DRAWN_BY_SERVER;
  const isOnServer = useIsOnServer();
  const Current = STAGES[usePathname().split('/')[3] as StageId];
  // Drawing a large brand holds the server up for a good while, and everybody with it; the page has to draw it anyway.
  if (isLarge && isOnServer) return null;
  return <Current />;
}
