import { useEffect, useState } from 'react';
import { tell } from '../notices';

/** How long what is asked must rest before it is computed, in milliseconds: while a dial moves, only its end counts. */
const REST_MS = 120;

export interface Computed<T> {
  /** The newest outcome, also while the next is computed. */
  readonly value: T | null;
  /** 0..1 while it is computed; null at rest. */
  readonly progress: number | null;
  /** Whether the outcome is that of the wish as it is now. */
  readonly current: boolean;
}

/**
 * What a worker gives for the newest wish; an older one is stopped. @param key changes when something else is asked
 */
export function useComputed<T>(
  key: string,
  compute: (onProgress: (share: number) => void, signal: AbortSignal) => Promise<T>,
): Computed<T> {
  const [state, setState] = useState<{ value: T | null; progress: number | null; of: string | null }>({
    value: null,
    progress: null,
    of: null,
  });
  useEffect(() => {
    const stopper = new AbortController();
    const timer = setTimeout(() => {
      const onProgress = (progress: number) => {
        if (!stopper.signal.aborted) setState((was) => ({ ...was, progress }));
      };
      onProgress(0);
      compute(onProgress, stopper.signal).then(
        (value) => setState({ value, progress: null, of: key }),
        (error: unknown) => {
          if (stopper.signal.aborted) return;
          setState((was) => ({ ...was, progress: null }));
          tell(
            `This could not be computed: ${error instanceof Error ? error.message : 'the worker failed'}. Nothing has changed.`,
          );
        },
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      stopper.abort(new DOMException('Something else is asked by now.', 'AbortError'));
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says all that compute depends on
  }, [key]);
  return { value: state.value, progress: state.progress, current: state.of === key };
}
