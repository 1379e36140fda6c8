import { shortened } from '../../base/storable';
import { uniqueNames } from '../../base/unique-names';
import { contrastRatio } from '../../colour/contrast';
import { apply } from '../commands/apply';
import type { Command, Step } from '../commands/commands';
import { assignments, tokensBelow } from '../reading/data-fields';
import { tintRule, type Token } from '../document/token-shape';
import type { Brand } from '../document/document';
import { groupKind } from '../reading/group-kind';
import { named } from '../reading/naming';
import { removalSteps } from './remove-tokens';
import { resolveTheme, tokensOf } from '../reading/resolve';
import { tintColour } from '../reading/tint-rule';

/** What is tinted of a list: the heads of its groups, or the rows below them as well. */
export const TINTED = ['headers', 'all'] as const;

/** Items that have a colour each, such as the routes. */
export interface TintGroup {
  readonly name: string;
  /** Where its tints are named: `route-tint`. */
  readonly path: string;
  readonly items: readonly { readonly name: string; readonly token: Token }[];
}

/** How the rows of a list are tinted with the colours of their items. */
export interface Tints {
  /** How much of an item's colour is in its row, 0..1. */
  readonly strength: number;
  readonly tinted: (typeof TINTED)[number];
  /** Id of the surface that is tinted. */
  readonly surface: string;
}

/** What a list may be tinted with: the fields of the brand, and its groups of categories that no field draws from. */
export function tintGroups(brand: Brand): TintGroup[] {
  const { tokens, fields, themes } = brand;
  const ofFields = fields.map((field) => ({
    name: field.name,
    path: `${field.group}-tint`,
    items: assignments(brand, field).flatMap(({ text, token }) => (token ? [{ name: text, token }] : [])),
  }));
  const drawn = new Set(fields.map(({ group }) => group));
  const groups = new Set(
    tokens.flatMap(({ role, path }) => (role === 'data' && path.includes('.') ? [path.slice(0, path.lastIndexOf('.'))] : [])),
  );
  const others = [...groups].flatMap((group) => {
    const below = tokensBelow(tokens, group);
    const kind = groupKind(brand, below, themes[0]!.id);
    if (drawn.has(group) || kind === 'sequential' || kind === 'diverging') return [];
    return [{ name: group, path: `${group}-tint`, items: below.map((token) => ({ name: lastOf(token.path), token })) }];
  });
  return [...ofFields, ...others].filter(({ items }) => items.length > 0);
}

type Kind = 'header' | 'row';

/** The tokens that tint the items of a group, by what they tint and the item's token. */
function tintsThere(brand: Brand, { items }: TintGroup): ReadonlyMap<string, Token> {
  const ids = new Set(items.map(({ token }) => token.id));
  return new Map(
    brand.tokens.flatMap((token) => {
      const rule = tintRule(token);
      if (!rule || !ids.has(rule.of)) return [];
      return [[`${kindOf(token)} ${rule.of}`, token]];
    }),
  );
}

/** What a tint is behind: the first that its path says after it said that it is a tint. */
function kindOf({ path }: Token): Kind {
  const steps = path.split('.');
  const after = steps.slice(steps.findIndex((step) => /tint$/i.test(step)) + 1);
  return after.find((step) => step === 'header' || step === 'row') === 'header' ? 'header' : 'row';
}

/** How a group is tinted now; null when it is not. */
export function tintsOf(brand: Brand, group: TintGroup): Tints | null {
  const there = tintsThere(brand, group);
  const [first] = there.values();
  const rule = first && tintRule(first);
  if (!rule) return null;
  const all = [...there.keys()].some((key) => key.startsWith('row '));
  return { strength: rule.strength, tinted: all ? 'all' : 'headers', surface: rule.surface };
}

/**
 * Tints as tokens that ship: one for each item's header, and where all is tinted one for its row, each made by rule of the item's colour and the
 * surface in every theme. A text that names what it is set on is set on them too, so that its contrast there is looked after. Without tints
 * those that are there go.
 * @param text id of the text that is set on them
 * @returns null when all is so already
 */
export function tintCommand(
  brand: Brand,
  group: TintGroup,
  tints: Tints | null,
  text: string | undefined,
  newId: () => string,
): Command | null {
  const there = tintsThere(brand, group);
  const kinds: readonly Kind[] = tints === null ? [] : tints.tinted === 'all' ? ['header', 'row'] : ['header'];
  const unique = uniqueNames(
    brand.tokens.map(({ path }) => path),
    (path, n) => `${path}-${n}`,
  );
  const steps: Step[] = [];
  const added: Token[] = [];
  const wanted = new Set<string>();
  for (const kind of kinds) {
    for (const { name, token: item } of group.items) {
      const rule = { strength: tints!.strength, of: item.id, surface: tints!.surface };
      const token = there.get(`${kind} ${item.id}`);
      wanted.add(token?.id ?? '');
      const old = token && tintRule(token)!;
      if (token && (old!.strength !== rule.strength || old!.surface !== rule.surface))
        steps.push({ do: 'token.edit', id: token.id, set: { rule } });
      if (token) continue;
      const path = `${group.path}.${kind}.${lastOf(item.path)}`;
      added.push({
        id: newId(),
        path: unique(brand.naming ? named(path, brand.naming) : path),
        role: 'surface',
        description: kind === 'header' ? `Behind the header of ${name}.` : `Behind the rows of ${name}.`,
        on: [],
        values: {},
        rule,
      });
    }
  }
  if (added.length > 0) steps.push({ do: 'token.add', tokens: added, before: null });
  const set = text === undefined ? undefined : tokensOf(brand).get(text);
  if (set && set.on.length > 0 && added.length > 0)
    steps.push({ do: 'token.edit', id: set.id, set: { on: [...set.on, ...added.map(({ id }) => id)] } });
  const gone = [...there.values()].flatMap(({ id }) => (wanted.has(id) ? [] : [id]));
  if (gone.length > 0) {
    const so = steps.length > 0 ? apply(brand, { label: group.name, steps }) : { ok: true as const, brand };
    steps.push(...(so.ok ? removalSteps(so.brand, gone) : []));
  }
  const label = shortened(`${tints ? 'Tint' : 'Do not tint'} the rows of ${group.name}`, 200);
  return steps.length > 0 ? { label, steps } : null;
}

/** The least contrast that a text has on the tints of a group in a theme, and the item it has it on; null where something has no colour. */
export function leastOnTints(
  brand: Brand,
  theme: string,
  { items }: TintGroup,
  { strength, surface }: Pick<Tints, 'strength' | 'surface'>,
  text: string,
): { readonly ratio: number; readonly item: string } | null {
  const resolved = resolveTheme(brand, theme);
  const [ground, ink] = [resolved.get(surface)?.colour, resolved.get(text)?.colour];
  if (!ground || !ink) return null;
  return items.reduce<{ ratio: number; item: string } | null>((least, { name, token }) => {
    const colour = resolved.get(token.id)?.colour;
    if (!colour) return least;
    const ratio = contrastRatio(ink, tintColour(colour, ground, strength));
    return least && least.ratio <= ratio ? least : { ratio, item: name };
  }, null);
}

/** How finely strengths are looked through. */
const STRIDE = 0.01;

/** The greatest strength up to which a text can be read on every tint in every theme named, 0..1; null when it cannot even without any. */
export function mostReadable(
  brand: Brand,
  themes: readonly string[],
  group: TintGroup,
  surface: string,
  text: string,
  needed: number,
): number | null {
  let most: number | null = null;
  for (let at = 0; at <= 1 / STRIDE; at++) {
    const strength = at * STRIDE;
    const reads = themes.every(
      (theme) => (leastOnTints(brand, theme, group, { strength, surface }, text)?.ratio ?? needed) >= needed,
    );
    if (!reads) break;
    most = Math.round(strength * 100) / 100;
  }
  return most;
}

function lastOf(path: string): string {
  return path.slice(path.lastIndexOf('.') + 1);
}
