const STEPS = [
  ['minute', 60],
  ['hour', 60],
  ['day', 24],
  ['month', 30],
  ['year', 12],
] as const;

const WORDS = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** How long ago something was, such as “3 days ago”. @param at ISO 8601 */
export function ago(at: string, now = Date.now()): string {
  let amount = Math.max(0, (now - Date.parse(at)) / 1_000);
  let unit: Intl.RelativeTimeFormatUnit = 'second';
  for (const [larger, size] of STEPS) {
    if (amount < size) break;
    amount /= size;
    unit = larger;
  }
  return unit === 'second' ? 'just now' : WORDS.format(-Math.floor(amount), unit);
}
