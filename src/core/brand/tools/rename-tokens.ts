import type { Command, Step } from '../commands/commands';
import { TokenPath } from '../document/token-shape';
import type { Brand } from '../document/document';
import type { Carried } from '../document/data-shape';
import { followedOptions } from './token-options';

/** Old path to new one, for each token that is to be renamed. */
export type Renames = ReadonlyMap<string, string>;

/** The renames that give one token, or a group with all below it, another path. */
export function renamesOf(brand: Brand, what: 'token' | 'group', from: string, to: string): Renames {
  const below = `${from}.`;
  return new Map(
    brand.tokens.flatMap(({ path }): [string, string][] => {
      if (what === 'token') return path === from ? [[path, to]] : [];
      return path.startsWith(below) ? [[path, to + path.slice(from.length)]] : [];
    }),
  );
}

/**
 * Tokens under new paths, and with them everything that speaks of them by path: options of destinations, groups of data
 * fields, and references inside what other tools keep in the brand. Aliases go by ids and follow by themselves.
 * @returns the command, or the sentence that says why there is none
 */
export function renameTokens(brand: Brand, renames: Renames, label: string): Command | { readonly refusal: string } {
  for (const path of renames.values()) {
    const parsed = TokenPath.safeParse(path);
    if (!parsed.success) return { refusal: `“${path}”: ${parsed.error.issues[0]!.message}` };
  }
  const changed = brand.tokens.filter(({ path }) => renames.has(path) && renames.get(path) !== path);
  const steps: Step[] = changed.map(({ id, path }) => ({ do: 'token.edit', id, set: { path: renames.get(path)! } }));
  if (steps.length === 0) return { refusal: 'That is the path it has already.' };
  const groups = renamedGroups(brand, renames);
  const follow = (path: string) => renames.get(path) ?? groups.get(path);
  for (const { id, options } of brand.destinations) {
    const next = followedOptions(options, follow);
    if (next) steps.push({ do: 'destination.edit', id, set: { options: next }, was: { options } });
  }
  for (const { id, group } of brand.fields) {
    const to = groups.get(group);
    if (to !== undefined) steps.push({ do: 'field.edit', id, set: { group: to }, was: { group } });
  }
  const carried = brand.carried.map((member) => followed(member, follow));
  if (carried.some((member, at) => member !== brand.carried[at]))
    steps.push({ do: 'brand.edit', set: { carried }, was: { carried: brand.carried } });
  return { label, steps };
}

/** Groups of which every token goes to one and the same other group, by their old path. */
function renamedGroups(brand: Brand, renames: Renames): Map<string, string> {
  const found = new Map<string, string | null>();
  for (const { path } of brand.tokens) {
    const to = renames.get(path) ?? path;
    const steps = path.split('.');
    for (let depth = 1; depth < steps.length; depth++) {
      const group = steps.slice(0, depth).join('.');
      const rest = path.slice(group.length);
      const next = to.endsWith(rest) ? to.slice(0, to.length - rest.length) : null;
      const known = found.get(group);
      found.set(group, known === undefined || known === next ? next : null);
    }
  }
  return new Map([...found].flatMap(([group, to]) => (to !== null && to !== '' && to !== group ? [[group, to] as const] : [])));
}

/** References in braces, `"{text.quiet}"`, under their new paths. */
function followed(member: Carried, follow: (path: string) => string | undefined): Carried {
  const json = member.json.replace(/"\{([^{}"]+)\}"/g, (whole, path: string) => {
    const to = follow(path);
    return to === undefined ? whole : `"{${to}}"`;
  });
  return json === member.json ? member : { ...member, json };
}
