import { problem, type Problem } from '@/core/source/problem';
import type { SourceFile } from '@/core/intake/reader';
import { readFile } from '@/core/intake/readers';
import { expose } from 'comlink';
import { catchOf, type CatchLine, type Earlier } from '@/core/intake/catch';
import type { CellRange } from '@/core/intake/tables/cell-range';
import { whyNotRead } from '@/core/intake/not-read';
import { bytesOf, decode } from './decode';

/** What one source gave. */
export interface Intake {
  /** The format it was read as; null when no reader knows it, which is a problem then. */
  readonly format: string | null;
  readonly lines: readonly CatchLine[];
  readonly problems: readonly Problem[];
}

/** What is asked of a source besides reading it. */
export interface Wish {
  /** What is in the catch already, which its colours are compared with. */
  readonly earlier?: readonly Earlier[];
  /** Of a table only these cells. */
  readonly range?: CellRange;
}

const api = {
  async read(source: SourceFile | File, { earlier, range }: Wish, onProgress: (share: number) => void): Promise<Intake> {
    const file = source instanceof File ? { name: source.name, bytes: await bytesOf(source) } : source;
    const reading = await readFile(file, { onProgress: (share) => void onProgress(share), decode, ...(range && { range }) });
    return reading
      ? { format: reading.format, lines: catchOf(reading, earlier), problems: reading.problems }
      : { format: null, lines: [], problems: [problem(whyNotRead(file.bytes))] };
  },
};

export type IntakeWorker = typeof api;

expose(api);
