import { SaxesParser } from 'saxes';
import type { Problem } from '../formats/kit/format';
import { problem } from '../intake/reading';

export interface XmlElement {
  /** Without its namespace prefix. */
  readonly name: string;
  /** By name without prefix; declarations of namespaces are left out. */
  readonly attributes: Readonly<Record<string, string>>;
  readonly line: number;
  readonly column: number;
  /** Names of the elements around it, the outermost first. */
  readonly within: readonly string[];
}

/**
 * Walks XML in one pass. Entities that a document declares are never expanded, and nothing it names is fetched: the
 * parser does neither. @returns the first fault, where reading stopped; null when the document is whole.
 */
export function walkXml(
  text: string,
  onElement: (element: XmlElement) => void,
  onText?: (text: string, within: readonly string[]) => void,
): Problem | null {
  const parser = new SaxesParser({ position: true });
  const within: string[] = [];
  let fault: Problem | null = null;
  parser.on('error', (error) => {
    const sentence = error.message.replace(/^(?:[^:]*:)?\d+:\d+: /, '');
    fault ??= problem(`This is not whole XML: ${sentence}`, parser.line, parser.column + 1);
  });
  parser.on('opentag', (tag) => {
    const attributes: Record<string, string> = Object.create(null) as Record<string, string>;
    for (const [key, value] of Object.entries(tag.attributes as Record<string, string>)) {
      if (!/^xmlns(?::|$)/.test(key)) attributes[local(key)] = value;
    }
    if (!fault) onElement({ name: local(tag.name), attributes, line: parser.line, column: Math.max(1, parser.column), within });
    within.push(local(tag.name));
  });
  parser.on('closetag', () => void within.pop());
  const give = (part: string) => !fault && onText?.(part, within);
  parser.on('text', give);
  parser.on('cdata', give);
  // In pieces, so that a fault early in a large file ends the work early.
  const PIECE = 65_536;
  for (let at = 0; at < text.length && !fault; at += PIECE) parser.write(text.slice(at, at + PIECE));
  if (!fault) parser.close();
  return fault;
}

function local(name: string): string {
  return name.slice(name.indexOf(':') + 1);
}

/** A text as it stands in an attribute or an element. The two characters that XML 1.0 forbids, control characters aside, are replaced. */
export function escapeXml(text: string): string {
  return text.replace(/[\ufffe\uffff]/g, '\ufffd').replace(/[<>&"']/g, (character) => `&#${character.charCodeAt(0)};`);
}

/** Text of a file whose encoding is told by its first bytes; UTF-8 otherwise. */
export function decodeXml(bytes: Uint8Array): string {
  const [a, b] = bytes;
  const encoding = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
  return new TextDecoder(encoding).decode(bytes);
}
