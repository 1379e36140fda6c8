/** How the characters of a source are kept as bytes. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'latin-1';

/** A stretch of a source's text: UTF-16 units from its beginning, the end left out. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Line and column of a place, both from 1; columns count UTF-16 units, as editors do. */
export interface Place {
  readonly line: number;
  readonly column: number;
}

/** Other characters for a stretch of a source. */
export interface Edit {
  readonly span: Span;
  readonly text: string;
}

/** A byte that is no part of any character is shown as this, and counts as one unit of text. */
const UNDECODABLE = '\ufffd';
/** So many units lie between two remembered byte offsets. */
const STRIDE = 128;

/**
 * A text as it arrived: its bytes, what they say, and how places in the one are found in the other. Writing colours into
 * it changes their bytes and no others, so what could not be decoded is still there afterwards.
 */
export class SourceText {
  private starts: number[] | null = null;
  private offsets: Uint32Array | null = null;

  private constructor(
    readonly bytes: Uint8Array,
    readonly encoding: Encoding,
    /** Length of the byte order mark: 0, 2 or 3. */
    readonly mark: number,
    readonly text: string,
    /** Places in the text, in order, that stand for one undecodable byte each. */
    private readonly undecodable: readonly number[],
  ) {}

  /**
   * Tells the encoding from a byte order mark (Unicode 15, 23.8), from zero bytes at every other place, or from whether
   * the bytes are UTF-8; what is neither is Latin-1, of which every byte is a character (ISO/IEC 8859-1).
   * @returns null when the bytes are no text at all
   */
  static of(bytes: Uint8Array): SourceText | null {
    const wide = wideEncoding(bytes);
    if (wide) {
      const mark = bytes[0] === 0xfe || bytes[0] === 0xff ? 2 : 0;
      const whole = bytes.length - ((bytes.length - mark) % 2);
      return new SourceText(bytes, wide, mark, utf16Text(bytes.subarray(mark, whole), wide === 'utf-16le'), []);
    }
    if (bytes.includes(0)) return null;
    const mark = bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf ? 3 : 0;
    const body = bytes.subarray(mark);
    const whole = new TextDecoder('utf-8', { ignoreBOM: true }).decode(body);
    // The sign for what cannot be decoded may also stand in the text itself, so its absence alone says enough.
    if (!whole.includes(UNDECODABLE)) return new SourceText(bytes, 'utf-8', mark, whole, []);
    const parted = damagedUtf8(body);
    if (mark > 0 || parted.undecodable.length === 0 || parted.sequences > parted.undecodable.length)
      return new SourceText(bytes, 'utf-8', mark, parted.text, parted.undecodable);
    return new SourceText(bytes, 'latin-1', 0, latin1(bytes), []);
  }

  /** A source made of a text that never was a file, such as one that was pasted. */
  static ofText(text: string): SourceText {
    return new SourceText(new TextEncoder().encode(text), 'utf-8', 0, text, []);
  }

  get lineCount(): number {
    return this.lines().length;
  }

  placeOf(offset: number): Place {
    const starts = this.lines();
    const line = lastAtMost(starts, offset);
    return { line: line + 1, column: offset - starts[line]! + 1 };
  }

  /** Where a line stands in the text, from 1; its line break is left out. */
  lineSpan(line: number): Span {
    const starts = this.lines();
    const from = starts[line - 1]!;
    let to = starts[line] ?? this.text.length;
    while (to > from && (this.text[to - 1] === '\n' || this.text[to - 1] === '\r')) to--;
    return { from, to };
  }

  textOf({ from, to }: Span): string {
    return this.text.slice(from, to);
  }

  /** Where in the bytes a place of the text begins. */
  byteOffset(offset: number): number {
    if (this.encoding === 'latin-1') return offset;
    if (this.encoding !== 'utf-8') return this.mark + offset * 2;
    // As many bytes as units: each is one.
    if (this.text.length === this.bytes.length - this.mark) return this.mark + offset;
    const known = this.byteOffsets();
    const block = Math.floor(offset / STRIDE);
    return known[block]! + this.utf8Length(block * STRIDE, offset);
  }

  /** How many bytes a text takes in the source's encoding. */
  lengthOf(text: string): number {
    return this.encoded(text).length;
  }

  /**
   * The bytes with other characters at some places, and all other bytes as they were.
   * @param edits none within another
   * @throws RangeError when a character is asked for that the encoding has not, or two edits overlap
   */
  rewritten(edits: readonly Edit[]): Uint8Array {
    const ordered = [...edits].sort((one, two) => one.span.from - two.span.from);
    const parts: Uint8Array[] = [];
    let done = 0;
    for (const { span, text } of ordered) {
      const [from, to] = [this.byteOffset(span.from), this.byteOffset(span.to)];
      if (from < done) throw new RangeError(`Two edits meet at ${span.from}.`);
      parts.push(this.bytes.subarray(done, from), this.encoded(text));
      done = to;
    }
    parts.push(this.bytes.subarray(done));
    const result = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
    let at = 0;
    for (const part of parts) {
      result.set(part, at);
      at += part.length;
    }
    return result;
  }

  private encoded(text: string): Uint8Array {
    if (this.encoding === 'utf-8') return new TextEncoder().encode(text);
    if (this.encoding === 'latin-1') {
      return Uint8Array.from(text, (character) => {
        const code = character.codePointAt(0)!;
        if (code > 255) throw new RangeError(`Latin-1 has no “${character}”.`);
        return code;
      });
    }
    const bytes = new Uint8Array(text.length * 2);
    const view = new DataView(bytes.buffer);
    for (let at = 0; at < text.length; at++) view.setUint16(at * 2, text.charCodeAt(at), this.encoding === 'utf-16le');
    return bytes;
  }

  /** Offsets at which the lines begin; breaks are LF, CR or both. */
  private lines(): number[] {
    if (this.starts) return this.starts;
    const starts = [0];
    for (const { index, 0: end } of this.text.matchAll(/\r\n|\r|\n/g)) starts.push(index + end.length);
    return (this.starts = starts);
  }

  private byteOffsets(): Uint32Array {
    if (this.offsets) return this.offsets;
    const offsets = new Uint32Array(Math.floor(this.text.length / STRIDE) + 1);
    offsets[0] = this.mark;
    for (let block = 1; block < offsets.length; block++) {
      offsets[block] = offsets[block - 1]! + this.utf8Length((block - 1) * STRIDE, block * STRIDE);
    }
    return (this.offsets = offsets);
  }

  /** Bytes of a stretch of the text in UTF-8. */
  private utf8Length(from: number, to: number): number {
    let length = 0;
    for (let at = from; at < to; at++) {
      const unit = this.text.charCodeAt(at);
      // Two units beyond the first plane are four bytes, so each counts as two.
      length += unit < 0x80 ? 1 : unit < 0x800 || (unit >= 0xd800 && unit <= 0xdfff) ? 2 : 3;
    }
    const first = lastAtMost(this.undecodable, from - 1) + 1;
    for (let n = first; n < this.undecodable.length && this.undecodable[n]! < to; n++) length -= 2;
    return length;
  }
}

function wideEncoding(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  // Without a mark: ASCII characters, of which any settings file has many, have a zero beside each.
  const head = bytes.subarray(0, 256 - (bytes.length % 2));
  if (head.length < 4) return null;
  let [even, odd] = [0, 0];
  for (let at = 0; at + 1 < head.length; at += 2) {
    if (head[at] === 0) even++;
    if (head[at + 1] === 0) odd++;
  }
  const half = Math.floor(head.length / 2);
  if (odd > half * 0.7 && even === 0) return 'utf-16le';
  return even > half * 0.7 && odd === 0 ? 'utf-16be' : null;
}

/** Units one by one: a decoder would replace halves of characters, and they would be lost. */
function utf16Text(bytes: Uint8Array, little: boolean): string {
  const units = new Uint16Array(bytes.length >> 1);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 0; at < units.length; at++) units[at] = view.getUint16(at * 2, little);
  return fromUnits(units);
}

function latin1(bytes: Uint8Array): string {
  return fromUnits(bytes);
}

function fromUnits(units: Uint16Array | Uint8Array): string {
  const parts: string[] = [];
  // Arguments lie on the stack, so not all at once.
  for (let at = 0; at < units.length; at += 8_192) parts.push(String.fromCharCode(...units.subarray(at, at + 8_192)));
  return parts.join('');
}

/** UTF-8 with bytes among it that are none: each of those by itself, and how many sequences of several bytes are whole. */
function damagedUtf8(bytes: Uint8Array): { text: string; undecodable: number[]; sequences: number } {
  const decoder = new TextDecoder('utf-8', { ignoreBOM: true });
  const parts: string[] = [];
  const undecodable: number[] = [];
  let length = 0;
  let sequences = 0;
  let start = 0;
  const flush = (end: number) => {
    if (end === start) return;
    const part = decoder.decode(bytes.subarray(start, end));
    parts.push(part);
    length += part.length;
  };
  for (let at = 0; at < bytes.length;) {
    const size = sequenceLength(bytes, at);
    if (size > 0) {
      if (size > 1) sequences++;
      at += size;
      continue;
    }
    flush(at);
    // Then it is no UTF-8 at all, and there may be millions of them.
    if (undecodable.length > 10_000 && undecodable.length > sequences) break;
    undecodable.push(length);
    parts.push(UNDECODABLE);
    length++;
    start = ++at;
  }
  flush(bytes.length);
  return { text: parts.join(''), undecodable, sequences };
}

/** Length of the character that begins here, by the table of well-formed sequences (Unicode 15, table 3-7); 0 when none does. */
function sequenceLength(bytes: Uint8Array, at: number): number {
  const first = bytes[at]!;
  if (first < 0x80) return 1;
  const size = first >= 0xc2 && first <= 0xdf ? 2 : first >= 0xe0 && first <= 0xef ? 3 : first >= 0xf0 && first <= 0xf4 ? 4 : 0;
  if (size === 0 || at + size > bytes.length) return 0;
  const second = bytes[at + 1]!;
  const low = first === 0xe0 ? 0xa0 : first === 0xf0 ? 0x90 : 0x80;
  const high = first === 0xed ? 0x9f : first === 0xf4 ? 0x8f : 0xbf;
  if (second < low || second > high) return 0;
  for (let n = 2; n < size; n++) if ((bytes[at + n]! & 0xc0) !== 0x80) return 0;
  return size;
}

/** Index of the last number of an ascending list that is at most `value`; -1 when there is none. */
function lastAtMost(list: readonly number[], value: number): number {
  let [low, high] = [-1, list.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (list[middle]! <= value) low = middle;
    else high = middle - 1;
  }
  return low;
}
