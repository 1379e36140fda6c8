import { useDeferredValue, useMemo } from 'react';
import type { Destination } from '@/core/brand/document/destination-shape';
import type { Written } from '@/core/formats/kit/format';
import { writeDestination } from '@/core/formats/registry';
import { useBrand } from '@/ui/store/brand-context';
import { useComputed } from '@/ui/asked/use-computed';
import { writeBeside } from '@/workers/shipper';
import { versionOf } from './version-of';

/** More colours than this, tokens by themes, are written beside the page. */
const MANY = 4_000;
const NOTHING: Written = { files: [], findings: [] };

/**
 * The files of a destination as the brand stands: at once where that is a matter of milliseconds; beside the page for a
 * large brand, and for a template, which may run for long. Meanwhile the files from before stay.
 */
export function useWritten(destination: Destination): { written: Written; busy: boolean } {
  const newest = useBrand((state) => state.brand);
  const brand = useDeferredValue(newest);
  const beside = destination.format === 'template' || brand.tokens.length * brand.themes.length > MANY;
  const here = useMemo(() => (beside ? null : writeDestination(brand, destination)), [beside, brand, destination]);
  const version = versionOf(brand);
  const there = useComputed(beside ? `${version} ${JSON.stringify(destination)}` : 'here', (_onProgress, signal) =>
    beside ? writeBeside(brand, destination, signal) : Promise.resolve(NOTHING),
  );
  return here ? { written: here, busy: false } : { written: there.value ?? NOTHING, busy: !there.current };
}
