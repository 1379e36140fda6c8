import { readFileSync, realpathSync, statSync } from 'node:fs';
import { basename, dirname, isAbsolute, join, sep } from 'node:path';
import type { SourceFile } from '@/core/intake/reader';
import { readerById, readFile, READERS } from '@/core/intake/readers';
import { problemsOf, type Intake } from '@/core/intake/intake';
import { RANGE_EXAMPLE, readRange } from '@/core/intake/tables/cell-range';
import { whyNotRead } from '@/core/intake/not-read';
import { decode } from './decode';
import { fail } from './failure';

const SIZE_LIMIT = 64 * 1024 * 1024;

/** A file named on the command line. */
export interface LoadedFile extends SourceFile {
  /** Where it lies. */
  readonly path: string;
}

/** The bytes of a file named on the command line, or the end of the command with the reason. */
export function load(path: string): LoadedFile {
  try {
    if (statSync(path).size > SIZE_LIMIT) fail(`${path} is larger than 64 MB; give a smaller file.`);
    return { path, name: basename(path), bytes: readFileSync(path) };
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    if (code === 'ENOENT') fail(`${path} is not there.`);
    if (code === 'EISDIR') fail(`${path} is a folder; give a file.`);
    if (code === 'EACCES') fail(`${path} may not be read by this user.`);
    throw error;
  }
}

/**
 * Files that another names: only those in its own folder or below it, wherever links lead; everything else is as if it
 * were not there, so that no file can have others of this machine read.
 */
export function filesBeside({ path }: LoadedFile): (name: string) => SourceFile | null {
  return (name) => {
    if (isAbsolute(name) || name.includes('\0')) return null;
    try {
      const folder = realpathSync(dirname(path));
      const found = realpathSync(join(folder, name));
      if (!found.startsWith(folder + sep)) return null;
      const about = statSync(found);
      return about.isFile() && about.size <= SIZE_LIMIT ? { name, bytes: readFileSync(found) } : null;
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      if (code === 'ENOENT' || code === 'ENOTDIR' || code === 'EACCES' || code === 'ELOOP' || code === 'ENAMETOOLONG')
        return null;
      throw error;
    }
  };
}

/** What a reader found in the file, or the end of the command with the reason. */
export async function readFileAs(file: LoadedFile, as?: string, cells?: string): Promise<Intake> {
  if (as !== undefined && !readerById(as)) {
    fail(`there is no reader “${as}”; choose one of ${READERS.map(({ id }) => id).join(', ')}.`);
  }
  const range = cells === undefined ? undefined : readRange(cells);
  if (range === null) fail(`“${cells}” is no range of cells; write ${RANGE_EXAMPLE}.`);
  const intake = await readFile(file, { decode, beside: filesBeside(file), ...(range && { range }) }, as);
  if (!intake) fail(`${file.name}: ${as === undefined ? whyNotRead(file.bytes) : `this cannot be read as ${as}.`}`);
  if (intake.palettes.length === 0 && intake.tokens.length === 0) {
    const [first] = problemsOf(intake);
    fail(`${file.name} holds no colour that can be read${first ? ` (line ${first.line}: ${first.message})` : ''}.`);
  }
  return intake;
}
