import { expose } from 'comlink';
import { catchOf, type CatchLine, type Earlier } from '@/core/formats/catch';
import type { Problem, SourceFile } from '@/core/formats/format';
import { readFile } from '@/core/formats/registry';
import { decode } from './decode';

/** What one source gave. */
export interface Intake {
  /** The format it was read as; null when no reader knows it. */
  readonly format: string | null;
  readonly lines: readonly CatchLine[];
  readonly problems: readonly Problem[];
}

const api = {
  async read(file: SourceFile, earlier: readonly Earlier[], onProgress: (share: number) => void): Promise<Intake> {
    const reading = await readFile(file, { onProgress: (share) => void onProgress(share), decode });
    return reading
      ? { format: reading.format, lines: catchOf(reading, earlier), problems: reading.problems }
      : { format: null, lines: [], problems: [] };
  },
};

export type IntakeWorker = typeof api;

expose(api);
