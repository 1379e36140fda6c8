/** Numbers from 0 up to 1, the same for the same seed. Xorshift, Marsaglia 2003. */
export function xorshift(seed: number): () => number {
  // Neighbouring seeds are mixed first, or their first numbers would be alike; the state must not be zero.
  let state = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) || 1;
  const next = () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 32;
  };
  for (let n = 0; n < 4; n++) next();
  return next;
}
