'use client';

import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ChakraProvider } from '@chakra-ui/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useServerInsertedHTML } from 'next/navigation';
import { createContext, use, useState, type ReactNode } from 'react';
import { Notices } from '../notices';
import { system } from './system';

const Nonce = createContext('');

/** The page's nonce, for what writes style elements of its own. */
export function useNonce(): string {
  return use(Nonce);
}

/** Everything a page stands on: styles drawn on the server with the page's nonce, the neutral theme, queries, notices. */
export function Providers({ nonce, children }: { nonce: string; children: ReactNode }) {
  const [queries] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } } }));
  const [{ cache, flush }] = useState(() => emotionRegistry(nonce));
  useServerInsertedHTML(() => {
    const names = flush();
    if (names.length === 0) return null;
    const css = names.map((name) => cache.inserted[name]).join('');
    return <style nonce={nonce} data-emotion={`${cache.key} ${names.join(' ')}`} dangerouslySetInnerHTML={{ __html: css }} />;
  });
  return (
    <Nonce value={nonce}>
      <CacheProvider value={cache}>
        <ChakraProvider value={system}>
          <QueryClientProvider client={queries}>
            {children}
            <Notices />
          </QueryClientProvider>
        </ChakraProvider>
      </CacheProvider>
    </Nonce>
  );
}

/** An Emotion cache that remembers what was inserted since the last flush, so that the server can stream it. */
function emotionRegistry(nonce: string) {
  const cache = createCache({ key: 'css', nonce });
  cache.compat = true;
  const insert = cache.insert;
  let inserted: string[] = [];
  cache.insert = (...args) => {
    const { name } = args[1];
    if (cache.inserted[name] === undefined) inserted.push(name);
    return insert(...args);
  };
  const flush = () => {
    const names = inserted;
    inserted = [];
    return names;
  };
  return { cache, flush };
}
