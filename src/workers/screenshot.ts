import { wrap } from 'comlink';
import type { ThemeColours } from '@/core/screens/match';
import type { Reading } from '@/core/screens/screen';
import type { ScreenshotWorker } from './screenshot.worker';

/** What a screenshot shows, read in a worker of its own. @returns one sentence when it cannot be read */
export async function readScreenshot(file: Blob, themes: readonly ThemeColours[]): Promise<Omit<Reading, 'release'> | string> {
  const worker = new Worker(new URL('./screenshot.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<ScreenshotWorker>(worker).read(file, themes);
  } finally {
    worker.terminate();
  }
}
