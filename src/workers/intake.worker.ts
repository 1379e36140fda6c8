import { problem, type Problem } from '@/core/source/problem';
import type { SourceFile } from '@/core/intake/reader';
import { readFile } from '@/core/intake/readers';
import { expose } from 'comlink';
import type { PaletteOrigin } from '@/core/brand/document/palette-shape';
import { catchOf, originsOf, type Earlier, type IntakeLine } from '@/core/intake/catch';
import type { CellRange } from '@/core/intake/tables/cell-range';
import { whyNotRead } from '@/core/intake/not-read';
import { bounded, type Intake } from '@/core/intake/intake';
import { readWebPage, type WebPage } from '@/core/intake/web/web-page';
import { bytesOf, decode } from './decode';

/** What one source gave. */
export interface SourceIntake {
  /** The format it was read as; null when no reader knows it, which is a problem then. */
  readonly format: string | null;
  readonly lines: readonly IntakeLine[];
  readonly problems: readonly Problem[];
  /** What the source says of its palettes, by their names. */
  readonly origins: Readonly<Record<string, PaletteOrigin>>;
}

/** What is asked of a source besides reading it. */
export interface Wish {
  /** What is in the catch already, which its colours are compared with. */
  readonly earlier?: readonly Earlier[];
  /** Of a table only these cells. */
  readonly range?: CellRange;
}

/** So many lines are handed over at a time: the page takes some ten milliseconds to unpack them, and answers in between. */
const BATCH = 1_000;

const api = {
  async read(
    source: SourceFile | File | WebPage,
    { earlier, range }: Wish,
    onProgress: (share: number) => void,
    onLines: (lines: readonly IntakeLine[]) => Promise<void>,
  ): Promise<Omit<SourceIntake, 'lines'>> {
    if ('parts' in source) return handedOver(bounded(readWebPage(source)), earlier, onLines);
    const file = source instanceof File ? { name: source.name, bytes: await bytesOf(source) } : source;
    const intake = await readFile(file, { onProgress: (share) => void onProgress(share), decode, ...(range && { range }) });
    if (!intake) return { format: null, origins: {}, problems: [problem(whyNotRead(file.bytes))] };
    return handedOver(intake, earlier, onLines);
  },
};

async function handedOver(
  intake: Intake,
  earlier: readonly Earlier[] | undefined,
  onLines: (lines: readonly IntakeLine[]) => Promise<void>,
): Promise<Omit<SourceIntake, 'lines'>> {
  const lines = catchOf(intake, earlier);
  for (let at = 0; at < lines.length; at += BATCH) await onLines(lines.slice(at, at + BATCH));
  return { format: intake.format, problems: intake.problems, origins: originsOf(intake) };
}

export type IntakeWorker = typeof api;

expose(api);
