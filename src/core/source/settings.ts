import { integerLiteral, numbersLiteral } from './literal';
import { COLOURED, literalsIn, occurrencesOf, type Occurrence, type Scan } from './occurrence';
import type { SourceText } from './source-text';

const SECTION = /^\s*\[\s*([^\]]+?)\s*\]/;
const COMMENT = /^\s*[;#!]/;
/** Key and value of INI and property files: `=`, `:` or, in the latter, white space between them. */
const PAIR = /^(\s*([^\s=:][^=:]*?)\s*[=:]\s*)(.*)$/;
const TRIPLE = /^\d{1,3}\s*,\s*\d{1,3}\s*,\s*\d{1,3}(?:\s*,\s*\d{1,3})?$/;

/** Every colour of a file of settings, INI or properties: values by section and key, and comments. */
export function scanSettings(source: SourceText): Scan {
  const occurrences: Occurrence[] = [];
  let section: readonly string[] = [];
  for (let number = 1; number <= source.lineCount; number++) {
    const span = source.lineSpan(number);
    const line = source.textOf(span);
    const head = SECTION.exec(line);
    if (head) section = [head[1]!];
    else if (COMMENT.test(line)) {
      for (const found of literalsIn(line, span.from)) occurrences.push({ ...found, path: section, comment: true });
    } else {
      const pair = PAIR.exec(line);
      if (!pair) continue;
      const [, lead, key, value] = pair as unknown as [string, string, string, string];
      occurrences.push(...valueOccurrences(value, span.from + lead.length, [...section, key]));
    }
  }
  return { occurrences, problems: [] };
}

/** The colours of one value; numbers only where the key speaks of colour. */
function valueOccurrences(value: string, from: number, path: readonly string[]): Occurrence[] {
  const coloured = path.some((step) => COLOURED.test(step));
  const text = value.trim();
  const start = from + value.indexOf(text);
  const span = { from: start, to: start + text.length };
  if (coloured && TRIPLE.test(text)) {
    const literal = numbersLiteral(text, 'bytes');
    return literal ? [{ span, path, literal, comment: false }] : [];
  }
  if (coloured && /^\d{4,8}$/.test(text)) {
    const literal = integerLiteral(text, 'rgb');
    return literal ? [{ span, path, literal, comment: false }] : [];
  }
  return occurrencesOf(value, { from, to: from + value.length }, value, path, coloured);
}
