import { useEffect } from 'react';
import { create } from 'zustand';
import type { Brand } from '@/core/brand/document/document';
import type { ChartColumns } from '@/core/data/read-data';
import { sampleData } from '@/core/data/sample';
import type { Sums } from '@/core/data/sums';
import { useBrandStore } from '../store/brand-context';
import { tell } from '../notices';
import { bytesOf } from '@/workers/decode';
import { OpenData } from '@/workers/data';
import type { ShownData } from '@/workers/data.worker';

const LARGEST = 64 * 1024 * 1024;

/** What charts are drawn from: a table in a worker, its columns as they were told or chosen, and its sums. */
export interface ChartData {
  /** null for the invented data that one begins with. */
  readonly name: string | null;
  readonly shown: ShownData;
  readonly columns: ChartColumns;
  readonly sums: Sums;
}

interface KeptData extends ChartData {
  readonly open: OpenData;
}

async function readTable({ fields }: Brand, name: string | null, bytes: Uint8Array): Promise<KeptData | null> {
  const known = fields.map((field) => ({ name: field.name, values: field.values.map(({ text }) => text) }));
  const open = new OpenData();
  const shown = await open.open(name ?? 'The data', bytes, known);
  if (typeof shown === 'string') {
    open.close();
    tell(shown);
    return null;
  }
  return { name, open, shown, columns: shown.guess, sums: await open.remote.sum(shown.guess) };
}

/** The table in use, for as long as the stage is open: every view that draws charts draws the same data. */
const useKept = create<{ readonly data: KeptData | null }>()(() => ({ data: null }));

/** Counts the openings of the stage: what was still being read for an earlier one is let go. */
let opening = 0;

function keep(data: KeptData | null, of: number): void {
  if (of !== opening) return data?.open.close();
  if (!data) return;
  useKept.getState().data?.open.close();
  useKept.setState({ data });
}

/** For the stage: lets the data go when it is left. */
export function useDataWhileOpen(): void {
  useEffect(
    () => () => {
      opening++;
      useKept.getState().data?.open.close();
      useKept.setState({ data: null });
    },
    [],
  );
}

/** What charts are drawn from: invented data to begin with, or a file of one's own. */
export function useData() {
  const store = useBrandStore();
  const data: ChartData | null = useKept((state) => state.data);
  useEffect(() => {
    if (useKept.getState().data) return;
    const { brand } = store.getState().replica;
    const of = opening;
    void readTable(brand, null, new TextEncoder().encode(sampleData(brand))).then((read) => {
      // A file that was handed meanwhile is what is wanted.
      if (useKept.getState().data) read?.open.close();
      else keep(read, of);
    });
  }, [store]);
  return {
    data,
    hand: async (file: File) => {
      if (file.size > LARGEST) return tell(`${file.name} is larger than 64 MB; charts are drawn from less.`);
      const of = opening;
      keep(await readTable(store.getState().replica.brand, file.name, await bytesOf(file)), of);
    },
    choose: async (columns: ChartColumns) => {
      const { data: kept } = useKept.getState();
      if (!kept) return;
      const sums = await kept.open.remote.sum(columns);
      if (useKept.getState().data?.open === kept.open) useKept.setState({ data: { ...kept, columns, sums } });
    },
  };
}
