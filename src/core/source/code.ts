import { isProse, literalsIn, rangeOf, step, type Occurrence, type OnPlace, type Scan, type Step } from './occurrence';
import { numbersLiteral } from './literal';
import type { SourceText, Span } from './source-text';
import { speaksOfColour } from './speaks-of-colour';

/** Comments of the languages that follow C, of those that follow the shell, and of Lua and SQL. */
const COMMENTS = {
  c: String.raw`\/\*[^]*?(?:\*\/|$)|\/\/[^\r\n]*`,
  shell: String.raw`(?<=^|\s)#(?![0-9a-fA-F]{3,8}\b)[^\r\n]*`,
  dashes: String.raw`--\[\[[^]*?(?:\]\]|$)|--[^\r\n]*`,
} as const;
export type CommentStyle = keyof typeof COMMENTS;

const STRING = '"(?:[^"\\\\\\r\\n]|\\\\.){0,400}"|\'(?:[^\'\\\\\\r\\n]|\\\\.){0,400}\'|`(?:[^`\\\\]|\\\\.){0,400}`';
/** The name that a value is given to on its line. */
const NAME = /([\p{L}_$][\p{L}\p{N}_$.-]*)["'\]]?\s*(?::\s*[\w<>[\]]+\s*)?(?::=|=>|[=:(])?\s*(?:new\s+)?["'`]?$/u;
/** The name of a list, before its bracket. */
const LIST_NAME =
  /([\p{L}_$][\p{L}\p{N}_$.-]*)["'\]]?(?:\[\])?\s*(?::\s*[\w<>[\]]+\s*)?(?::=|=>|[=:])?\s*(?:new\s+)?[\w<>[\]]*$/u;
/** The names of a line, without words that every program has. */
const NAMES =
  /(?<![\p{L}\p{N}_$"'`])(?!(?:const|let|var|static|final|public|private|protected|new|local|vec[34]|float[34]?|int|auto|val)\b)[\p{L}_$][\p{L}\p{N}_$.-]*/gu;
/** Three or four numbers within brackets, with the marks of their type behind them or not. */
const NUMBER = String.raw`(?:\d+\.?\d*|\.\d+)`;
const TUPLE = new RegExp(String.raw`(?<=[([{]\s*)${NUMBER}[fF]?(?:\s*,\s*${NUMBER}[fF]?){2,3}(?=\s*[)\]}])`, 'g');

/** Every colour of a program's source: by the name before it on its line, and in comments. */
export function scanCode(source: SourceText, comments: CommentStyle = 'c', onPlace?: OnPlace): Scan {
  const { text } = source;
  // Strings and comments are looked for together: a mark of the one within the other begins none.
  const remarks: Span[] = [];
  const sentences: Span[] = [];
  for (const { index, 0: found } of text.matchAll(new RegExp(`${STRING}|${COMMENTS[comments]}`, 'g'))) {
    if (!/^["'`]/.test(found)) remarks.push({ from: index, to: index + found.length });
    else if (isProse(found)) sentences.push({ from: index, to: index + found.length });
  }
  const counts = new Map<string, number>();
  const stepOf = (name: string) => {
    const number = (counts.get(name) ?? 0) + 1;
    counts.set(name, number);
    return step(name, number === 1 ? null : number);
  };
  const lineBefore = (at: number) => text.slice(Math.max(text.lastIndexOf('\n', at - 1) + 1, at - 200), at);
  const asideAt = (at: number) => (covering(remarks, at) ? 'comment' : covering(sentences, at) ? 'prose' : null);
  const lists = new Lists(text, stepOf);
  const occurrences = [...literalsIn(text)].map(({ span, literal }): Occurrence => {
    const aside = asideAt(span.from);
    onPlace?.(span.from);
    if (aside === 'comment') return { span, literal, path: [], aside };
    const name = NAME.exec(lineBefore(span.from))?.[1];
    return { span, literal, path: name ? [stepOf(name)] : lists.pathTo(span), aside };
  });
  for (const { index, 0: found } of text.matchAll(TUPLE)) {
    const names = lineBefore(index).match(NAMES) ?? [];
    const name = names.find((each) => speaksOfColour(each));
    const range = name !== undefined && !/\brgba?\s*\($/i.test(lineBefore(index)) && rangeOf(found.split(',').map(parseFloat));
    const literal = range && numbersLiteral(found, range);
    if (literal)
      occurrences.push({
        span: { from: index, to: index + found.length },
        literal,
        path: [stepOf(name!)],
        aside: asideAt(index),
      });
  }
  return { occurrences: occurrences.sort((one, two) => one.span.from - two.span.from), problems: [] };
}

/** The lists of a program, in whose brackets values follow one another. */
class Lists {
  private list: { readonly step: Step; count: number } | null = null;
  private done = 0;

  constructor(
    private readonly text: string,
    private readonly stepOf: (name: string) => Step,
  ) {}

  /** The way to a value without a name of its own; values come in the order of the text. */
  pathTo({ from, to }: Span): Step[] {
    const open = this.bracketBefore(from);
    if (open !== null) {
      const before = this.text.slice(Math.max(this.text.lastIndexOf('\n', open - 1) + 1, open - 200), open);
      this.list = { step: this.stepOf(LIST_NAME.exec(before)?.[1] ?? ''), count: 0 };
    }
    this.done = to;
    if (!this.list) return [this.stepOf('')];
    // Its quotes belong to it, so that an entry can be repeated as it stands.
    const quoted = /["'`]/.test(this.text[from - 1] ?? '') && this.text[from - 1] === this.text[to];
    const extent = quoted ? { from: from - 1, to: to + 1 } : { from, to };
    return [this.list.step, step('', ++this.list.count, extent)];
  }

  /** Where the bracket about a value opens, unless it is that of the value before; what stands in none is in no list. */
  private bracketBefore(from: number): number | null {
    for (let at = from - 1; at >= this.done; at--) {
      const sign = this.text[at]!;
      if ('[{('.includes(sign)) return at;
      if (')]};='.includes(sign)) {
        this.list = null;
        return null;
      }
    }
    return null;
  }
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
