import { useEffect, useState } from 'react';
import type { Graft } from '@/core/brand/document/graft-shape';
import { useBrand } from '@/ui/store/brand-context';
import { storedFile } from '@/ui/asked/kept-files';
import { OpenHost } from '@/workers/graft';
import type { ShownHost } from '@/workers/graft.worker';

/** A graft's host, read and kept in a worker. */
export interface ReadyHost {
  readonly open: OpenHost;
  readonly shown: ShownHost;
}

/** Fetches and reads the host of a graft; until then, or when it cannot be, there is a sentence. */
export function useHost({ host, order, asides }: Graft): { ready: ReadyHost | null; sentence: string } {
  const brand = useBrand((state) => state.id);
  const [ready, setReady] = useState<(ReadyHost & { of: string }) | null>(null);
  const [share, setShare] = useState(0);
  const [problem, setProblem] = useState<{ of: string; sentence: string } | null>(null);
  const { sha256, name } = host;
  const of = `${sha256} ${name} ${order ?? ''} ${asides ?? ''}`;
  useEffect(() => {
    const open = new OpenHost();
    let current = true;
    const start = async () => {
      setShare(0);
      const bytes = await storedFile(brand, 'hosts', sha256);
      const shown = await open.open(name, bytes, { order, asides }, (now) => current && setShare(now));
      if (!current) return;
      if (typeof shown === 'string') setProblem({ of, sentence: shown });
      else setReady({ of, open, shown });
    };
    start().catch((error: unknown) => {
      const sentence =
        error instanceof TypeError ? 'The server cannot be reached, so the host cannot be fetched.' : (error as Error).message;
      if (current) setProblem({ of, sentence });
    });
    return () => {
      current = false;
      open.close();
    };
  }, [brand, sha256, name, order, asides, of]);
  const isThis = ready?.of === of;
  return {
    ready: isThis ? ready : null,
    sentence: isThis ? '' : problem?.of === of ? problem.sentence : `Reading the host file, ${Math.round(share * 100)} %…`,
  };
}
