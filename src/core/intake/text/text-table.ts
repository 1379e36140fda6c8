import type { Problem } from '../../source/problem';
import type { EntryParts } from '../intake';
import { headingsOf } from '../tables/headings';
import type { TableCell, TableRow } from '../tables/table';
import { tableEntries } from '../tables/table-entries';
import type { TextLine } from './text-lines';

/** What parts the columns of a table in a text. */
const PARTINGS: readonly RegExp[] = [/\t/g, /\|/g, /\s{2,}/g, /;/g];
/** Fewer columns are a list, which is read line by line. */
const FEWEST = 3;
const LONGEST_HEADING = 300;

/** Tables with a row of headings that stand in a text, and the lines they take. A blank line ends one. */
export function textTables(lines: readonly TextLine[]): { entries: EntryParts[]; problems: Problem[]; used: Set<number> } {
  const entries: EntryParts[] = [];
  const problems: Problem[] = [];
  const used = new Set<number>();
  for (let at = 0; at < lines.length; at++) {
    const heading = lines[at]!;
    // Headings speak of colour, and nothing else has to be looked at closer.
    if (heading.text.length > LONGEST_HEADING || !/hex|rgb|cmyk|red|html|code/i.test(heading.text)) continue;
    const parting = PARTINGS.find((mark) => {
      const row = rowOf(heading, mark);
      return row.cells.filter((cell) => cell?.text.trim()).length >= FEWEST && headingsOf([row]) !== null;
    });
    if (!parting) continue;
    let end = at + 1;
    while (end < lines.length && lines[end]!.text.trim() !== '') end++;
    if (end === at + 1) continue;
    const rows = lines.slice(at, end).filter(({ text }) => !/^[\s|:+=-]+$/.test(text));
    const read = tableEntries(rows.map((line) => rowOf(line, parting)));
    const starts = new Map(rows.map(({ number, from }) => [number, from]));
    entries.push(
      ...read.entries.map((entry) => ({
        ...entry,
        column: (entry.span?.from ?? starts.get(entry.line)!) - starts.get(entry.line)! + 1,
      })),
    );
    problems.push(...read.problems);
    for (let n = at; n < end; n++) used.add(n);
    at = end;
  }
  return { entries, problems, used };
}

function rowOf({ number, from, text }: TextLine, parting: RegExp): TableRow {
  const cells: TableCell[] = [];
  let start = 0;
  const put = (end: number) => {
    const raw = text.slice(start, end);
    const lead = raw.length - raw.trimStart().length;
    cells.push({ text: raw.trim(), span: { from: from + start + lead, to: from + start + lead + raw.trim().length } });
  };
  for (const { index, 0: mark } of text.matchAll(parting)) {
    put(index);
    start = index + mark.length;
  }
  put(text.length);
  // A table of pipes has them at both ends too.
  return { line: number, cells: parting.source === '\\|' && cells[0]!.text === '' ? cells.slice(1) : cells };
}
