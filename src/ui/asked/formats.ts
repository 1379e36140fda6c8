import { partOfPage } from '../store/reload';
import { useEffect, useState } from 'react';
import type { TokensWritten } from '@/core/brand/reading/where-used';

type Formats = typeof import('@/core/formats/registry');

let loaded: Formats | null = null;
let loading: Promise<Formats> | null = null;

/** The formats, fetched once. They are a good part of the code, and a page is shown before anything needs them. */
export function loadFormats(): Promise<Formats> {
  loading ??= partOfPage(() => import('@/core/formats/registry'))
    .then((formats) => (loaded = formats))
    .catch((error: unknown) => {
      // With the network away it is fetched when it is wanted again.
      loading = null;
      throw error;
    });
  return loading;
}

/** Which tokens a destination writes, as soon as the formats are there; null until then. */
export function useTokensWritten(): TokensWritten | null {
  const [formats, setFormats] = useState(loaded);
  useEffect(() => {
    if (formats) return;
    let current = true;
    void loadFormats().then((found) => current && setFormats(found));
    return () => {
      current = false;
    };
  }, [formats]);
  return formats ? formats.tokensWritten : null;
}
