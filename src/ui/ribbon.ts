import { readColour } from '@/core/colour/read';

/** A ribbon is a few hundred pixels wide: beyond this many colours only every so manieth is painted. */
const STOPS = 160;

/** Colours side by side in equal flat bands, as one CSS background. */
export function ribbon(values: readonly string[]): string {
  if (values.length === 0) return 'repeating-linear-gradient(135deg, var(--line) 0 1px, transparent 1px 6px)';
  const count = Math.min(values.length, STOPS);
  const bands = Array.from({ length: count }, (_, at) => {
    const { hex } = readColour(values[Math.floor((at * values.length) / count)]!)!;
    return `${hex} ${((at / count) * 100).toFixed(3)}% ${(((at + 1) / count) * 100).toFixed(3)}%`;
  });
  return `linear-gradient(90deg, ${bands.join(', ')})`;
}
