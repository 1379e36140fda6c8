import type { Token } from '../document/token-shape';
import { onWhat } from './grounds';

type TokenRole = Token['role'];

/** What the first word of a path means, whatever follows. */
const FIRST = new Map<string, TokenRole>(
  Object.entries({
    surface: 'surface',
    background: 'surface',
    text: 'text',
    border: 'border',
    accent: 'accent',
    brand: 'accent',
    action: 'state',
    state: 'state',
    status: 'status',
    data: 'data',
    route: 'data',
    series: 'data',
  }),
);

/** What any other word of a path means; the last that means something counts. Words as design systems use them (common practice). */
const WORDS = new Map<string, TokenRole>(
  (
    [
      ['state', 'hover pressed active focus focused selected disabled'],
      ['text', 'text link label heading title caption placeholder foreground fg ink'],
      ['border', 'border outline divider separator stroke ring'],
      ['surface', 'surface background bg fill page panel card canvas'],
      ['status', 'success warning danger error info'],
      ['data', 'series category chart'],
      ['accent', 'accent icon'],
    ] as const
  ).flatMap(([role, words]) => words.split(' ').map((word) => [word, role] as const)),
);

/** What a path usually means; a person can say otherwise. */
export function likelyRole(path: string): TokenRole {
  if (onWhat(path) !== null) return 'text';
  const words = path
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1.$2')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u);
  const first = FIRST.get(words[0]!);
  if (first) return first;
  const last = words.reverse().find((word) => WORDS.has(word));
  return last === undefined ? 'other' : WORDS.get(last)!;
}
