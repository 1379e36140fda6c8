import { SaxesParser } from 'saxes';
import { COLOURED, literalsIn, occurrencesOf, type Occurrence, type Scan } from './occurrence';
import { problem, type Problem } from './problem';
import { type SourceText, type Span } from './source-text';

/** A text in an XML document, as the document means it, and where its characters stand. */
export interface XmlText {
  readonly value: string;
  readonly span: Span;
}

export interface XmlElement {
  /** Without its namespace prefix. */
  readonly name: string;
  /** By name without prefix; declarations of namespaces are left out. */
  readonly attributes: ReadonlyMap<string, XmlText>;
  /** Where its tag begins. */
  readonly at: number;
  /** Names of the elements around it, the outermost first. */
  readonly within: readonly string[];
}

export interface XmlHandlers {
  readonly element?: (element: XmlElement) => void;
  /** Called when an element ends, with the names of those around it. */
  readonly end?: (name: string, within: readonly string[]) => void;
  readonly text?: (text: XmlText, within: readonly string[]) => void;
  readonly comment?: (text: XmlText, within: readonly string[]) => void;
}

/** Elements within elements beyond this are no document that anybody wrote. */
const DEEPEST = 1_000;

/**
 * Walks XML in one pass. Entities that a document declares are never expanded, and nothing it names is fetched: the
 * parser does neither. @returns the first fault, where reading stopped; null when the document is whole.
 */
export function walkXml(source: SourceText, handlers: XmlHandlers): Problem | null {
  const { text } = source;
  const parser = new SaxesParser({ position: true });
  const within: string[] = [];
  let fault: Problem | null = null;
  let attributes = new Map<string, XmlText>();
  let tag = 0;
  /** Where the last piece of markup ended, and with it the next text begins. */
  let after = 0;
  const told = (message: string) => {
    fault ??= problem(message, source.placeOf(Math.min(parser.position, text.length)));
  };
  parser.on('error', (error) => told(`This is not whole XML: ${error.message.replace(/^(?:[^:]*:)?\d+:\d+: /, '')}`));
  parser.on('opentagstart', () => {
    attributes = new Map();
    tag = text.lastIndexOf('<', parser.position - 1);
  });
  parser.on('attribute', ({ name, value }) => {
    if (/^xmlns(?::|$)/.test(name)) return;
    const to = parser.position - 1;
    const from = text.lastIndexOf(text[to]!, to - 1) + 1;
    attributes.set(local(name), { value, span: { from, to } });
  });
  parser.on('opentag', ({ name }) => {
    after = parser.position;
    if (within.length >= DEEPEST) told(`This XML is nested more than ${DEEPEST} levels deep, so it was not read further.`);
    if (!fault) handlers.element?.({ name: local(name), attributes, at: tag, within });
    within.push(local(name));
  });
  parser.on('closetag', ({ name }) => {
    after = parser.position;
    within.pop();
    if (!fault) handlers.end?.(local(name), within);
  });
  const give = (handler: XmlHandlers['text'], value: string, from: number, to: number) => {
    if (!fault) handler?.({ value, span: { from, to } }, within);
    after = parser.position;
  };
  parser.on('text', (value) => give(handlers.text, value, after, Math.max(after, parser.position - 1)));
  parser.on('cdata', (value) => {
    const to = parser.position - 3;
    give(handlers.text, value, text.lastIndexOf('<![CDATA[', to) + 9, to);
  });
  parser.on('comment', (value) => {
    const to = parser.position - 2;
    give(handlers.comment, value, Math.max(0, to - value.length), to);
    after = parser.position + 1;
  });
  for (const event of ['processinginstruction', 'xmldecl', 'doctype'] as const) {
    parser.on(event, () => (after = parser.position));
  }
  // In pieces, so that a fault early in a large file ends the work early.
  const PIECE = 65_536;
  for (let at = 0; at < text.length && !fault; at += PIECE) parser.write(text.slice(at, at + PIECE));
  if (!fault) parser.close();
  return fault;
}

function local(name: string): string {
  return name.slice(name.indexOf(':') + 1);
}

/** Every colour of an XML document: in attributes, in text, and in comments. */
export function scanXml(source: SourceText): Scan {
  const occurrences: Occurrence[] = [];
  const take = ({ value, span }: XmlText, path: readonly string[]) =>
    occurrences.push(...occurrencesOf(value, span, source.textOf(span), path, COLOURED.test(path.at(-1)!)));
  const fault = walkXml(source, {
    element({ name, attributes, within }) {
      for (const [attribute, value] of attributes) take(value, [...within, name, `@${attribute}`]);
    },
    text(text, within) {
      if (text.value.trim() !== '' && within.length > 0) take(text, [...within]);
    },
    comment({ span }, within) {
      for (const found of literalsIn(source.textOf(span), span.from))
        occurrences.push({ ...found, path: [...within], comment: true });
    },
  });
  return { occurrences, problems: fault ? [fault] : [] };
}
