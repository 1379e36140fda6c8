/** JSON text that is the same for equal values, whatever the order their keys were written or stored in. */
export function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    part !== null && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([one], [two]) => (one < two ? -1 : 1)))
      : part,
  );
}
