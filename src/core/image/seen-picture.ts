import { decode, encode } from '../colour/oklab';
import { byte } from '../colour/read';
import { halvesOf, type Vision } from '../colour/vision';
import { words, type Pixels } from './pixels';

/** Linear light of each 8-bit channel value. */
const LIGHT = Float64Array.from({ length: 256 }, (_, value) => decode(value / 255));

/** What a screen shows of linear light, as the plain formula has it. */
const plainly = (linear: number) => byte(encode(linear));

/**
 * The least linear light that is shown as each channel value: found by halving until no number lies between, so that comparing with it gives what
 * the formula gives, to the last bit.
 */
const LEAST = Float64Array.from({ length: 257 }, (_, value) => {
  if (value === 0) return -Infinity;
  if (value === 256) return Infinity;
  let [low, high] = [0, 1];
  for (let middle = (low + high) / 2; middle > low && middle < high; middle = (low + high) / 2) {
    if (plainly(middle) >= value) high = middle;
    else low = middle;
  }
  return high;
});

/**
 * The channel value at the beginning of each of so many equal stretches of light, none of which holds two borders, from -1 to 2: what somebody
 * sees may lie a little outside 0..1, and is cut by being looked up. A hair before each beginning, for a product may be rounded up to it.
 */
const STRETCHES = 16_384;
const FIRST = Uint8Array.from({ length: 3 * STRETCHES + 1 }, (_, at) => plainly(at / STRETCHES - 1 - 1e-9));

function shown(linear: number): number {
  const value = FIRST[(linear * STRETCHES + STRETCHES) | 0]!;
  return linear >= LEAST[value + 1]! ? value + 1 : value;
}

/**
 * A picture as a kind of colour vision sees it: pixel by pixel what `seenAs` gives, rounded to 8 bits; opacity stays.
 * @param severity 0..1; without any colour it does not count
 */
export function seenPicture(picture: Pixels, vision: Vision, severity: number): Pixels & { readonly data: Uint8ClampedArray } {
  const { width, height } = picture;
  const from = words(picture);
  const data = new Uint8ClampedArray(from.length * 4);
  const into = new Uint32Array(data.buffer);
  if (vision === 'normal') into.set(from);
  else if (vision === 'achromat') withoutColour(from, into);
  else withoutCone(from, into, halvesOf(vision, severity));
  return { width, height, data };
}

function withoutColour(from: Uint32Array, into: Uint32Array): void {
  for (let at = 0; at < from.length; at++) {
    const word = from[at]!;
    const light = 0.2126 * LIGHT[word & 255]! + 0.7152 * LIGHT[(word >> 8) & 255]! + 0.0722 * LIGHT[(word >> 16) & 255]!;
    into[at] = (word & 0xff000000) | (shown(light) * 0x010101);
  }
}

function withoutCone(from: Uint32Array, into: Uint32Array, [one, two]: ReturnType<typeof halvesOf>): void {
  const [s0, s1, s2] = one.side;
  const [[a0, a1, a2], [a3, a4, a5], [a6, a7, a8]] = one.matrix;
  const [[b0, b1, b2], [b3, b4, b5], [b6, b7, b8]] = two.matrix;
  for (let at = 0; at < from.length; at++) {
    const word = from[at]!;
    const r = LIGHT[word & 255]!;
    const g = LIGHT[(word >> 8) & 255]!;
    const b = LIGHT[(word >> 16) & 255]!;
    into[at] =
      s0 * r + s1 * g + s2 * b >= 0
        ? (word & 0xff000000) |
          (shown(a6 * r + a7 * g + a8 * b) << 16) |
          (shown(a3 * r + a4 * g + a5 * b) << 8) |
          shown(a0 * r + a1 * g + a2 * b)
        : (word & 0xff000000) |
          (shown(b6 * r + b7 * g + b8 * b) << 16) |
          (shown(b3 * r + b4 * g + b5 * b) << 8) |
          shown(b0 * r + b1 * g + b2 * b);
  }
}
