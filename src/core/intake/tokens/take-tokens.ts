import { removalSteps } from '../../brand/tools/remove-tokens';
import type { FileToken } from './token-files';
import { apply } from '../../brand/commands/apply';
import { tokenPathOf } from '../bring-in';
import type { Command, Step } from '../../brand/commands/commands';
import { equalSwatch, readDeprecation, sameColour, type MappedContext, type TokenChange } from './compare-tokens';
import { notesOfGroups } from '../../brand/reading/palette-notes';
import type { Brand } from '../../brand/document/document';
import type { Carried } from '../../brand/document/data-shape';
import type { Token, TokenValue } from '../../brand/document/token-shape';
import { renameTokens } from '../../brand/tools/rename-tokens';
import { resolveTheme } from '../../brand/reading/resolve';
import { likelyRole } from '../../brand/reading/token-role';

/**
 * The chosen differences as one command. Values that are the same colour keep what they are linked to; a colour that a
 * swatch shows is linked to it, any other becomes the token's own. Themes that the brand has not are added first.
 * @param carry whether what is not a colour comes too
 * @returns null when there is nothing to do
 */
export function takeTokens(
  brand: Brand,
  mapped: readonly MappedContext[],
  changes: readonly TokenChange[],
  carry: boolean,
  newId: () => string,
): Command | null {
  const added = mapped.filter(({ theme }) => !brand.themes.some(({ id }) => id === theme.id));
  const themes = added.map(({ theme }): Step => ({ do: 'theme.add', theme, before: null, values: {} }));
  /** By path in the files: the id that the token has, or is to have. */
  const ids = new Map(brand.tokens.map(({ path, id }) => [path, id]));
  for (const { kind, path, token } of changes) {
    if (kind === 'added') ids.set(path, newId());
    if (kind === 'renamed') ids.set(path, token!.id);
  }
  const valueOf = (file: FileToken, token: Token | null, theme: string): TokenValue | null => {
    const target = file.alias === null ? undefined : (ids.get(file.alias) ?? ids.get(tokenPathOf(file.alias)));
    if (target !== undefined) return { token: target };
    if (!file.colour) return null;
    const held = token?.values[theme];
    const now = held && !('token' in held) ? resolveTheme(brand, theme).get(token!.id)!.colour : null;
    if (held && sameColour(now, file.colour)) return held;
    const swatch = equalSwatch(brand, file.colour);
    return swatch === undefined ? { colour: file.colour.css } : { swatch };
  };
  const valuesOf = (path: string, token: Token | null) =>
    Object.fromEntries(
      mapped.flatMap(({ theme, context }) => {
        const file = context.tokens.get(path);
        const value = file && valueOf(file, token, theme.id);
        return value && value !== token?.values[theme.id] ? [[theme.id, value] as const] : [];
      }),
    );
  const fileOf = (path: string) => mapped.flatMap(({ context }) => context.tokens.get(path) ?? [])[0]!;
  const fresh: Token[] = [];
  const edits: Step[] = [];
  const sets: Step[] = [];
  const renames = new Map<string, string>();
  for (const { kind, path, token, notes } of changes) {
    if (kind === 'removed') continue;
    const { description, deprecated: reason, extensions } = fileOf(path);
    const deprecated = readDeprecation(brand, reason);
    if (!token) {
      fresh.push({
        id: ids.get(path)!,
        path: tokenPathOf(path),
        role: likelyRole(path),
        description,
        on: [],
        values: valuesOf(path, null),
        ...(deprecated && { deprecated }),
        ...(extensions !== undefined && { extensions }),
      });
      continue;
    }
    if (kind === 'renamed') renames.set(token.path, tokenPathOf(path));
    if (notes.length > 0)
      edits.push({
        do: 'token.edit',
        id: token.id,
        set: { description, deprecated: deprecated ?? null, extensions: extensions ?? null },
      });
    const set = valuesOf(path, token);
    if (Object.keys(set).length > 0) sets.push({ do: 'token.set', id: token.id, set });
  }
  const renamed = renames.size > 0 ? renameTokens(brand, renames, '') : null;
  const removed = changes.flatMap(({ kind, token }) => (kind === 'removed' ? [token!.id] : []));
  const steps: Step[] = [
    ...themes,
    ...(fresh.length > 0 ? [{ do: 'token.add' as const, tokens: fresh, before: null }] : []),
    ...(renamed && 'steps' in renamed ? renamed.steps : []),
    ...edits,
    ...sets,
  ];
  if (removed.length > 0) {
    // What points at them by now, and not what did before.
    const before = steps.length > 0 ? apply(brand, { label: '', steps }) : null;
    steps.push(...removalSteps(before?.ok ? before.brand : brand, removed));
  }
  if (carry) steps.push(...carriedSteps(brand, mapped, ids));
  return steps.length > themes.length
    ? { label: `Take ${changes.length} ${changes.length === 1 ? 'change' : 'changes'} of a token file`, steps }
    : null;
}

/** What is not a colour, in the place of what the brand carries under the same path; where all themes agree, once for all. */
function carriedSteps(brand: Brand, mapped: readonly MappedContext[], ids: ReadonlyMap<string, string>): Step[] {
  const byPath = new Map<string, { theme: string; member: Carried }[]>();
  for (const { theme, context } of mapped) {
    const written = notesOfGroups(brand, theme);
    for (const { keys, json, before } of context.carried) {
      // What a palette says of itself is written anew each time, as the palette says it then.
      if (keys.at(-1) === '$description' && json === JSON.stringify(written.get(keys.slice(0, -1).join('.')))) continue;
      const key = keys.join('\u0000');
      const place = before === null ? null : (ids.get(before) ?? null);
      byPath.set(key, [...(byPath.get(key) ?? []), { theme: theme.id, member: { path: [...keys], json, before: place } }]);
    }
  }
  const arriving = [...byPath.values()].flatMap((found): Carried[] => {
    const everywhere = found.length === mapped.length && found.every(({ member }) => member.json === found[0]!.member.json);
    return everywhere ? [found[0]!.member] : found.map(({ theme, member }) => ({ ...member, theme }));
  });
  const kept = brand.carried.filter(({ path }) => !byPath.has(path.join('\u0000')));
  const carried = [...kept, ...arriving];
  const same = JSON.stringify(carried) === JSON.stringify(brand.carried);
  return same ? [] : [{ do: 'brand.edit', set: { carried } }];
}
