'use client';

import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useEffect, useSyncExternalStore, type ComponentType } from 'react';
import { useBrandStore } from '@/ui/store/brand-context';
import { loadFormats } from '@/ui/asked/formats';
import type { StageId } from '@/ui/frame/stages';
import { partOfPage } from '@/ui/store/reload';

/** Each stage is fetched by itself, with the page when it is the one shown. What is imported has to stand within `dynamic` for that. */
const STAGES: Record<StageId, ComponentType> = {
  gather: dynamic(() => partOfPage(() => import('@/stages/gather/gather')).then(({ Gather }) => Gather)),
  mix: dynamic(() => partOfPage(() => import('@/stages/mix/mix')).then(({ Mix }) => Mix)),
  name: dynamic(() => partOfPage(() => import('@/stages/name/name')).then(({ Name }) => Name)),
  prove: dynamic(() => partOfPage(() => import('@/stages/prove/prove')).then(({ Prove }) => Prove)),
  // With its editor the largest: it is drawn by the page alone.
  ship: dynamic(() => partOfPage(() => import('@/stages/ship/ship')).then(({ Ship }) => Ship), { ssr: false }),
  watch: dynamic(() => partOfPage(() => import('@/stages/watch/watch')).then(({ Watch }) => Watch)),
};

/** The same parts, to be asked for before they are drawn. */
const PARTS: Record<string, () => Promise<unknown>> = {
  gather: () => import('@/stages/gather/gather'),
  mix: () => import('@/stages/mix/mix'),
  name: () => import('@/stages/name/name'),
  prove: () => import('@/stages/prove/prove'),
  ship: () => import('@/stages/ship/ship'),
  watch: () => import('@/stages/watch/watch'),
};

// The stage of the address is wanted as soon as this runs in a page: what the server did not draw is not in its document.
if (typeof location !== 'undefined') void PARTS[location.pathname.split('/')[3] ?? '']?.();

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
    // All there is, so that going to any stage needs no server, not even the first time.
    const fetchRest = () => void Promise.allSettled([...Object.values(PARTS), loadFormats].map((load) => load()));
    let cancel = () => {};
    // Only once everything that the page needs now has come, and the browser rests.
    const whenAtRest = () => {
      if ('requestIdleCallback' in window) {
        const idle = requestIdleCallback(fetchRest, { timeout: 3_000 });
        cancel = () => cancelIdleCallback(idle);
      } else {
        const timer = setTimeout(fetchRest, 1_000);
        cancel = () => clearTimeout(timer);
      }
    };
    if (document.readyState === 'complete') whenAtRest();
    else window.addEventListener('load', whenAtRest, { once: true });
    return () => {
      window.removeEventListener('load', whenAtRest);
      cancel();
    };
  }, []);
  const { tokens, palettes } = useBrandStore().getState().brand;
  const isLarge = palettes.reduce((sum, { swatches }) => sum + swatches.length, tokens.length) > DRAWN_BY_SERVER;
  const isOnServer = useIsOnServer();
  const Current = STAGES[usePathname().split('/')[3] as StageId];
  // Drawing a large brand holds the server up for a good while, and everybody with it; the page has to draw it anyway.
  if (isLarge && isOnServer) return null;
  return <Current />;
}
