import { sourcesOf, type Token } from './token-shape';

/**
 * Follows tokens from each start to what their colours are made from in one theme. Linear in the number of tokens.
 * @returns the paths of the first circle met, its first one repeated at the end; null when there is none.
 */
export function findCycle(tokens: ReadonlyMap<string, Token>, starts: Iterable<string>, theme: string): string[] | null {
  const done = new Set<string>();
  for (const start of starts) {
    /** The way from the start to here, each with the sources not yet looked at. */
    const way: { id: string; open: string[] }[] = [];
    const onWay = new Set<string>();
    const enter = (id: string) => {
      const token = tokens.get(id);
      if (!token || done.has(id)) return;
      way.push({ id, open: [...sourcesOf(token, theme)] });
      onWay.add(id);
    };
    enter(start);
    for (let at = way.at(-1); at; at = way.at(-1)) {
      const next = at.open.pop();
      if (next === undefined) {
        done.add(at.id);
        onWay.delete(at.id);
        way.pop();
      } else if (onWay.has(next)) {
        const circle = way.slice(way.findIndex(({ id }) => id === next)).map(({ id }) => id);
        return [...circle, next].map((id) => tokens.get(id)!.path);
      } else enter(next);
    }
  }
  return null;
}

/** A circle of paths, the first repeated at the end, by its first names: it may have thousands. */
export function ringWords(circle: readonly string[]): string {
  const [shown, more] = [circle.slice(0, 3), circle.length - 4];
  return more > 0 ? `${shown.join(' → ')} → ${more} more → ${circle.at(-1)}` : circle.join(' → ');
}
