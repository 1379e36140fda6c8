import { readColour, type ReadColour } from '../../colour/read';
import { ruleTokens, sourcesOf, type Token } from '../document/token-shape';
import type { Brand } from '../document/document';
import type { Palette, Swatch } from '../document/palette-shape';
import { byId } from '../document/kinds';
import { stateColour } from './state-rule';
import { tintColour } from './tint-rule';

/** What a token comes to in one theme. */
export interface Resolved {
  readonly token: Token;
  /** null when the token, or one it is made from, has no value in this theme. */
  readonly colour: ReadColour | null;
  /** The token it points at; for a state, the one at rest. */
  readonly via: Resolved | null;
  /** Where its colour is kept, when it points at no token: the swatch, or nothing for a colour of its own. */
  readonly kept: SwatchPlace | null;
}

export interface SwatchPlace {
  readonly palette: Palette;
  readonly swatch: Swatch;
}

/**
 * The way from a token's path to where its colour is, for people: ends with the swatch or the authored colour. Of a
 * circle, which a brand cannot hold, each path comes once.
 */
export function trailOf(resolved: Resolved, theme: string, most = Infinity): string[] {
  const trail: string[] = [];
  for (let at: Resolved | null = resolved; at && trail.length < most; at = at.via) {
    trail.push(at.token.path);
    const value = at.token.values[theme];
    if (at.kept) trail.push(`${at.kept.palette.name} / ${at.kept.swatch.name}`);
    else if (value && 'colour' in value) trail.push(value.colour);
  }
  return trail;
}

/** The way of a token that comes to nothing, in words: its first steps, for a chain may have thousands. */
export function brokenTrail(resolved: Resolved, theme: string): string {
  const trail = trailOf(resolved, theme, 5);
  if (trail.length < 2) return '';
  return `${trail.length > 4 ? `${trail.slice(0, 4).join(' → ')} → …` : trail.join(' → ')} → nothing`;
}

type ResolvedTokens = ReadonlyMap<string, Resolved>;

const known = new WeakMap<Brand, Map<string, ResolvedTokens>>();
const swatches = new WeakMap<readonly Palette[], ReadonlyMap<string, SwatchPlace>>();

/** Every swatch of a brand by id, with its palette. Computed once for the palettes as they are. */
export function swatchesOf({ palettes }: Pick<Brand, 'palettes'>): ReadonlyMap<string, SwatchPlace> {
  let found = swatches.get(palettes);
  if (!found) {
    found = new Map(palettes.flatMap((palette) => palette.swatches.map((swatch) => [swatch.id, { palette, swatch }])));
    swatches.set(palettes, found);
  }
  return found;
}

/** Every token of a brand by id. Computed once for the tokens as they are. */
export function tokensOf({ tokens }: { readonly tokens: readonly Token[] }): ReadonlyMap<string, Token> {
  return byId(tokens);
}

/** What each theme was resolved to last: the next document mostly differs in one swatch or token. By theme id, the newest last. */
const latest = new Map<string, { readonly brand: Brand; readonly resolved: ResolvedTokens }>();
const LATEST_KEPT = 32;

/**
 * All tokens of a brand in one theme, in the brand's order, by token id. Pure, and computed once a document and theme;
 * of what an earlier document shares with this one, only what depends on a change is computed again. A missing value or
 * target gives `colour: null`; a circle, which `Brand` does not allow, likewise.
 */
export function resolveTheme(brand: Brand, theme: string): ResolvedTokens {
  let perTheme = known.get(brand);
  if (!perTheme) known.set(brand, (perTheme = new Map()));
  let resolved = perTheme.get(theme);
  if (!resolved) {
    const before = latest.get(theme);
    resolved = before ? resolveAgain(brand, theme, before) : resolveAll(brand, theme);
    perTheme.set(theme, resolved);
    latest.delete(theme);
    latest.set(theme, { brand, resolved });
    if (latest.size > LATEST_KEPT) latest.delete(latest.keys().next().value!);
  }
  return resolved;
}

function resolveAll(brand: Brand, theme: string): ResolvedTokens {
  const into = new Map<string, Resolved>();
  resolveInto(into, brand, theme, new Set(tokensOf(brand).keys()));
  return inOrder(brand, into);
}

/** As `resolveTheme` of a document seen for the first time, taking from the earlier one what is still true. */
function resolveAgain(brand: Brand, theme: string, before: { brand: Brand; resolved: ResolvedTokens }): ResolvedTokens {
  const changed = changedTokens(before.brand.tokens, brand.tokens);
  const stale = staleTokens(before.brand, brand, theme, changed);
  if (stale.size > brand.tokens.length / 2) return resolveAll(brand, theme);
  if (before.brand.tokens === brand.tokens && stale.size === 0) return before.resolved;
  const into = new Map(before.resolved);
  resolveInto(into, brand, theme, stale);
  return sameOrder(before.brand.tokens, brand.tokens) ? into : inOrder(brand, into);
}

function inOrder(brand: Brand, resolved: ReadonlyMap<string, Resolved>): ResolvedTokens {
  return new Map(brand.tokens.map(({ id }) => [id, resolved.get(id)!]));
}

function sameOrder(then: readonly Token[], now: readonly Token[]): boolean {
  return then === now || (then.length === now.length && now.every(({ id }, at) => then[at]!.id === id));
}

/** Ids of the tokens of `now` that are not just so in `then`. */
function changedTokens(then: readonly Token[], now: readonly Token[]): string[] {
  if (then === now) return [];
  // Mostly one is edited in its place, and the lists need no looking up.
  const moved = now.filter((token, at) => then[at] !== token);
  const old = moved.length > 0 ? tokensOf({ tokens: then }) : null;
  return moved.flatMap((token) => (old!.get(token.id) === token ? [] : [token.id]));
}

/** Ids of the tokens of `now` that may come to something else than in `then`: those that changed and all made from them. */
function staleTokens(then: Brand, now: Brand, theme: string, changed: readonly string[]): Set<string> {
  const { bySwatch, byToken, since } = dependents(then.tokens, now.tokens, theme, changed);
  const stale = new Set<string>();
  const add = (start: string) => {
    const open = [start];
    for (let id = open.pop(); id !== undefined; id = open.pop()) {
      if (stale.has(id)) continue;
      stale.add(id);
      open.push(...(byToken.get(id) ?? []));
      for (const token of since) if (sourcesOf(token, theme).includes(id)) open.push(token.id);
    }
  };
  changed.forEach(add);
  if (then.palettes !== now.palettes) {
    const old = swatchesOf(then);
    const oldPalettes = new Set(then.palettes);
    for (const palette of now.palettes) {
      if (oldPalettes.has(palette)) continue;
      for (const swatch of palette.swatches) {
        const was = old.get(swatch.id);
        if (was?.swatch === swatch && was.palette.name === palette.name) continue;
        bySwatch.get(swatch.id)?.forEach(add);
        for (const token of since) {
          const value = token.values[theme];
          if (value && 'swatch' in value && value.swatch === swatch.id) add(token.id);
        }
      }
    }
  }
  // What the list remembers may be gone by now.
  const known = tokensOf(now);
  for (const id of stale) if (!known.has(id)) stale.delete(id);
  return stale;
}

/** Who is made from what, in one theme: a list made once, and the tokens that have changed since. */
interface Dependents {
  /** Ids of the tokens that pointed at a swatch, by its id. */
  readonly bySwatch: ReadonlyMap<string, readonly string[]>;
  /** Ids of the tokens that were made straight from a token, by its id. */
  readonly byToken: ReadonlyMap<string, readonly string[]>;
  /** Tokens, as they are now, of which the list is out of date. */
  readonly since: readonly Token[];
}

const dependentsKnown = new WeakMap<readonly Token[], Map<string, Dependents>>();
/** With more changes than this a new list costs less than looking through them. */
const MOST_SINCE = 100;

function dependents(then: readonly Token[], now: readonly Token[], theme: string, changed: readonly string[]): Dependents {
  let perTheme = dependentsKnown.get(now);
  if (!perTheme) dependentsKnown.set(now, (perTheme = new Map()));
  let found = perTheme.get(theme);
  if (!found) {
    const before = dependentsKnown.get(then)?.get(theme);
    found =
      before && before.since.length + changed.length <= MOST_SINCE ? updated(before, now, changed) : dependentsIn(now, theme);
    perTheme.set(theme, found);
  }
  return found;
}

function updated(before: Dependents, now: readonly Token[], changed: readonly string[]): Dependents {
  const tokens = tokensOf({ tokens: now });
  const ids = new Set([...before.since.map(({ id }) => id), ...changed]);
  return { ...before, since: [...ids].flatMap((id) => tokens.get(id) ?? []) };
}

function dependentsIn(tokens: readonly Token[], theme: string): Dependents {
  const bySwatch = new Map<string, string[]>();
  const byToken = new Map<string, string[]>();
  const put = (map: Map<string, string[]>, key: string, id: string) => {
    const list = map.get(key);
    if (list) list.push(id);
    else map.set(key, [id]);
  };
  for (const token of tokens) {
    const value = token.values[theme];
    if (value && 'swatch' in value) put(bySwatch, value.swatch, token.id);
    else for (const source of sourcesOf(token, theme)) put(byToken, source, token.id);
  }
  return { bySwatch, byToken, since: [] };
}

/**
 * Resolves the tokens named, each after those it is made from, and empties the list; what else they are made from must be
 * there. Chains may be as long as there are tokens, so they are walked and not recursed into.
 */
function resolveInto(into: Map<string, Resolved>, brand: Brand, theme: string, todo: Set<string>): void {
  const tokens = tokensOf(brand);
  const places = swatchesOf(brand);
  const underWay = new Set<string>();
  for (const start of todo) {
    const open = [tokens.get(start)!];
    for (let token = open.at(-1); token; token = open.at(-1)) {
      const first = todo.has(token.id) && !underWay.has(token.id);
      // What is under way and asked for again lies on a circle; its colour is none.
      const missing = first ? sourcesOf(token, theme).filter((id) => todo.has(id) && !underWay.has(id)) : [];
      if (missing.length > 0) {
        underWay.add(token.id);
        open.push(...missing.map((id) => tokens.get(id)!));
        continue;
      }
      open.pop();
      if (!todo.delete(token.id)) continue;
      const circular = sourcesOf(token, theme).some((id) => todo.has(id));
      into.set(token.id, circular ? { token, colour: null, via: null, kept: null } : resolveToken(token, theme, into, places));
    }
  }
}

function resolveToken(
  token: Token,
  theme: string,
  done: ReadonlyMap<string, Resolved>,
  places: ReadonlyMap<string, SwatchPlace>,
): Resolved {
  const value = token.values[theme];
  if (value && 'colour' in value) return { token, colour: readColour(value.colour), via: null, kept: null };
  if (value && 'swatch' in value) {
    const kept = places.get(value.swatch) ?? null;
    return { token, colour: kept && readColour(kept.swatch.value), via: null, kept };
  }
  if (value) {
    const via = done.get(value.token) ?? null;
    return { token, colour: via?.colour ?? null, via, kept: null };
  }
  const { rule } = token;
  if (!rule) return { token, colour: null, via: null, kept: null };
  const via = done.get(rule.of) ?? null;
  const of = via?.colour;
  const surface = done.get(rule.surface)?.colour;
  // A part without a colour leaves what is made of it without one too, and not with a guess.
  if (!of || !surface) return { token, colour: null, via, kept: null };
  if (!('state' in rule)) return { token, colour: tintColour(of, surface, rule.strength), via, kept: null };
  const text = rule.text === undefined ? undefined : done.get(rule.text)?.colour;
  const made = rule.text === undefined || text;
  return { token, colour: made ? stateColour({ of, surface, text: text ?? undefined }, rule) : null, via, kept: null };
}

/** Tokens that come to a swatch or token, straight or through other tokens, in any theme; in the order given. */
export function tokensUsing(tokens: readonly Token[], target: { swatch: string } | { token: string }): Token[] {
  const users = new Set<string>();
  let found =
    'swatch' in target
      ? pointingAt(tokens, 'swatch', new Set([target.swatch]))
      : pointingAt(tokens, 'token', new Set([target.token]));
  while (found.length > 0) {
    const fresh = found.filter((token) => !users.has(token.id));
    fresh.forEach((token) => users.add(token.id));
    found = fresh.length > 0 ? pointingAt(tokens, 'token', new Set(fresh.map((token) => token.id))) : [];
  }
  return tokens.filter((token) => users.has(token.id));
}

function pointingAt(tokens: readonly Token[], kind: 'swatch' | 'token', ids: ReadonlySet<string>): Token[] {
  return tokens.filter(
    ({ values, rule }) =>
      Object.values(values).some((value) => {
        const to = kind === 'swatch' ? 'swatch' in value && value.swatch : 'token' in value && value.token;
        return to !== false && ids.has(to);
      }) ||
      (kind === 'token' && rule !== undefined && ruleTokens(rule).some((id) => ids.has(id))),
  );
}
