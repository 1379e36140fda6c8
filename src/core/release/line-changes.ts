/** How many lines of a text are new, and how many of the one before are gone. */
export interface LineChanges {
  readonly added: number;
  readonly gone: number;
}

/** Compares two texts line by line wherever a line stands: one that only moved is neither new nor gone. */
export function lineChanges(before: string, after: string): LineChanges {
  const left = new Map<string, number>();
  for (const line of before.split('\n')) left.set(line, (left.get(line) ?? 0) + 1);
  let added = 0;
  for (const line of after.split('\n')) {
    const count = left.get(line) ?? 0;
    if (count > 0) left.set(line, count - 1);
    else added++;
  }
  const gone = [...left.values()].reduce((sum, count) => sum + count, 0);
  return { added, gone };
}
