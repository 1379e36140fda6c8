import { useEffect, useRef, useState } from 'react';
import type { ManifestEntry } from '@/core/release/bundle';
import { useBrand, useBrandStore } from '@/ui/store/brand-context';
import { storedFiles } from '@/ui/asked/kept-files';
import { request } from '@/ui/asked/request';
import { compareDelivered } from '@/workers/drift';
import type { ShownFile } from '@/workers/drift.worker';

/** More than a delivery has. */
const MOST_FILES = 5_000;
const LARGEST = 64 * 1024 * 1024;

export interface Drift {
  readonly compared: readonly ShownFile[];
  readonly problems: readonly string[];
}

/** Compares what is handed in with the brand as it stands, in a worker. */
export function useDrift() {
  const store = useBrandStore();
  const [drift, setDrift] = useState<Drift | null>(null);
  /** The share compared; null when nothing is under way. */
  const [share, setShare] = useState<number | null>(null);
  const running = useRef<AbortController | null>(null);
  /** What was handed in last, to be compared anew when the brand has changed. */
  const handed = useRef<readonly File[]>([]);
  useEffect(() => () => running.current?.abort(new DOMException('The page was left.', 'AbortError')), []);
  const stop = () => {
    running.current?.abort(new DOMException('Stopped.', 'AbortError'));
    running.current = null;
    setShare(null);
  };
  const compare = async (chosen: readonly File[]) => {
    running.current?.abort(new DOMException('Other files came.', 'AbortError'));
    const stopper = (running.current = new AbortController());
    handed.current = chosen;
    const files = chosen.map((file) => ({ name: nameOf(file), file }));
    const refusal =
      files.length > MOST_FILES
        ? `These are ${files.length} files, and up to ${MOST_FILES} are compared; choose the folder of the delivery itself.`
        : files.find(({ file }) => file.size > LARGEST) && 'One of these files is larger than 64 MB; leave it out.';
    if (refusal) return setDrift({ compared: [], problems: [refusal] });
    setShare(0);
    try {
      const { brand } = store.getState().replica;
      const [kept, older] = await Promise.all([storedFiles(brand), olderFiles(store.getState().id)]);
      const found = await compareDelivered(
        brand,
        kept,
        older,
        files,
        (now) => running.current === stopper && setShare(now),
        stopper.signal,
      );
      setDrift(found);
    } catch (error) {
      if (stopper.signal.aborted) return;
      const offline = error instanceof TypeError;
      setDrift({
        compared: [],
        problems: [
          offline
            ? 'The server cannot be reached, so releases cannot be looked up; try again in a moment.'
            : (error as Error).message,
        ],
      });
    } finally {
      if (running.current === stopper) {
        // What is still told of its progress comes too late.
        running.current = null;
        setShare(null);
      }
    }
  };
  const brand = useBrand((state) => state.replica.brand);
  const comparedWith = useRef(brand);
  useEffect(() => {
    if (comparedWith.current === brand) return;
    comparedWith.current = brand;
    if (handed.current.length > 0) void compare(handed.current);
    // Each change of the brand compares anew, and nothing else does.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [brand]);
  return { drift, share, compare, stop };
}

/** The path of a file below the folder that was chosen or dropped. */
function nameOf(file: File): string {
  const { path } = file as File & { path?: string };
  return (file.webkitRelativePath || path || file.name).replace(/^\.?\//, '');
}

/** The newest release that each file's bytes are of. */
async function olderFiles(brand: string): Promise<Map<string, number>> {
  const { releases } = await request<{ releases: { number: number; manifest: ManifestEntry[] }[] }>(
    `/api/brands/${brand}/releases`,
  );
  return new Map(
    [...releases].reverse().flatMap(({ number, manifest }) => manifest.map(({ sha256 }) => [sha256, number] as const)),
  );
}
