import { stateRule, type Token } from '@/core/brand/document/token-shape';

/** One line of the table: the head of a group, or a token below it. */
export type TreeRow =
  | {
      readonly group: string;
      /** The last step of its path. */
      readonly label: string;
      readonly depth: number;
      readonly count: number;
      readonly folded: boolean;
    }
  | { readonly token: Token; readonly label: string; readonly depth: number };

interface Group {
  readonly path: string;
  readonly label: string;
  readonly children: (Group | Token)[];
  readonly groups: Map<string, Group>;
  count: number;
}

/** Tokens as a tree by their paths, drawn as lines: groups where their first token stands, in the brand's order. */
export function treeRows(tokens: readonly Token[], folded: ReadonlySet<string>): TreeRow[] {
  const root: Group = { path: '', label: '', children: [], groups: new Map(), count: 0 };
  for (const token of tokens) {
    let at = root;
    for (let dot = token.path.indexOf('.'), from = 0; dot >= 0; from = dot + 1, dot = token.path.indexOf('.', from)) {
      const label = token.path.slice(from, dot);
      let next = at.groups.get(label);
      if (!next) {
        next = { path: token.path.slice(0, dot), label, children: [], groups: new Map(), count: 0 };
        at.groups.set(label, next);
        at.children.push(next);
      }
      next.count++;
      at = next;
    }
    at.children.push(token);
  }
  const rows: TreeRow[] = [];
  const draw = (group: Group, depth: number) => {
    for (const child of group.children) {
      if ('groups' in child) {
        const isFolded = folded.has(child.path);
        rows.push({ group: child.path, label: child.label, depth, count: child.count, folded: isFolded });
        if (!isFolded) draw(child, depth + 1);
      } else rows.push({ token: child, label: child.path.slice(child.path.lastIndexOf('.') + 1), depth });
    }
  };
  draw(root, 0);
  return rows;
}

/** What a token is, in a word: the state that a rule makes it, a tint, or its role. */
export function roleWord(token: Token): string {
  return stateRule(token)?.state ?? (token.rule ? 'tint' : token.role);
}

/** What a token can be found by, in lower case. Kept for each token: it is asked for at every key. */
const texts = new WeakMap<Token, string>();

/** The tokens that every word of the filter fits: their path, role, description, or state. */
export function filtered(tokens: readonly Token[], filter: string): readonly Token[] {
  const words = filter.trim().toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return tokens;
  return tokens.filter((token) => {
    let text = texts.get(token);
    if (text === undefined) {
      const { path, role, description, deprecated } = token;
      text = `${path} ${role} ${description} ${roleWord(token)} ${deprecated ? 'deprecated' : ''}`.toLowerCase();
      texts.set(token, text);
    }
    return words.every((word) => text.includes(word));
  });
}
