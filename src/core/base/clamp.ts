/** The value, or the end of the range it lies beyond. */
export function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

/** The value within 0..1. */
export function unit(value: number): number {
  return Math.min(1, Math.max(0, value));
}
