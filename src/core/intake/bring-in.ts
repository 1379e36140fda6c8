import { uniqueNames } from '../base/unique-names';
import type { Command, Step } from '../brand/commands/commands';
import { TokenPath, type Token, type TokenValue } from '../brand/document/token-shape';
import type { Brand } from '../brand/document/document';
import type { Palette, PaletteOrigin, Swatch } from '../brand/document/palette-shape';
import { LIMITS } from '../brand/document/fields';
import { replacePalette, type Incoming, type ReplacedRow } from './replace-palette';
import { likelyRole } from '../brand/reading/token-role';

/** Where the colours of one group of a source go. */
export type Route =
  | { readonly to: 'new'; readonly name: string }
  | { readonly to: 'append' | 'replace'; readonly palette: string }
  /** Into no palette: their tokens hold the colours themselves. */
  | { readonly to: 'tokens' };

/** A design token on its way into the brand. */
export interface ArrivingToken {
  /** As its source names it; it is made a path of ours. */
  readonly path: string;
  readonly description: string;
}

export interface ArrivingSwatch extends Incoming {
  readonly token?: ArrivingToken;
}

export interface ArrivingAlias extends ArrivingToken {
  /** Path of the token it points at, as the source names it. */
  readonly alias: string;
  /** CSS colour it comes to, for when the token it points at is nowhere. */
  readonly value: string;
}

export interface Arrival {
  readonly route: Route;
  /** Of the palette, should it be a new one. */
  readonly kind: Palette['kind'];
  readonly origin?: PaletteOrigin;
  readonly swatches: readonly ArrivingSwatch[];
}

export interface Arrivals {
  readonly groups: readonly Arrival[];
  /** Ids of the themes that tokens get their values in; null when no tokens are brought. */
  readonly themes: readonly string[] | null;
  readonly aliases: readonly ArrivingAlias[];
}

/** What bringing in would do, to be shown before it is done. */
export interface BroughtIn {
  /** null when there is nothing to do. */
  readonly command: Command | null;
  /** Before and after of each palette that is replaced. */
  readonly replacements: readonly { readonly palette: Palette; readonly rows: readonly ReplacedRow[] }[];
  /** The first palette that gets colours. */
  readonly palette: string | null;
  readonly tokens: { readonly added: number; readonly set: number };
  /** Sentences on what does not go in as it stands in the source. */
  readonly notes: readonly string[];
}

/**
 * Colours and tokens of a catch as one command. New palettes of one name become one palette; one whose name is taken in the brand is
 * given a number. A token whose path is in
 * the brand already gets its value set in the themes named; any other is added. Aliases stay aliases as long as what
 * they point at comes too or is in the brand.
 */
export function bringIn(brand: Brand, { groups, themes, aliases }: Arrivals, newId: () => string): BroughtIn {
  const beyond = tooMany(groups, themes ? aliases.length : null);
  if (beyond) return { command: null, replacements: [], palette: null, tokens: { added: 0, set: 0 }, notes: [beyond] };
  const steps: Step[] = [];
  const replacements: { palette: Palette; rows: readonly ReplacedRow[] }[] = [];
  const notes: string[] = [];
  /** What each token that holds a colour is to stand for. */
  const values: [ArrivingToken, TokenValue][] = [];
  const paletteName = uniqueNames(brand.palettes.map(({ name }) => name));
  let first: string | null = null;
  let count = 0;
  for (const { route, kind, origin, swatches } of merged(brand, groups)) {
    let ids: readonly (string | null)[] = swatches.map(() => null);
    if (route.to === 'tokens') {
      if (!themes) continue;
    } else if (route.to === 'replace') {
      const palette = brand.palettes.find(({ id }) => id === route.palette)!;
      const replacement = replacePalette(brand, palette, swatches.map(asIncoming), newId);
      steps.push(...replacement.steps);
      replacements.push({ palette, rows: replacement.rows });
      ids = replacement.ids;
      first ??= palette.id;
    } else {
      const added = swatches.map((swatch): Swatch => ({ id: newId(), ...asIncoming(swatch), locked: false }));
      ids = added.map(({ id }) => id);
      const id = route.to === 'new' ? newId() : route.palette;
      if (route.to === 'new')
        steps.push({
          do: 'palette.add',
          palette: { id, name: paletteName(route.name), kind, ...origin, swatches: added },
          before: null,
        });
      else steps.push({ do: 'swatch.add', palette: id, swatches: added, before: null });
      first ??= id;
    }
    count += swatches.length;
    swatches.forEach(({ token, value }, at) => {
      const id = ids[at];
      if (token) values.push([token, id ? { swatch: id } : { colour: value }]);
    });
  }
  const tokens = themes ? tokenSteps(brand, values, aliases, themes, newId, notes) : { steps: [], added: 0, set: 0 };
  steps.push(...tokens.steps);
  const total = tokens.added + tokens.set;
  const label = [words(count, 'colour', 'colours'), ...(total > 0 ? [words(total, 'token', 'tokens')] : [])].join(' and ');
  return {
    command: steps.length > 0 ? { label: `Bring in ${label}`, steps } : null,
    replacements,
    palette: first,
    tokens: { added: tokens.added, set: tokens.set },
    notes,
  };
}

/**
 * Why so much can never go into the brand, for that is soon seen, and planning it would take long; null when it may fit.
 * @param aliases null when no tokens are brought
 */
function tooMany(groups: readonly Arrival[], aliases: number | null): string | null {
  const swatches = groups.filter(({ route }) => route.to !== 'tokens').reduce((sum, group) => sum + group.swatches.length, 0);
  if (swatches > LIMITS.swatches) return atMost(LIMITS.swatches, 'swatches', swatches);
  if (aliases === null) return null;
  const tokens = groups.reduce((sum, group) => sum + group.swatches.filter(({ token }) => token).length, aliases);
  return tokens > LIMITS.tokens ? atMost(LIMITS.tokens, 'tokens', tokens) : null;
}

function atMost(limit: number, what: string, count: number): string {
  return `A brand holds at most ${limit} ${what}, and these are ${count}. Take fewer.`;
}

function asIncoming({ name, value, row }: Incoming): Incoming {
  return { name, value, ...(row !== undefined && { row }) };
}

function words(count: number, singular: string, many: string): string {
  return `${count} ${count === 1 ? singular : many}`;
}

/** Groups that go to the same palette as one, in the order of the first. A palette that is no longer there is made anew. */
function merged(brand: Brand, groups: readonly Arrival[]): Arrival[] {
  const byTarget = new Map<string, Arrival>();
  for (const group of groups) {
    const given = group.route;
    const there = !('palette' in given) || brand.palettes.some(({ id }) => id === given.palette);
    const named = given.to === 'new' ? given.name.trim() : '';
    const route: Route = given.to === 'new' || !there ? { to: 'new', name: named || 'Gathered' } : given;
    const key = JSON.stringify(route);
    const known = byTarget.get(key);
    byTarget.set(key, known ? { ...known, swatches: [...known.swatches, ...group.swatches] } : { ...group, route });
  }
  return [...byTarget.values()].filter(({ swatches }) => swatches.length > 0);
}

/** A path of another tool as one of ours: what a path may not hold becomes a hyphen. */
export function tokenPathOf(path: string): string {
  if (TokenPath.safeParse(path).success) return path;
  const parts = path.split('.').map((part) => part.replace(/[^\p{L}\p{N}_-]+/gu, '-').replace(/^-+|-+$/g, '') || 'unnamed');
  return withoutEnd(parts.join('.').slice(0, LIMITS.path));
}

/** A path that was cut off may not end in what only joins. */
function withoutEnd(path: string): string {
  return path.replace(/[.-]+$/, '');
}

function tokenSteps(
  brand: Brand,
  values: readonly (readonly [ArrivingToken, TokenValue])[],
  aliases: readonly ArrivingAlias[],
  themes: readonly string[],
  newId: () => string,
  notes: string[],
): { steps: Step[]; added: number; set: number } {
  const known = new Map(brand.tokens.map(({ path, id }) => [path, id]));
  const unique = uniqueNames([], (path, n) => `${withoutEnd(path.slice(0, LIMITS.path - 6))}-${n}`);
  /** By the source's path: the path here, and the token's id. */
  const arriving = new Map<string, { path: string; id: string; there: boolean }>();
  for (const { path: raw } of [...values.map(([token]) => token), ...aliases]) {
    const path = unique(tokenPathOf(raw));
    if (path !== raw)
      notes.push(`${raw} becomes ${path}: a path has letters, digits, hyphens and underscores, and each path once.`);
    arriving.set(raw, { path, id: known.get(path) ?? newId(), there: known.has(path) });
  }
  const added: Token[] = [];
  const sets: Step[] = [];
  const put = ({ path: raw, description }: ArrivingToken, value: TokenValue) => {
    const { path, id, there } = arriving.get(raw)!;
    const inThemes = Object.fromEntries(themes.map((theme) => [theme, value]));
    if (there) sets.push({ do: 'token.set', id, set: inThemes });
    else added.push({ id, path, role: likelyRole(path), description, on: [], values: inThemes });
  };
  for (const [token, value] of values) put(token, value);
  let cut = 0;
  for (const alias of targetsFirst(aliases)) {
    const target = arriving.get(alias.alias)?.id ?? known.get(tokenPathOf(alias.alias));
    if (!target) cut++;
    put(alias, target ? { token: target } : { colour: alias.value });
  }
  if (cut > 0)
    notes.push(`${words(cut, 'alias', 'aliases')}: the token pointed at does not come, so the colour itself is taken.`);
  // New tokens first: nothing points at them yet, so no order of theirs can close a circle on the way.
  const steps: Step[] = [...(added.length > 0 ? [{ do: 'token.add' as const, tokens: added, before: null }] : []), ...sets];
  return { steps, added: added.length, set: sets.length };
}

/** Aliases so that each comes after the one it points at: set in this order, none closes a circle on the way. */
function targetsFirst(aliases: readonly ArrivingAlias[]): ArrivingAlias[] {
  const byPath = new Map(aliases.map((alias) => [alias.path, alias]));
  const done = new Set<ArrivingAlias>();
  for (const start of aliases) {
    const chain = new Set<ArrivingAlias>();
    for (let at: ArrivingAlias | undefined = start; at && !done.has(at) && !chain.has(at); at = byPath.get(at.alias))
      chain.add(at);
    for (const alias of [...chain].reverse()) done.add(alias);
  }
  return [...done];
}
