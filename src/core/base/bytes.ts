/** Reads numbers and texts off bytes in order; running past the end is said by `short`, never thrown. */
export class ByteReader {
  at = 0;
  /** Whether something was asked for beyond the end. */
  short = false;
  private readonly view: DataView;

  constructor(readonly bytes: Uint8Array) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  get left(): number {
    return this.bytes.length - this.at;
  }

  u8 = (): number => this.take(1, () => this.view.getUint8(this.at));
  u16 = (little = false): number => this.take(2, () => this.view.getUint16(this.at, little));
  i16 = (): number => this.take(2, () => this.view.getInt16(this.at));
  u32 = (little = false): number => this.take(4, () => this.view.getUint32(this.at, little));
  f32 = (): number => this.take(4, () => this.view.getFloat32(this.at));

  /** Characters of one byte each. */
  latin(length: number): string {
    const end = Math.min(this.at + length, this.bytes.length);
    if (this.left < length) this.short = true;
    const text = String.fromCharCode(...this.bytes.subarray(this.at, end));
    this.at = end;
    return text;
  }

  /** UTF-16, big end first; `units` counts 16-bit units, a closing zero among them is dropped. */
  utf16(units: number): string {
    const parts: string[] = [];
    for (let n = 0; n < units && !this.short; n++) parts.push(String.fromCharCode(this.u16()));
    return parts.join('').replace(/\0[^]*$/, '');
  }

  private take(size: number, read: () => number): number {
    if (this.left < size) {
      this.short = true;
      this.at = this.bytes.length;
      return 0;
    }
    const value = read();
    this.at += size;
    return value;
  }
}

/** Puts numbers and texts one after the other, big end first unless said otherwise. */
export class ByteWriter {
  private readonly parts: number[] = [];

  u8(value: number): this {
    this.parts.push(value & 255);
    return this;
  }
  u16(value: number, little = false): this {
    return little ? this.u8(value).u8(value >> 8) : this.u8(value >> 8).u8(value);
  }
  u32(value: number, little = false): this {
    return little ? this.u16(value, true).u16(value >>> 16, true) : this.u16(value >>> 16).u16(value);
  }
  f32(value: number): this {
    const view = new DataView(new ArrayBuffer(4));
    view.setFloat32(0, value);
    return this.u32(view.getUint32(0));
  }
  latin(text: string): this {
    for (const character of text) this.u8(character.charCodeAt(0));
    return this;
  }
  /** UTF-16 with a closing zero. */
  utf16(text: string): this {
    for (let at = 0; at < text.length; at++) this.u16(text.charCodeAt(at));
    return this.u16(0);
  }
  append(bytes: Uint8Array): this {
    for (const byte of bytes) this.parts.push(byte);
    return this;
  }
  bytes(): Uint8Array {
    return Uint8Array.from(this.parts);
  }
}

/** Pieces one behind the other. */
export function joinedBytes(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
