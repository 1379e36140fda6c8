import { readFileSync, statSync } from 'node:fs';
import { basename } from 'node:path';
import { RANGE_EXAMPLE, readRange } from '@/core/intake/tables/cell-range';
import { formatById, FORMATS, readFile } from '@/core/formats/registry';
import type { Reading } from '@/core/formats/kit/format';
import { whyNotRead } from '@/core/intake/not-read';
import { problemsOf } from '@/core/intake/reading';
import { decode } from './decode';
import { fail } from './failure';

const SIZE_LIMIT = 64 * 1024 * 1024;

/** The bytes of a file named on the command line, or the end of the command with the reason. */
export function load(path: string): { name: string; bytes: Uint8Array } {
  try {
    if (statSync(path).size > SIZE_LIMIT) fail(`${path} is larger than 64 MB; give a smaller file.`);
    return { name: basename(path), bytes: readFileSync(path) };
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    if (code === 'ENOENT') fail(`${path} is not there.`);
    if (code === 'EISDIR') fail(`${path} is a folder; give a file.`);
    if (code === 'EACCES') fail(`${path} may not be read by this user.`);
    throw error;
  }
}

/** What a reader found in the file, or the end of the command with the reason. */
export async function readingOf(file: { name: string; bytes: Uint8Array }, as?: string, cells?: string): Promise<Reading> {
  if (as !== undefined && !formatById(as)?.read) {
    fail(
      `there is no reader “${as}”; choose one of ${FORMATS.filter((format) => format.read)
        .map((format) => format.id)
        .join(', ')}.`,
    );
  }
  const range = cells === undefined ? undefined : readRange(cells);
  if (range === null) fail(`“${cells}” is no range of cells; write ${RANGE_EXAMPLE}.`);
  const reading = await readFile(file, { decode, ...(range && { range }) }, as);
  if (!reading) fail(`${file.name}: ${as === undefined ? whyNotRead(file.bytes) : `this cannot be read as ${as}.`}`);
  if (reading.palettes.length === 0 && reading.tokens.length === 0) {
    const [first] = problemsOf(reading);
    fail(`${file.name} holds no colour that can be read${first ? ` (line ${first.line}: ${first.message})` : ''}.`);
  }
  return reading;
}
