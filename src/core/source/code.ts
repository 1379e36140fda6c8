import { literalsIn, type Occurrence, type Scan } from './occurrence';
import type { SourceText, Span } from './source-text';

/** Comments of the languages that follow C, of those that follow the shell, and of Lua and SQL. */
const COMMENTS = {
  c: String.raw`\/\*[^]*?(?:\*\/|$)|\/\/[^\r\n]*`,
  shell: String.raw`(?<=^|\s)#(?![0-9a-fA-F]{3,8}\b)[^\r\n]*`,
  dashes: String.raw`--\[\[[^]*?(?:\]\]|$)|--[^\r\n]*`,
} as const;
export type CommentStyle = keyof typeof COMMENTS;

const STRING = '"(?:[^"\\\\\\r\\n]|\\\\.){0,400}"|\'(?:[^\'\\\\\\r\\n]|\\\\.){0,400}\'|`(?:[^`\\\\]|\\\\.){0,400}`';
/** The name that a value is given to on its line. */
const NAME = /([\p{L}_$][\p{L}\p{N}_$.-]*)["'\]]?\s*(?::\s*[\w<>[\]]+\s*)?(?::=|=>|[=:(])?\s*["'`]?$/u;

/** Every colour of a program's source: by the name before it on its line, and in comments. */
export function scanCode(source: SourceText, comments: CommentStyle = 'c'): Scan {
  const { text } = source;
  // Strings and comments are looked for together: a mark of the one within the other begins none.
  const remarks = Array.from(text.matchAll(new RegExp(`${STRING}|${COMMENTS[comments]}`, 'g')), ({ index, 0: found }) => ({
    from: index,
    to: index + found.length,
    isComment: !/^["'`]/.test(found),
  })).filter(({ isComment }) => isComment);
  const occurrences = [...literalsIn(text)].map((found): Occurrence => {
    const lineStart = Math.max(text.lastIndexOf('\n', found.span.from - 1) + 1, found.span.from - 200);
    const name = NAME.exec(text.slice(lineStart, found.span.from))?.[1];
    return { ...found, path: name ? [name] : [], comment: covering(remarks, found.span.from) };
  });
  return { occurrences, problems: [] };
}

/** Whether a place lies in one of the stretches, which are in order and apart. */
function covering(spans: readonly Span[], at: number): boolean {
  let [low, high] = [0, spans.length - 1];
  while (low <= high) {
    const middle = (low + high) >> 1;
    const { from, to } = spans[middle]!;
    if (at < from) high = middle - 1;
    else if (at >= to) low = middle + 1;
    else return true;
  }
  return false;
}
