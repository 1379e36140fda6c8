import { SaxesParser } from 'saxes';

export interface XmlStreamHandlers {
  /** Names are without their prefixes. */
  readonly open: (name: string, attribute: (name: string) => string | undefined) => void;
  readonly close: (name: string) => void;
  readonly text: (text: string) => void;
}

/**
 * XML that comes in pieces of bytes and is too large to be kept: a part of an office file. Places are not known. Like
 * `walkXml` it expands no entity of the document's and fetches nothing.
 */
export class XmlStream {
  /** The first fault; nothing is told after it. */
  fault: string | null = null;
  private decoder: TextDecoder | null = null;
  private readonly parser = new SaxesParser({ position: false });

  constructor(handlers: XmlStreamHandlers) {
    const { parser } = this;
    parser.on('error', (error) => (this.fault ??= error.message));
    parser.on('opentag', ({ name, attributes }) => {
      if (this.fault === null) handlers.open(local(name), (key) => (attributes as Record<string, string>)[key]);
    });
    parser.on('closetag', ({ name }) => {
      if (this.fault === null) handlers.close(local(name));
    });
    const text = (part: string) => {
      if (this.fault === null) handlers.text(part);
    };
    parser.on('text', text);
    parser.on('cdata', text);
  }

  write(piece: Uint8Array, last: boolean): void {
    if (this.fault !== null) return;
    this.decoder ??= new TextDecoder(encodingOf(piece));
    this.parser.write(this.decoder.decode(piece, { stream: !last }));
    if (last && this.fault === null) this.parser.close();
  }
}

function encodingOf([a, b]: Uint8Array): string {
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  return a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
}

function local(name: string): string {
  return name.slice(name.indexOf(':') + 1);
}
