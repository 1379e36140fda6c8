import { useEffect, useRef, useState } from 'react';
import type { Art } from '@/core/brand/document/art-shape';
import { useBrand } from '@/ui/store/brand-context';
import { storedFile } from '@/ui/asked/kept-files';
import { OpenArt } from '@/workers/art';

/** The art's sheets, fetched and decoded in a worker. */
export function useSheets({ sheets }: Art): { open: OpenArt | null; before: readonly ImageBitmap[] | null; sentence: string } {
  const brand = useBrand((state) => state.id);
  const key = sheets.map(({ picture }) => picture).join();
  const [ready, setReady] = useState<{ key: string; open: OpenArt; before: readonly ImageBitmap[] } | null>(null);
  const [problem, setProblem] = useState('');
  const wanted = useRef(sheets);
  useEffect(() => {
    wanted.current = sheets;
  });
  useEffect(() => {
    const open = new OpenArt();
    let current = true;
    const start = async () => {
      const files = [];
      for (const { picture, name } of wanted.current) files.push({ name, bytes: await storedFile(brand, 'pictures', picture) });
      const opened = await open.remote.open(files);
      if (!current) return;
      if (typeof opened === 'string') setProblem(opened);
      else setReady({ key, open, before: await open.remote.before() });
    };
    start().catch((error: unknown) => {
      if (current)
        setProblem(
          error instanceof TypeError
            ? 'The server cannot be reached, so the pictures cannot be fetched.'
            : (error as Error).message,
        );
    });
    return () => {
      current = false;
      open.close();
    };
  }, [brand, key]);
  const isThis = ready?.key === key;
  return {
    open: isThis ? ready.open : null,
    before: isThis ? ready.before : null,
    sentence: isThis ? '' : problem || 'Fetching the pictures…',
  };
}
