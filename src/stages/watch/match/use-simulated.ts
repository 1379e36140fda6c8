import { useCallback, useEffect, useRef, useState } from 'react';
import type { Reading, Screen } from '@/core/screens/screen';
import { readScreen } from './read-screen';

/** What a simulated screen was found to show, theme by theme; or why it could not be read. */
export interface SimulatedRead {
  readonly readings: ReadonlyMap<string, Reading>;
  /** The theme that it shows now. */
  readonly drawn: string;
  readonly problem: string;
}

const NOTHING: SimulatedRead = { readings: new Map(), drawn: '', problem: '' };

/**
 * Reads simulated screens back, each in every theme, and leaves them in the one that is wanted.
 * @param keyed the screens by keys that are others whenever they are to be read anew
 * @param themes identifiers
 */
export function useSimulated(keyed: ReadonlyMap<string, Screen>, themes: readonly string[], wanted: string) {
  const frames = useRef(new Map<string, HTMLIFrameElement>());
  const known = useRef(new Map<string, SimulatedRead>());
  const [reads, setReads] = useState<ReadonlyMap<string, SimulatedRead>>(new Map());
  const all = themes.join(' ');

  useEffect(() => {
    const show = (key: string, theme: string) => frames.current.get(key)?.contentWindow?.postMessage({ theme }, location.origin);
    const onMessage = (event: MessageEvent) => {
      const key = [...frames.current].find(([, frame]) => frame.contentWindow === event.source)?.[0];
      if (key === undefined || event.origin !== location.origin) return;
      const { drawn = '', release = 0, failed = '' } = event.data as { drawn?: string; release?: number; failed?: string };
      const was = known.current.get(key) ?? NOTHING;
      if (failed === '') {
        const seen = readScreen(frames.current.get(key)!.contentWindow!);
        const readings = new Map(was.readings).set(drawn, { theme: drawn, release, seen });
        const next = all.split(' ').find((theme) => !readings.has(theme)) ?? wanted;
        if (next !== drawn) show(key, next);
        known.current.set(key, { readings, drawn, problem: '' });
      } else known.current.set(key, { ...was, problem: failed });
      setReads(new Map(known.current));
    };
    window.addEventListener('message', onMessage);
    for (const key of frames.current.keys()) show(key, wanted);
    return () => window.removeEventListener('message', onMessage);
  }, [all, wanted]);

  const hold = useCallback((key: string, frame: HTMLIFrameElement | null) => {
    if (frame) frames.current.set(key, frame);
    else frames.current.delete(key);
  }, []);
  const readOf = (key: string) => reads.get(key) ?? NOTHING;
  const isRead = (key: string) => readOf(key).problem !== '' || themes.every((theme) => readOf(key).readings.has(theme));
  return { hold, readOf, isRead, isComplete: [...keyed.keys()].every(isRead) };
}
