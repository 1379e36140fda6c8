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
import { speaksOfColour } from './speaks-of-colour';

const SECTION = /^\s*\[{1,2}\s*([^\]]+?)\s*\]{1,2}\s*(?:[#;].*)?$/;
const COMMENT = /^\s*[;#!]/;
/** Key and value of INI, property and TOML files: `=`, `:` or, in property files, white space between them. */
const PAIR = /^(\s*([^\s=:[\]{}][^=:]*?)\s*[=:]\s*)(.*)$/;
/** A value in quotes, and what may follow it. */
const QUOTED = /^("(?:[^"\\]|\\.)*"|'[^']*')\s*,?\s*(?:[#;].*)?$/;
/** Where a comment begins behind a value: after white space, and no code of a colour. */
const TRAILING = /\s(?:;|#(?![0-9a-f]{3,8}\b)|#(?=[0-9a-f]{3,8}\s+\w)).*$/i;

/** Every colour of a file of settings, INI, properties or TOML: values by section and key, and comments. */
export function scanSettings(source: SourceText, onPlace?: OnPlace): Scan {
  const occurrences: Occurrence[] = [];
  const counts = new Map<string, number>();
  let section: Step | null = null;
  let name = '';
  /** The key whose value goes on in the lines below, and how many of its entries have been. */
  let going: { readonly key: string; count: number } | null = null;
  for (let number = 1; number <= source.lineCount; number++) {
    const { from, to } = source.lineSpan(number);
    const line = source.textOf({ from, to });
    onPlace?.(from);
    if (line.length > LONGEST_LINE) {
      for (const found of literalsIn(line, from)) occurrences.push({ ...found, path: section ? [section] : [], aside: null });
      continue;
    }
    const head = SECTION.exec(line);
    const path = section ? [section] : [];
    if (head && !going) {
      name = head[1]!;
      const count = (counts.get(name) ?? 0) + 1;
      counts.set(name, count);
      section = step(name, count === 1 ? null : count);
    } else if (COMMENT.test(line) && !/^\s*#[0-9a-f]{3,8}\s*[,\]]/i.test(line))
      occurrences.push(...commentOccurrences(line, from, path));
    else if (going) {
      const text = line.trim();
      if (/^[\])}],?$/.test(text)) going = null;
      else {
        const entry = step('', ++going.count, {
          from: from + line.indexOf(text),
          to: from + line.indexOf(text) + text.replace(/,$/, '').length,
        });
        push(line, from, [...path, step(going.key), entry], going.key);
      }
    } else {
      const pair = PAIR.exec(line);
      if (!pair) continue;
      const [, lead, key, value] = pair as unknown as [string, string, string, string];
      if (/^[[({]\s*$/.test(value)) going = { key, count: 0 };
      else push(value, from + lead.length, [...path, step(key)], key);
    }
  }
  return { occurrences, problems: [] };

  function push(value: string, from: number, path: readonly Step[], key: string): void {
    const quoted = QUOTED.exec(value.trim())?.[1];
    const text = quoted ?? value;
    const cut = quoted ? null : TRAILING.exec(text);
    const start = from + value.indexOf(text) + (quoted ? 1 : 0);
    const raw = quoted ? quoted.slice(1, -1) : text.slice(0, cut?.index).replace(/,\s*$/, '');
    occurrences.push(...valueOccurrences({ value: raw, raw, from: start, path, key, coloured: speaksOfColour(key, name) }));
    const behind = quoted ? value.indexOf(quoted) + quoted.length : (cut?.index ?? value.length);
    occurrences.push(...commentOccurrences(value.slice(behind), from + behind, path));
  }
}
