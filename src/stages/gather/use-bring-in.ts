import { useMemo } from 'react';
import { bringIn, type Arrival, type BroughtIn, type Route } from '@/core/intake/bring-in';
import type { Brand } from '@/core/brand/document/document';
import type { Palette, PaletteOrigin } from '@/core/brand/document/palette-shape';
import { newId } from '@/core/brand/document/identity';
import { useBrand } from '@/ui/store/brand-context';
import { useCatch, type CatchLine } from '@/ui/store/catch-store';

/** Neither can be the id of a theme. */
export const NO_TOKENS = '';
export const ALL_THEMES = '*';
/** Where tokens get their values: the id of a theme, every theme, or nowhere because none are brought. */
export type TokensIn = string;

type Origins = Readonly<Record<string, PaletteOrigin>>;

interface Group {
  readonly name: string;
  readonly lines: readonly CatchLine[];
  readonly route: Route;
  readonly kind: Palette['kind'];
}

/**
 * The ticked lines on their way into the brand: by their groups, and what bringing them in would do.
 * @param chosenKind kind of every new palette; null for the kind each was read with
 * @param tokensIn null for what is likeliest
 */
export function useBringIn(chosenKind: Palette['kind'] | null, tokensIn: TokensIn | null) {
  const { lines, ticked, names, routes, origins } = useCatch();
  const { brand, theme } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme }));
  const hasTokens = useMemo(() => lines.some(({ token }) => token), [lines]);
  const likely = useMemo(() => (hasTokens && knowsAny(brand, lines) ? theme : ALL_THEMES), [brand, lines, hasTokens, theme]);
  const themes = tokensIn ?? likely;

  const { byGroup, aliases } = useMemo(() => tickedOf(lines, ticked), [lines, ticked]);
  const groups = useMemo(
    () =>
      [...byGroup].map(([name, members]): Group => ({
        name,
        lines: members,
        route: routes[name] ?? { to: 'new', name: name || 'Gathered' },
        kind: chosenKind ?? members[0]!.kind,
      })),
    [byGroup, routes, chosenKind],
  );
  const themesSet = useMemo(() => {
    if (!hasTokens || themes === NO_TOKENS) return null;
    return themes === ALL_THEMES ? brand.themes.map(({ id }) => id) : [themes];
  }, [brand.themes, hasTokens, themes]);
  const plan = useMemo(
    () =>
      (known: Origins, idOf: () => string): BroughtIn =>
        bringIn(
          brand,
          {
            themes: themesSet,
            groups: groups.map((group) => arrivalOf(group, names, known[group.name])),
            aliases: aliases.map(({ token, colour }) => ({ ...token!, alias: token!.alias!, value: colour!.css })),
          },
          idOf,
        ),
    [brand, themesSet, groups, names, aliases],
  );
  return {
    brand,
    groups,
    hasTokens,
    themes,
    colours: groups.reduce((sum, group) => sum + group.lines.length, 0),
    /** What would be done; its ids are for show. */
    preview: useMemo(() => plan(origins, countUp()), [plan, origins]),
    /** What is to be done. @param found of groups, known only now */
    planned: (found: Origins) => plan({ ...origins, ...found }, newId),
  };
}

function arrivalOf(
  { lines, route, kind }: Group,
  names: Readonly<Record<number, string>>,
  origin: PaletteOrigin | undefined,
): Arrival {
  return {
    route,
    kind,
    ...(origin && { origin }),
    swatches: lines.map(({ index, name, colour, token, row }) => ({
      name: names[index]?.trim() || name,
      value: colour!.css,
      ...(token && { token }),
      ...(row !== undefined && { row }),
    })),
  };
}

/** Whether any of the tokens is in the brand already: then it is likely one theme that is being brought in. */
function knowsAny(brand: Brand, lines: readonly CatchLine[]): boolean {
  const paths = new Set(brand.tokens.map(({ path }) => path));
  return lines.some(({ token }) => token && paths.has(token.path));
}

/** Ticked lines by their group, and the ticked aliases, which belong to none. */
function tickedOf(lines: readonly CatchLine[], ticked: readonly number[]) {
  const taken = new Set(ticked);
  const byGroup = new Map<string, CatchLine[]>();
  const aliases: CatchLine[] = [];
  for (const line of lines) {
    if (!line.colour || !taken.has(line.index)) continue;
    if (line.token?.alias) aliases.push(line);
    else if (!byGroup.get(line.palette)?.push(line)) byGroup.set(line.palette, [line]);
  }
  return { byGroup, aliases };
}

function countUp(): () => string {
  let next = 0;
  return () => `preview-${next++}`;
}
