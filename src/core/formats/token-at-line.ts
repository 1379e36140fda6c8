import type { Token } from '../brand/document';

/** Letters and digits only, in small letters: what every casing of a name has in common. */
function bare(text: string): string {
  return text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
}

/**
 * Which token a line of a written file speaks of: the one whose name stands in it, in whatever casing and behind whatever
 * prefix; in nested files, where the last step stands alone, one of those the lines above lead to.
 * @param lines of the whole file
 * @returns a lookup by line, from 0; null where none is named
 */
export function tokensByLine(tokens: readonly Token[], lines: readonly string[]): (line: number) => Token | null {
  const byName = new Map(tokens.map((token) => [bare(token.path), token]));
  const lasts = new Map<string, Token[]>();
  for (const token of tokens) {
    const last = bare(token.path.slice(token.path.lastIndexOf('.') + 1));
    lasts.set(last, [...(lasts.get(last) ?? []), token]);
  }
  const namesIn = (text: string) => text.match(/[\p{L}\p{N}_.-]+/gu) ?? [];
  const whole = (name: string): Token | undefined => {
    const all = bare(name);
    const direct = byName.get(all);
    if (direct) return direct;
    // Behind a prefix: the longest path that the name ends in, at a place where a word begins.
    for (const { index } of name.matchAll(/(?<=[_.-])[\p{L}\p{N}]|(?<=[\p{Ll}\p{N}])\p{Lu}/gu)) {
      const rest = byName.get(bare(name.slice(index)));
      if (rest) return rest;
    }
    return undefined;
  };
  return (at) => {
    const way = [at, ...linesAround(lines, at)];
    for (const [step, own] of way.entries()) {
      const names = namesIn(lines[own] ?? '');
      for (const name of names) {
        const token = whole(name);
        if (token) return token;
      }
      const heads = way.slice(step + 1).map((head) => bare(lines[head]!));
      for (const name of names) {
        const token = lasts.get(bare(name))?.find(({ path }) => leadTo(path, heads));
        if (token) return token;
      }
    }
    return null;
  };
}

/** Lines further out that the blocks around a line begin with, the nearest first. */
function linesAround(lines: readonly string[], at: number): number[] {
  const depthOf = (line: string) => line.search(/\S/);
  const found: number[] = [];
  let depth = depthOf(lines[at] ?? '');
  for (let above = at - 1; above >= 0 && depth > 0 && at - above < 5_000; above--) {
    const own = depthOf(lines[above]!);
    if (own < 0 || own >= depth) continue;
    found.push(above);
    depth = own;
  }
  return found;
}

/** Whether the lines around speak of every step of a path but the last. */
function leadTo(path: string, heads: readonly string[]): boolean {
  return path
    .split('.')
    .slice(0, -1)
    .every((step) => heads.some((head) => head.includes(bare(step))));
}
