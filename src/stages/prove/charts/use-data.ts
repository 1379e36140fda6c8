import { useEffect, useState } from 'react';
import type { Brand } from '@/core/brand/document';
import type { ChartColumns } from '@/core/data/read-data';
import { sampleData } from '@/core/data/sample';
import type { Sums } from '@/core/data/sums';
import { useBrandStore } from '@/ui/brand-context';
import { tell } from '@/ui/notices';
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

interface Kept extends ChartData {
  readonly open: OpenData;
}

async function readTable({ fields }: Brand, name: string | null, bytes: Uint8Array): Promise<Kept | null> {
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

export function useData() {
  const store = useBrandStore();
  const [data, setData] = useState<Kept | null>(null);
  useEffect(() => {
    let current = true;
    const begin = async () => {
      const { brand } = store.getState().replica;
      const read = await readTable(brand, null, new TextEncoder().encode(sampleData(brand)));
      if (current) setData(read);
      else read?.open.close();
    };
    void begin();
    return () => {
      current = false;
    };
  }, [store]);
  const open = data?.open;
  useEffect(() => () => open?.close(), [open]);
  return {
    data: data as ChartData | null,
    hand: async (file: File) => {
      if (file.size > LARGEST) return tell(`${file.name} is larger than 64 MB; charts are drawn from less.`);
      const read = await readTable(store.getState().replica.brand, file.name, await bytesOf(file));
      if (read) setData(read);
    },
    choose: async (columns: ChartColumns) => {
      if (data) setData({ ...data, columns, sums: await data.open.remote.sum(columns) });
    },
  };
}
