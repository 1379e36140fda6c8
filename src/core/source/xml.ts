import { SaxesParser } from 'saxes';
import { commentOccurrences, step, valueOccurrences, type Occurrence, type OnPlace, type Scan, type Step } from './occurrence';
import { speaksOfColour } from './speaks-of-colour';
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
  /** Called when an element ends, with the names of those around it, and where its last tag ends. */
  readonly end?: (name: string, within: readonly string[], to: number) => void;
  readonly text?: (text: XmlText, within: readonly string[]) => void;
  readonly comment?: (text: XmlText, within: readonly string[]) => void;
}

/** Elements within elements beyond this are no document that anybody wrote. */
const DEEPEST = 1_000;

/**
 * Walks XML in one pass. Entities that a document declares are never expanded, and nothing it names is fetched: the
 * parser does neither. @returns the first fault, where reading stopped; null when the document is whole.
 */
export function walkXml(source: SourceText, handlers: XmlHandlers, onPlace?: OnPlace): Problem | null {
  const { text } = source;
  const parser = new SaxesParser({ position: true });
  const within: string[] = [];
  let fault: Problem | null = null;
  let attributes = new Map<string, XmlText>();
  /** Where the last piece of markup ended, and with it the next text begins. */
  let after = 0;
  const told = (message: string) => {
    fault ??= problem(message, source.placeOf(Math.min(parser.position, text.length)));
  };
  // Six handlers and no more: with a seventh, engines keep the parser's fields in a dictionary, and it is five times slower.
  parser.on('attribute', ({ name, value }) => {
    if (/^xmlns(?::|$)/.test(name)) return;
    const to = parser.position - 1;
    const from = text.lastIndexOf(text[to]!, to - 1) + 1;
    attributes.set(local(name), { value, span: { from, to } });
  });
  parser.on('opentag', ({ name }) => {
    after = parser.position;
    if (within.length >= DEEPEST) told(`This XML is nested more than ${DEEPEST} levels deep, so it was not read further.`);
    // A < within a tag would be no XML, so the last one is where this tag begins.
    if (!fault) handlers.element?.({ name: local(name), attributes, at: text.lastIndexOf('<', after - 1), within });
    attributes = new Map();
    within.push(local(name));
  });
  parser.on('closetag', ({ name }) => {
    after = parser.position;
    within.pop();
    if (!fault) handlers.end?.(local(name), within, after);
  });
  const give = (handler: XmlHandlers['text'], value: string, from: number, to: number) => {
    if (!fault) handler?.({ value, span: { from, to } }, within);
    after = to;
  };
  parser.on('text', (value) => {
    // Instructions stand between texts without being told.
    while (text.startsWith('<?', after)) after = text.indexOf('?>', after) + 2;
    give(handlers.text, value, after, Math.max(after, parser.position - 1));
  });
  parser.on('cdata', (value) => {
    const to = parser.position - 3;
    give(handlers.text, value, text.lastIndexOf('<![CDATA[', to) + 9, to);
    after = parser.position;
  });
  parser.on('comment', (value) => {
    const to = parser.position - 2;
    give(handlers.comment, value, Math.max(0, to - value.length), to);
    after = parser.position + 1;
  });
  try {
    // In pieces, so that a fault early in a large file ends the work early.
    const PIECE = 65_536;
    for (let at = 0; at < text.length && !fault; at += PIECE) {
      parser.write(text.slice(at, at + PIECE));
      onPlace?.(at);
    }
    if (!fault) parser.close();
  } catch (error) {
    // Without a handler for them the parser throws what is wrong with the document, as plain errors; any other is a bug.
    if (!(error instanceof Error) || error.constructor !== Error) throw error;
    told(`This is not whole XML: ${error.message.replace(/^(?:[^:]*:)?\d+:\d+: /, '')}`);
  }
  return fault;
}

function local(name: string): string {
  return name.slice(name.indexOf(':') + 1);
}

/** An element that is open while its inside is walked. */
interface Open {
  readonly step: Step;
  /** How many of each name are in it so far. */
  readonly counts: Map<string, number>;
}

/** Every colour of an XML document: in attributes, in text, and in comments. */
export function scanXml(source: SourceText, onPlace?: OnPlace): Scan {
  const occurrences: Occurrence[] = [];
  const top = new Map<string, number>();
  const open: Open[] = [];
  const path = () => open.map(({ step }) => step);
  const take = ({ value, span }: XmlText, key: string, attribute: Step | null) => {
    const { label } = open.at(-1)!.step;
    // `<entry key="ink.colour" value="…"/>`: what it is called says what its value is.
    const coloured = speaksOfColour(key) || ((!attribute || /^(?:value|val|data|default)$/i.test(key)) && speaksOfColour(label));
    const raw = source.textOf(span);
    const found = valueOccurrences({ value, raw, from: span.from, path: NOWHERE, coloured, key });
    if (found.length === 0) return;
    const here = attribute ? [...path(), attribute] : path();
    for (const each of found) occurrences.push({ ...each, path: here });
  };
  const handlers: XmlHandlers = {
    element({ name, attributes, at }) {
      const counts = open.at(-1)?.counts ?? top;
      const number = (counts.get(name) ?? 0) + 1;
      counts.set(name, number);
      const element = step(name, number, { from: at, to: at });
      open.push({ step: element, counts: new Map() });
      // An attribute of such a name may be a colour itself: the `title` of a chart.
      for (const key of NAMING)
        if (!CODE.test(attributes.get(key)?.value ?? '')) element.label ||= attributes.get(key)?.value ?? '';
      for (const [key, value] of attributes) take(value, key, step(`@${key}`));
    },
    end(_name, _within, to) {
      const { step: element } = open.pop()!;
      element.extent = { from: element.extent!.from, to };
    },
    text(text) {
      const element = open.at(-1);
      if (element && text.value.trim() !== '') take(text, element.step.key, null);
    },
    comment({ span }) {
      occurrences.push(...commentOccurrences(source.textOf(span), span.from, path()));
    },
  };
  const fault = walkXml(source, handlers, onPlace);
  return { occurrences, problems: fault ? [fault] : [] };
}

const NOWHERE: readonly Step[] = [];
/** How the colours of settings files begin. */
const CODE = /^(?:#[0-9a-f]{3,8}$|0x|rgb|hsl)/i;
/** Attributes by which an element says what it is called, the likeliest first. */
const NAMING = ['name', 'key', 'id', 'label', 'title'] as const;
