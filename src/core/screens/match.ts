import { slug } from '../base/words';
import type { Brand } from '../brand/document';
import { resolveTheme } from '../brand/resolve';
import { deltaE2000 } from '../colour/difference';
import { hexCode } from '../colour/read';
import type { Reading, Seen } from './screen';

/** ΔE2000 up to which a colour is the token's with some of its precision lost: less than the eye tells. */
const PRECISION = 1;
/** ΔE2000 up to which a colour of which the screen does not say which it is may be meant to be a token's. Ours. */
const MEANT = 12;

/** Why a screen shows another colour than the brand's. */
export type Why =
  /** It runs an earlier release, and shows what that says. */
  | 'older release'
  /** Somebody changed its files by hand. */
  | 'edited by hand'
  /** It is so near that rounding on the way explains it. */
  | 'precision lost'
  | 'another colour';

/** A token on a screen, in a theme. */
export interface MatchCell {
  readonly token: string;
  /** What the screen shows: `#rrggbb`, or `#rrggbbaa` when translucent. */
  readonly found: string;
  readonly wanted: string;
  readonly same: boolean;
  /** ΔE2000 between the two, leaving opacity aside. */
  readonly distance: number;
  /** Null where they are the same. */
  readonly why: Why | null;
  /** Where it stands, first of all. */
  readonly where: string;
  readonly state: Seen['state'];
}

/** A colour on a screen that is none of the brand's. */
export interface Stray {
  readonly found: string;
  readonly where: string;
  readonly state: Seen['state'];
  readonly share: number;
  /** Path of the nearest token, and ΔE2000 to it. */
  readonly nearest: string;
  readonly distance: number;
}

/** What a screen shows in a theme, held against a brand. */
export interface ThemeMatch {
  /** Id of the theme. */
  readonly theme: string;
  /** One for each token that it shows. */
  readonly cells: ReadonlyMap<string, MatchCell>;
  /** The largest share first. */
  readonly strays: readonly Stray[];
}

/** What is known of a screen that helps to tell why a colour is another. */
export interface Circumstances {
  /** The document of the release that it runs, where that is an earlier one. */
  readonly runs: Brand | null;
  readonly isEdited: boolean;
}

/** The shown colours of a theme by token path: `#rrggbb`, or `#rrggbbaa`. */
export function shownColours(brand: Brand, theme: string): Map<string, string> {
  return new Map(
    [...resolveTheme(brand, theme).values()].flatMap(({ token, colour }) =>
      colour ? [[token.path, hexCode(colour.hex, colour.alpha)] as const] : [],
    ),
  );
}

/** Identifier of a theme as files name it. */
export function themeCalled(brand: Brand, identifier: string): Brand['themes'][number] | undefined {
  return brand.themes.find(({ name }) => slug(name) === identifier);
}

/**
 * Holds what a screen showed in a theme against the brand. Where the screen says which token a colour is, it is held against that one. Where it
 * does not, a colour that is just a token's is that token's; one that is near a token's that stands nowhere else is taken for it and differs; any other
 * is no token's.
 * @returns null for a theme that the brand has not
 */
export function matchOf(brand: Brand, { theme: identifier, seen }: Reading, circumstances: Circumstances): ThemeMatch | null {
  const theme = themeCalled(brand, identifier);
  if (!theme) return null;
  const wanted = shownColours(brand, theme.id);
  const byColour = new Map<string, string[]>();
  for (const [path, colour] of wanted) byColour.set(colour, [...(byColour.get(colour) ?? []), path]);
  const { runs } = circumstances;
  const earlier = runs && themeCalled(runs, identifier);
  const then = earlier ? shownColours(runs, earlier.id) : null;

  const cells = new Map<string, MatchCell>();
  const strays: Stray[] = [];
  const nearest = new Map<string, { path: string; distance: number }>();
  const put = (path: string, one: Seen) => {
    const colour = wanted.get(path)!;
    const known = cells.get(path);
    // What differs in one place differs; what a screen says itself goes before what was guessed.
    if (known && (!known.same || one.colour === colour)) return;
    const distance = one.colour === colour ? 0 : distanceOf(one.colour, colour);
    const why = one.colour === colour ? null : whyOf(one.colour, distance, then?.get(path), circumstances.isEdited);
    const { where, state } = one;
    cells.set(path, { token: path, found: one.colour, wanted: colour, same: one.colour === colour, distance, why, where, state });
  };
  for (const one of seen) if (one.token !== undefined && wanted.has(one.token)) put(one.token, one);
  const unnamed = seen.filter(({ token }) => token === undefined);
  for (const one of unnamed) for (const path of byColour.get(one.colour) ?? []) put(path, one);
  const shown = new Set(cells.keys());
  for (const one of unnamed) {
    const near = byColour.has(one.colour) ? null : nearestTo(one.colour);
    if (!near) continue;
    // A token that stands elsewhere as it should is hardly meant here.
    if (near.distance <= MEANT && !shown.has(near.path)) put(near.path, one);
    else {
      const { colour: found, where, state, share } = one;
      strays.push({ found, where, state, share, nearest: near.path, distance: near.distance });
    }
  }
  strays.sort((one, two) => two.share - one.share);
  return { theme: theme.id, cells, strays };

  function nearestTo(colour: string): { path: string; distance: number } | null {
    const known = nearest.get(colour);
    if (known) return known;
    let best: { path: string; distance: number } | null = null;
    for (const [code, [path]] of byColour) {
      const distance = distanceOf(colour, code);
      if (!best || distance < best.distance) best = { path: path!, distance };
    }
    if (best) nearest.set(colour, best);
    return best;
  }
}

function whyOf(found: string, distance: number, then: string | undefined, isEdited: boolean): Why {
  if (found === then) return 'older release';
  if (isEdited) return 'edited by hand';
  return distance < PRECISION ? 'precision lost' : 'another colour';
}

/** Opacity that differs is a difference to be seen, and told as one just beyond what is not. */
function distanceOf(one: string, two: string): number {
  const distance = deltaE2000(one.slice(0, 7), two.slice(0, 7));
  return one.slice(7) === two.slice(7) ? distance : Math.max(distance, PRECISION);
}
