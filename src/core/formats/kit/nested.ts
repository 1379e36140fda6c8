import type { NameScope } from './name-scope';
import { quoted } from '../../base/plain-text';

/** Colours by the steps of their paths; a path that is a group's name as well stands in the group under `own`. */
export type Tree<Leaf> = Map<string, Leaf | Tree<Leaf>>;

/**
 * Paths with their values as a tree, in their order.
 * @param ownKey the key of a group's own value, by which a token may be called as well: that is found in `scope`
 */
export function treeOf<Leaf extends string>(
  entries: readonly (readonly [path: string, leaf: Leaf])[],
  ownKey: string,
  scope: NameScope,
): Tree<Leaf> {
  const groups = new Set(entries.flatMap(([path]) => ancestors(path)));
  const root: Tree<Leaf> = new Map();
  for (const [path, leaf] of entries) {
    const keys = [...path.split('.'), ...(groups.has(path) ? [ownKey] : [])];
    scope.claim(keys.join('.'), path);
    let at = root;
    for (const key of keys.slice(0, -1)) {
      let next = at.get(key);
      if (!(next instanceof Map)) at.set(key, (next = new Map()));
      at = next;
    }
    at.set(keys.at(-1)!, leaf);
  }
  return root;
}

/** The groups a path lies in, the outermost first. */
export function ancestors(path: string): string[] {
  const steps = path.split('.').slice(0, -1);
  return steps.map((_, at) => steps.slice(0, at + 1).join('.'));
}

/** A tree as an object literal of JavaScript; the leaves are source text already. Keys bare only where every engine allows it. */
export function objectText(tree: Tree<string>, indent = ''): string {
  const inner = `${indent}  `;
  const members = [...tree].map(([key, value]) => {
    return `${inner}${propertyKey(key)}: ${typeof value === 'string' ? value : objectText(value, inner)},\n`;
  });
  return `{\n${members.join('')}${indent}}`;
}

export function propertyKey(key: string): string {
  // Set by its name in brackets, for a plain `__proto__` would change the object instead of adding to it.
  if (key === '__proto__') return '["__proto__"]';
  return /^[A-Za-z_$][\w$]*$/.test(key) ? key : quoted(key);
}
