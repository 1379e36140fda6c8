import { referencesOf } from '../document/kinds';
import type { Step } from '../commands/commands';
import { ruleTokens, type Token, type TokenValue } from '../document/token-shape';
import type { Brand } from '../document/document';
import { resolveTheme } from '../reading/resolve';

/**
 * What it takes to remove tokens that others use: whoever points at them, or is made from them by rule, keeps its colour
 * and loses the tie; values pinned to them are free again; slots are bound to the swatch that the token stood for, or, where it stood for
 * none, have the colour of their host again.
 */
export function removalSteps(brand: Brand, ids: readonly string[]): Step[] {
  const gone = new Set(ids);
  const edits: Step[] = [];
  const sets: Step[] = [];
  for (const token of brand.tokens) {
    if (gone.has(token.id) || !referencesOf('token', token).some(({ id }) => gone.has(id))) continue;
    const { set, loosened } = unlinked(brand, token, (value) => 'token' in value && gone.has(value.token), gone);
    if (Object.keys(set).length > 0) sets.push({ do: 'token.set', id: token.id, set });
    const { deprecated } = token;
    const change = {
      ...(loosened && { rule: null }),
      ...(token.on.some((id) => gone.has(id)) && { on: token.on.filter((id) => !gone.has(id)) }),
      ...(deprecated?.use !== undefined && gone.has(deprecated.use) && { deprecated: { note: deprecated.note } }),
    };
    if (Object.keys(change).length > 0) edits.push({ do: 'token.edit', id: token.id, set: change });
  }
  const fields = brand.fields.flatMap((field): Step[] => {
    if (!field.values.some(({ token }) => token !== undefined && gone.has(token))) return [];
    const values = field.values.map((value) =>
      value.token !== undefined && gone.has(value.token) ? { text: value.text } : value,
    );
    return [{ do: 'field.edit', id: field.id, set: { values } }];
  });
  return [...sets, ...edits, ...fields, ...slotSteps(brand, gone), { do: 'token.remove', ids: [...ids] }];
}

function slotSteps(brand: Brand, gone: ReadonlySet<string>): Step[] {
  return brand.grafts.flatMap((graft): Step[] => {
    const lost = Object.entries(graft.bindings).filter(([, { to }]) => 'token' in to && gone.has(to.token));
    if (lost.length === 0) return [];
    const set = lost.map(([slot, { to, was, theme }]) => {
      let at = 'token' in to ? resolveTheme(brand, theme ?? graft.theme).get(to.token) : undefined;
      while (at?.via) at = at.via;
      return [slot, at?.kept ? { to: { swatch: at.kept.swatch.id }, was } : null] as const;
    });
    return [{ do: 'graft.bind', id: graft.id, set: Object.fromEntries(set) }];
  });
}

/** A token with colours of its own in every theme, without what it points at and without its rule. */
export function unlinkSteps(brand: Brand, tokens: readonly Token[], themes: readonly string[]): Step[] {
  const all = themes.length === brand.themes.length;
  return tokens.flatMap((token): Step[] => {
    const kept: Record<string, TokenValue> = {};
    for (const theme of themes) {
      const value = token.values[theme];
      const { colour } = resolveTheme(brand, theme).get(token.id)!;
      if (colour && (!value || !('colour' in value))) kept[theme] = { colour: colour.css };
    }
    return [
      ...(Object.keys(kept).length > 0 ? [{ do: 'token.set' as const, id: token.id, set: kept }] : []),
      ...(all && token.rule ? [{ do: 'token.edit' as const, id: token.id, set: { rule: null } }] : []),
    ];
  });
}

function unlinked(brand: Brand, token: Token, tied: (value: TokenValue) => boolean, gone: ReadonlySet<string>) {
  const loosened = token.rule !== undefined && ruleTokens(token.rule).some((id) => gone.has(id));
  const set: Record<string, TokenValue | null> = {};
  for (const { id: theme } of brand.themes) {
    const value = token.values[theme];
    if (value ? !tied(value) : !loosened) continue;
    const { colour } = resolveTheme(brand, theme).get(token.id)!;
    if (colour) set[theme] = { colour: colour.css };
    else if (value) set[theme] = null;
  }
  return { set, loosened };
}
