const BYTES = Array.from({ length: 256 }, (_, value) => value.toString(16).padStart(2, '0'));

/** A whole number 0..255 as two lower-case hex digits. */
export function hexByte(value: number): string {
  return BYTES[value]!;
}

/** Bytes as lower-case hex digits, two for each. */
export function hexDigits(bytes: Iterable<number>): string {
  let digits = '';
  for (const value of bytes) digits += BYTES[value];
  return digits;
}
