import { isProse, literalsIn, step, type Occurrence, type OnPlace, type Scan } from './occurrence';
import type { SourceText } from './source-text';

/** Every code and function of a text without any structure but its lines; those within sentences are only spoken of. */
export function scanPlain(source: SourceText, onPlace?: OnPlace): Scan {
  const occurrences: Occurrence[] = [];
  let line = 0;
  for (const { span, literal } of literalsIn(source.text)) {
    line = source.placeOf(span.from).line;
    onPlace?.(span.from);
    const stretch = source.lineSpan(line);
    // Of a very long line what stands about the colour is enough to tell a sentence.
    const around = source.text.slice(Math.max(stretch.from, span.from - 200), Math.min(stretch.to, span.to + 200));
    occurrences.push({ span, literal, path: [step('line', line)], aside: isProse(around) ? 'prose' : null });
  }
  return { occurrences, problems: [] };
}
