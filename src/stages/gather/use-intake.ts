import type { SourceFile } from '@/core/intake/reader';
import { useEffect, useRef, useState } from 'react';
import { newId } from '@/core/brand/document/identity';
import type { IntakeLine } from '@/core/intake/catch';
import type { CellRange } from '@/core/intake/tables/cell-range';
import { pictureRefusal } from '@/core/intake/pictures/picture';
import { pictureSize } from '@/core/image/size';
import type { WebPage } from '@/core/intake/web/web-page';
import { problem } from '@/core/source/problem';
import { useBrand } from '@/ui/store/brand-context';
import { earlierIn, useCatch } from '@/ui/store/catch-store';
import { tell } from '@/ui/notices';
import { Declined } from '@/ui/asked/request';
import { useWantedPicture, type KeptPicture } from '@/ui/wanted-picture';
import { bytesOf } from '@/workers/decode';
import { readInWorker } from '@/workers/intake';
import type { Wish } from '@/workers/intake.worker';
import { fetchWebPage } from './fetch-web-page';

/** Larger files are not read into the page. */
const LARGEST = 64 * 1024 * 1024;
/** In so many bytes a picture says its size, also behind a camera's notes and small preview. */
const HEADER = 1024 * 1024;

/** A picture that came in, to be looked at while its colours are chosen. */
export interface OpenedPicture {
  readonly kind: 'picture';
  /** Another for every arrival, also of the same file. */
  readonly id: string;
  readonly file: File;
}

/** A table that came in, to have cells chosen of it. */
export interface OpenedTable {
  readonly kind: 'table';
  readonly id: string;
  readonly file: File;
  /** A workbook has sheets with names. */
  readonly isWorkbook: boolean;
  /** Everything that was found in it. */
  readonly lines: readonly IntakeLine[];
}

/** Whether a line of a table is a colour in a cell; those of a workbook's theme are in none. */
export function standsInCell({ colour, column }: IntakeLine): boolean {
  return colour !== null && column > 0;
}

/** Takes in texts and files: reads them one after the other and puts what they hold into the catch. */
export function useIntake() {
  const { replace, append } = useCatch.getState();
  const brand = useBrand((state) => state.id);
  /** The share read of the source under way; null when none is. */
  const [reading, setReading] = useState<number | null>(null);
  const [opened, setOpened] = useState<OpenedPicture | OpenedTable | null>(null);
  const running = useRef<AbortController | null>(null);
  const stop = () => {
    running.current?.abort(new DOMException('Stopped.', 'AbortError'));
    running.current = null;
    setReading(null);
  };
  useEffect(() => () => running.current?.abort(new DOMException('The page was left.', 'AbortError')), []);

  /** Runs one intake; a newer one ends it. */
  const run = async (
    work: (
      read: (file: SourceFile | File | WebPage, wish?: Wish) => ReturnType<typeof readInWorker>,
      signal: AbortSignal,
    ) => Promise<void>,
  ) => {
    running.current?.abort(new DOMException('A newer source came.', 'AbortError'));
    const controller = new AbortController();
    running.current = controller;
    setReading(0);
    try {
      const { signal } = controller;
      await work((file, wish = {}) => readInWorker(file, wish, (share) => signal.aborted || setReading(share), signal), signal);
    } catch (error) {
      if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
    } finally {
      if (running.current === controller) {
        running.current = null;
        setReading(null);
      }
    }
  };

  /** Has a page of the web fetched by the server, with its style sheets and drawings, and reads their colours. */
  const takeAddress = (address: string) =>
    run(async (read, signal) => {
      try {
        const page = await fetchWebPage(brand, address, signal, (share) => signal.aborted || setReading(share));
        replace(page.title || new URL(page.address).host, await read(page));
      } catch (error) {
        if (!(error instanceof Declined || error instanceof TypeError)) throw error;
        const away = 'The server cannot be reached just now; try again when it can.';
        replace(address, { lines: [], problems: [problem(error instanceof Declined ? error.message : away)] });
      }
    });

  const takeText = (text: string) => {
    useCatch.getState().setText(text);
    return run(async (read) => {
      const { lines, problems, origins } = await read({ name: 'Pasted text', bytes: new TextEncoder().encode(text) });
      replace('the text', { lines, problems, origins });
      // A text that was refused whole is not kept either.
      if (lines.length === 0 && problems.length > 0) useCatch.getState().setText('');
    });
  };

  const takeFiles = (files: readonly File[]) =>
    run(async (read) => {
      for (const [at, file] of files.entries()) {
        const put = at === 0 ? replace : append;
        const refuse = (message: string) =>
          put(file.name, { lines: [], problems: [{ severity: 'error', line: 1, column: 1, message }] });
        if (file.size > LARGEST) {
          refuse(`This file is ${Math.round(file.size / 1_048_576)} MB; up to 64 MB is read.`);
          continue;
        }
        // A picture by itself is shown, so that its colours can be chosen on it.
        let header: Uint8Array;
        try {
          header = await bytesOf(file.slice(0, HEADER));
        } catch (error) {
          if (!(error instanceof DOMException)) throw error;
          refuse('This file cannot be read; it may have been moved or deleted since it was chosen.');
          continue;
        }
        const size = files.length === 1 ? pictureSize(header) : null;
        if (size && !pictureRefusal(size)) {
          replace(file.name, { lines: [], problems: [] });
          setOpened({ kind: 'picture', id: newId(), file });
          return;
        }
        const wish = at === 0 ? {} : { earlier: earlierIn(useCatch.getState().lines) };
        const { format, lines, problems, origins } = await read(file, wish);
        if (lines.length === 0 && problems.length === 0) refuse('There is no colour in this file.');
        else put(file.name, { lines, problems, origins });
        if (files.length === 1 && (format === 'xlsx' || format === 'csv') && lines.some(standsInCell)) {
          setOpened({ kind: 'table', id: newId(), file, isWorkbook: format === 'xlsx', lines });
          return;
        }
      }
      setOpened(null);
    });

  /** Reads some cells of the table that is open; null reads them all. */
  const takeCells = ({ file, lines: all }: OpenedTable, range: CellRange | null) =>
    run(async (read) => {
      const { lines, problems } = range ? await read(file, { range }) : { lines: all, problems: [] };
      replace(file.name, { lines, problems });
    });

  const { wanted } = useWantedPicture();
  useEffect(() => {
    if (!wanted) return;
    useWantedPicture.setState({ wanted: null });
    void fetchPicture(brand, wanted).then((file) => file && takeFiles([file]));
  });

  return { reading, stop, opened, close: () => setOpened(null), takeText, takeAddress, takeFiles, takeCells };
}

async function fetchPicture(brand: string, { picture, name }: KeptPicture): Promise<File | null> {
  try {
    const response = await fetch(`/api/brands/${brand}/pictures/${picture}`);
    if (response.ok) return new File([await response.blob()], name);
    tell(`${name} is not kept with this brand.`);
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    tell(`${name} cannot be fetched: the server cannot be reached.`);
  }
  return null;
}
