import pLimit from 'p-limit';
import { Refused } from '../http/refused';

/**
 * A way through which so much work goes at once, and behind which so much may wait.
 * @param sentence said to whoever comes when that many wait
 */
export function bounded(atOnce: number, mostWaiting: number, sentence: string): <T>(work: () => Promise<T>) => Promise<T> {
  const limit = pLimit(atOnce);
  return async (work) => {
    if (limit.pendingCount >= mostWaiting) throw new Refused(503, sentence);
    return limit(work);
  };
}
