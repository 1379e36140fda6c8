import { useEffect } from 'react';
import { create } from 'zustand';
import type { Command } from '@/core/brand/commands/commands';
import { useQuery } from '@tanstack/react-query';
import type { Brand } from '@/core/brand/document/document';
import type { Finding } from '@/core/findings/finding';
import { FindingWorker } from '@/workers/findings';
import { useBrand } from '../store/brand-context';
import type { Released } from '../store/brand-state';
import { tell } from '../notices';

interface Findings {
  /** What the rules find, the worst first; null before they were asked. */
  readonly found: readonly Finding[] | null;
  /** What writing the destinations finds. */
  readonly ofDestinations: readonly Finding[];
  /** The brand of which that is said. */
  readonly of: Brand | null;
}

/** What is wrong with the brand of this page, as a worker last said. */
export const useFindings = create<Findings>()(() => ({ found: null, ofDestinations: [], of: null }));

let worker: FindingWorker | null = null;
/** Asked one after the other; of several states that come meanwhile only the newest is asked about. */
let asking: Promise<void> | null = null;
let wanted: Brand | null = null;

async function askAll(): Promise<void> {
  while (wanted) {
    const brand: Brand = wanted;
    wanted = null;
    worker ??= new FindingWorker();
    const found = await worker.find(brand);
    useFindings.setState((was) => ({ found, of: brand, ofDestinations: was.of?.id === brand.id ? was.ofDestinations : [] }));
  }
}

function ask(brand: Brand): void {
  wanted = brand;
  asking ??= askAll()
    .catch((error: unknown) => {
      // The next state begins with a new worker.
      worker?.close();
      worker = null;
      tell((error as Error).message);
    })
    .finally(() => (asking = null));
}

/** How long the first question waits, in milliseconds. */
const FIRST_MS = 300;

/** Keeps the findings those of the page's brand; for the frame, which is there in every stage. */
export function useFindingsKept(): void {
  const brand = useBrand((state) => state.replica.brand);
  useEffect(() => {
    // The page comes first; after that every edit is asked about at once.
    const timer = setTimeout(() => ask(brand), useFindings.getState().found ? 0 : FIRST_MS);
    return () => clearTimeout(timer);
  }, [brand]);
}

/** How long the brand must rest before its destinations are written to see what that finds, in milliseconds. */
const REST_MS = 600;

/** Has also the destinations written, while somebody looks at the list. */
export function useDestinationFindings(): void {
  const of = useFindings((state) => state.of);
  useEffect(() => {
    if (!of) return;
    const timer = setTimeout(() => {
      worker?.ofDestinations().then(
        (ofDestinations) => useFindings.setState({ ofDestinations }),
        (error: unknown) => tell((error as Error).message),
      );
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [of]);
}

/** What the rules find now and did not find in the last release, and what they no longer find: looked for beside the page. */
export function useFindingsSince(release: Released | null) {
  const { id, replica } = useBrand((state) => ({ id: state.id, replica: state.replica }));
  return useQuery({
    queryKey: ['findings since', id, release?.number, replica.seq, replica.pending.length],
    enabled: release !== null,
    staleTime: Infinity,
    queryFn: async () => {
      const own = new FindingWorker();
      try {
        return await own.since(release!.document, replica.brand);
      } finally {
        own.close();
      }
    },
  });
}

/** What would put findings of one rule right; null where nothing can be done. Looked for beside the page: it may take a while. */
export async function mendFor(brand: Brand, findings: readonly Finding[], label: string): Promise<Command | null> {
  worker ??= new FindingWorker();
  return worker.mend(brand, findings, label);
}
