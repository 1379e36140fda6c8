import { codeLiteral, integerLiteral, type ByteOrder, type Literal } from './literal';
import type { Occurrence } from './occurrence';

export const BYTE_ORDERS = ['rgba', 'argb', 'bgra', 'abgr'] as const satisfies readonly ByteOrder[];

/** The order of the bytes in some of a file's codes, and what speaks for it: half a sentence. */
export interface FoundOrder {
  readonly order: ByteOrder;
  readonly evidence: string;
}

/** Codes behind `#` come from the web, where opacity is last; all others from programs, where it is usually first. */
export interface FoundOrders {
  readonly hash: FoundOrder;
  readonly program: FoundOrder;
}

/** The same order for all. */
export function ordersBy(order: ByteOrder, evidence: string): FoundOrders {
  return { hash: { order, evidence }, program: { order, evidence } };
}

/** Words by which a file says its order itself: `0xAABBGGRR`, ARGB, bgr; not the name of a function. */
const SPELLED =
  /(?<![a-z])(?:0x|#|&h)?(a{1,2}r{1,2}g{1,2}b{1,2}|r{1,2}g{1,2}b{1,2}a{1,2}|a{1,2}b{1,2}g{1,2}r{1,2}|b{1,2}g{1,2}r{1,2}a{1,2}|b{1,2}g{1,2}r{1,2})(?![a-z(])/gi;
/** A file says it once, near its beginning or among its keys; the rest of a large one is not looked through. */
const LOOKED_THROUGH = 200_000;

/**
 * Tells the order of bytes for a whole file: by what it says itself, else by which byte is the same in all codes of eight
 * digits and in all numbers of 32 bits, for opacity seldom changes and colours do.
 */
export function tellByteOrders(text: string, occurrences: readonly Occurrence[]): FoundOrders {
  const named = new Set(
    Array.from(text.slice(0, LOOKED_THROUGH).matchAll(SPELLED), ([, letters]) => letters!.toLowerCase().replace(/(.)\1/g, '$1')),
  );
  if (named.size === 1) {
    const [letters] = named as unknown as [ByteOrder | 'bgr'];
    return ordersBy(letters === 'bgr' ? 'abgr' : letters, `the file says ${letters.toUpperCase()}`);
  }
  const literals = occurrences.map(({ literal }) => literal);
  const isBasic = literals.some(({ manner }) => manner.kind === 'code' && /^&h/i.test(manner.prefix));
  return {
    hash: orderIn(literals.filter(isHash), 'rgba'),
    // Basic's codes begin with blue: common practice.
    program: isBasic
      ? { order: 'abgr', evidence: 'codes behind &H begin with blue' }
      : orderIn(
          literals.filter((literal) => !isHash(literal)),
          'argb',
        ),
  };
}

function isHash({ manner }: Literal): boolean {
  return manner.kind === 'code' && manner.prefix === '#';
}

function orderIn(literals: readonly Literal[], usual: ByteOrder): FoundOrder {
  const long = literals.flatMap((literal) => fourBytes(literal) ?? []);
  if (long.length === 0) return { order: usual, evidence: 'no code of four bytes tells' };
  const first = constant(long.map((digits) => digits.slice(0, 2)));
  const last = constant(long.map((digits) => digits.slice(6)));
  if (first !== null && last === null) return { order: 'argb', evidence: `the first byte is ${first} throughout` };
  if (last !== null && first === null) return { order: 'rgba', evidence: `the last byte is ${last} throughout` };
  if (first === 'ff' && last !== 'ff') return { order: 'argb', evidence: 'the first byte is ff, which is opaque' };
  if (last === 'ff' && first !== 'ff') return { order: 'rgba', evidence: 'the last byte is ff, which is opaque' };
  return { order: usual, evidence: 'nothing in the file tells, so it is the usual one' };
}

/** The byte that all have, when it is one that says something: opaque, or the same in several. */
function constant(bytes: readonly string[]): string | null {
  const [one] = bytes;
  return bytes.every((byte) => byte === one) && (one === 'ff' || bytes.length > 2) ? one! : null;
}

/** The eight digits of a literal of four bytes, as they stand. */
function fourBytes({ text, manner }: Literal): string | null {
  if (manner.kind === 'code' && manner.digits === 8) return text.slice(manner.prefix.length).toLowerCase();
  if (manner.kind === 'integer' && manner.order.length === 4) return (Number(text) >>> 0).toString(16).padStart(8, '0');
  return null;
}

/** A literal read in another order of bytes; those that have none stay. */
export function inOrder(literal: Literal, { hash, program }: FoundOrders): Literal {
  const { text, manner } = literal;
  const { order } = isHash(literal) ? hash : program;
  if (manner.kind === 'integer') return integerLiteral(text, order) ?? literal;
  if (manner.kind !== 'code') return literal;
  return codeLiteral(text, manner.prefix, text.slice(manner.prefix.length), order) ?? literal;
}
