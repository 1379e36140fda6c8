import { mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, isAbsolute, join, normalize, sep } from 'node:path';
import type { WrittenFile } from '@/core/formats/kit/format';
import { Failure } from './failure';

type Placed = Pick<WrittenFile, 'path' | 'bytes'>;

const REASONS: Record<string, string> = {
  ENOSPC: 'the disk is full',
  EROFS: 'the disk may only be read',
  EACCES: 'this user may not write there',
  EPERM: 'this user may not write there',
  ENOTDIR: 'a part of the path is a file, not a folder',
  EISDIR: 'there is a folder of that name',
  EEXIST: 'a part of the path is a file, not a folder',
};

/**
 * Puts files into a folder, all or none: each is written whole under a temporary name, and only when all are there do they
 * take the places of the old ones. @throws Failure with the reason; then nothing has changed and nothing is left behind
 */
export function placeFiles(folder: string, files: readonly Placed[]): void {
  const waiting: { from: string; to: string }[] = [];
  try {
    for (const { path, bytes } of files) {
      const to = placedIn(folder, path);
      mkdirSync(dirname(to), { recursive: true });
      // Found now, or the files before it would have been moved already.
      if (statSync(to, { throwIfNoEntry: false })?.isDirectory()) throw Object.assign(new Error(), { code: 'EISDIR', path: to });
      const from = `${to}.${process.pid}.part`;
      waiting.push({ from, to });
      writeFileSync(from, bytes, { flush: true });
    }
    for (const { from, to } of waiting) renameSync(from, to);
  } catch (error) {
    for (const { from } of waiting) rmSync(from, { force: true });
    throw explained(error, folder);
  }
}

/** The files of which the folder holds another version, or none. */
export function differing(folder: string, files: readonly Placed[]): string[] {
  return files
    .filter(({ path, bytes }) => {
      try {
        return !readFileSync(placedIn(folder, path)).equals(bytes);
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code === 'ENOENT') return true;
        throw explained(error, folder);
      }
    })
    .map(({ path }) => path);
}

/** A path below a folder. @throws Failure for one that leads out of it, as what came from elsewhere may */
export function placedIn(folder: string, path: string): string {
  const clean = normalize(path);
  if (isAbsolute(clean) || clean.split(sep).includes('..') || path.includes('\0')) {
    throw new Failure(`“${path.slice(0, 80)}” leads out of the folder; nothing was written.`, 2);
  }
  return join(folder, clean);
}

function explained(error: unknown, folder: string): unknown {
  const { code = '', path = folder } = error as NodeJS.ErrnoException;
  const reason = REASONS[code];
  return reason ? new Failure(`${path} cannot be written: ${reason}. Nothing was changed.`, 1) : error;
}
