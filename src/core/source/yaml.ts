import {
  commentOccurrences,
  literalsIn,
  LONGEST_LINE,
  step,
  valueOccurrences,
  type Occurrence,
  type OnPlace,
  type Scan,
  type Step,
} from './occurrence';
import type { SourceText } from './source-text';
import { isForPeople, speaksOfColour } from './speaks-of-colour';

/** A line's indentation, the dashes of the lists that begin in it, its key, and the rest (YAML 1.2.2, chapter 8). */
const LINE =
  /^(\s*)((?:-\s+)*)(?:("(?:[^"\\]|\\.)*"|'[^']*'|[^\s#"'&*!|>{}[\],:?-][^#:]*?|[^\s#:][^#:\s]*)\s*:(?=\s|$))?\s*(.*)$/;
const QUOTED = /^("(?:[^"\\]|\\.)*"|'(?:[^']|'')*')/;
/** A comment begins a line or stands behind white space, also one that looks like a code. */
const COMMENT = /(?:^|\s)#.*$/;

/** A line that is still open: all that is indented further stands in it. */
interface Open {
  readonly indent: number;
  readonly step: Step;
  /** How many entries of a list stood directly in it. */
  count: number;
}

/**
 * Every colour of a YAML file, line by line: block lists and mappings by their indentation, values in one line as they
 * stand. A parser that builds the whole tree takes minutes for some megabytes; colours need no more than this.
 */
export function scanYaml(source: SourceText, onPlace?: OnPlace): Scan {
  const occurrences: Occurrence[] = [];
  const open: Open[] = [{ indent: -1, step: step(''), count: 0 }];
  /** Lines indented further than this belong to a text of several lines. */
  let block: number | null = null;
  for (let number = 1; number <= source.lineCount; number++) {
    const { from, to } = source.lineSpan(number);
    const line = source.textOf({ from, to });
    onPlace?.(from);
    if (line.length > LONGEST_LINE) {
      for (const found of literalsIn(line, from))
        occurrences.push({ ...found, path: open.slice(1).map(({ step: each }) => each), aside: null });
      continue;
    }
    if (line.trim() === '') continue;
    const [, space, dashes, key, rest] = LINE.exec(line)! as unknown as [string, string, string, string | undefined, string];
    const path = () => open.slice(1).map(({ step: each }) => each);
    if (block !== null && space.length > block) {
      push(line, from, path(), keyAt(-1), keyAt(-2));
      continue;
    }
    block = null;
    if (
      space.length + dashes.length === line.length - rest.length &&
      rest.startsWith('#') &&
      key === undefined &&
      dashes === ''
    ) {
      occurrences.push(...commentOccurrences(line, from, path()));
      continue;
    }
    let column = space.length;
    while (
      open.length > 1 &&
      open.at(-1)!.indent >= column &&
      !(dashes !== '' && open.at(-1)!.indent === column && open.at(-1)!.step.key !== '')
    )
      open.pop();
    for (const dash of dashes.match(/-\s+/g) ?? []) {
      const at = ++open.at(-1)!.count;
      open.push({ indent: column, step: step('', at, { from: from + column, to }), count: 0 });
      column += dash.length;
    }
    if (key !== undefined) {
      const named = key.replace(/^(["'])(.*)\1$/, '$2');
      open.push({ indent: column, step: step(named), count: 0 });
    }
    const start = from + line.length - rest.length;
    const comment = QUOTED.test(rest) ? rest.slice(QUOTED.exec(rest)![0].length) : (COMMENT.exec(rest)?.[0] ?? '');
    const value = rest.slice(0, rest.length - comment.length);
    if (/^[|>][+-]?\d?\s*$/.test(value)) block = space.length;
    else if (value !== '') push(value, start, path(), keyAt(-1), keyAt(-2));
    if (comment.includes('#')) occurrences.push(...commentOccurrences(comment, start + value.length, path()));
  }
  return { occurrences, problems: [] };

  /** The innermost key, or the one around it; entries of lists have none. */
  function keyAt(place: -1 | -2): string {
    return open.filter(({ step: { key } }) => key !== '').at(place)?.step.key ?? '';
  }

  function push(text: string, from: number, path: readonly Step[], key: string, around: string): void {
    const quoted = QUOTED.exec(text)?.[0];
    const [raw, start] = quoted ? [quoted.slice(1, -1), from + 1] : [text, from];
    if (/^(?:name|id|key|label|title)$/i.test(key)) {
      const holder = path.at(-2);
      if (holder) holder.label ||= raw.trim();
    }
    const coloured = !isForPeople(key) && speaksOfColour(key, around);
    occurrences.push(...valueOccurrences({ value: raw, raw, from: start, path, key, coloured }));
  }
}
