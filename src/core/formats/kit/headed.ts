import type { Mark } from './marks';
import type { WrittenFile } from './format';

/** What XML wants to be the first thing of a file. */
const DECLARATION = /^<\?xml[^>]*\?>\r?\n/;

/** A text file with lines put before everything else but an XML declaration; its marks move along. */
export function headed(file: WrittenFile, lines: readonly string[]): WrittenFile {
  const text = new TextDecoder().decode(file.bytes);
  const begin = DECLARATION.exec(text)?.[0].length ?? 0;
  const head = lines.map((line) => `${line}\n`).join('');
  const moved = ({ from, to, ...mark }: Mark): Mark => ({ from: from + head.length, to: to + head.length, ...mark });
  return {
    ...file,
    bytes: new TextEncoder().encode(text.slice(0, begin) + head + text.slice(begin)),
    ...(file.marks && { marks: file.marks.map(moved) }),
  };
}
