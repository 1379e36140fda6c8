import { useCallback, useEffect, useRef, useState } from 'react';
import type { EntryParts } from '@/core/intake/intake';
import type { Extracted, Wanted } from '@/core/image/extract';
import type { Pixels } from '@/core/image/pixels';
import { OpenPicture } from '@/workers/picture';
import type { Preview } from '@/workers/picture.worker';

/** Pixels across at which a picture is shown. */
const SHOWN = 720;

/**
 * A picture open in a worker: what is shown of it, its pixels, and its colours. One search is made at a time; of those
 * asked for meanwhile only the last.
 * @param onExact called once with the colours of a picture that is a palette, or null
 */
export function useFinder(file: File, onExact: (entries: EntryParts[] | null) => void) {
  const opened = useRef<OpenPicture | null>(null);
  const running = useRef<AbortController | null>(null);
  const next = useRef<Wanted | null>(null);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [problem, setProblem] = useState('');
  /** Share done of the search under way, 0 while the picture is being decoded; null when none is. */
  const [progress, setProgress] = useState<number | null>(null);
  useEffect(() => {
    const open = new OpenPicture(file);
    opened.current = open;
    const show = async () => {
      const exact = await open.exact();
      const small = await open.preview(SHOWN);
      if (opened.current !== open) return;
      setPreview(small);
      if (exact === 'damaged') setProblem('This picture is damaged and cannot be decoded; save it again.');
      else onExact(exact);
    };
    // Not awaited by anybody: the panel shows the outcome when it is there.
    void show();
    return () => {
      opened.current = null;
      open.close();
    };
  }, [file, onExact]);

  const around = useCallback(
    async (x: number, y: number, reach: number): Promise<Pixels | null> => (await opened.current?.around(x, y, reach)) ?? null,
    [],
  );
  const find = useCallback(async (wanted: Wanted): Promise<Extracted[] | null> => {
    next.current = wanted;
    if (running.current) return null;
    let found: Extracted[] | null = null;
    running.current = new AbortController();
    setProgress(0);
    try {
      while (next.current && opened.current) {
        const current: Wanted = next.current;
        next.current = null;
        found = await opened.current.extract(current, setProgress, running.current.signal);
      }
    } catch (error) {
      // Stopped by hand.
      if (!(error instanceof DOMException)) throw error;
    } finally {
      running.current = null;
      setProgress(null);
    }
    return found;
  }, []);
  const stop = () => {
    next.current = null;
    running.current?.abort(new DOMException('Stopped.', 'AbortError'));
  };
  return { preview, around, problem, progress, find, stop };
}
