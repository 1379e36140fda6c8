import { slug } from '../base/words';
import type { Brand } from '../brand/document/document';
import type { Theme } from '../brand/document/theme-shape';
import { resolveTheme } from '../brand/reading/resolve';
import { deltaE2000 } from '../colour/difference';
import { labOf } from '../colour/lab';
import { shownHex } from '../colour/read';
import type { Seen } from './screen';

/** ΔE2000 up to which a colour is the token's with some of its precision lost: less than the eye tells. */
const PRECISION = 1;
/** ΔE2000 up to which a colour of which the screen does not say which it is may be meant to be a token's. Ours. */
const MEANT = 12;

/** Why a screen shows another colour than the brand's. */
export type Why =
  /** It runs an earlier release, and shows what that says, or something of which that says nothing. */
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
  /** Where it stands, the largest of its places. */
  readonly where: string;
  readonly state: Seen['state'];
  /** How many places it stands in, and the share of the area of all. */
  readonly places: number;
  readonly share: number;
  /** Path of the nearest token, and ΔE2000 to it. */
  readonly nearest: string;
  readonly distance: number;
}

/** A theme as a screen may show it. */
export interface ThemeColours {
  readonly name: string;
  /** As files name it. */
  readonly identifier: string;
  /** Shown colours by token path: `#rrggbb`, or `#rrggbbaa` when translucent. */
  readonly colours: ReadonlyMap<string, string>;
}

/** All themes of a brand as a screen may show them. */
export function themesShown(brand: Brand): ThemeColours[] {
  return brand.themes.map((theme) => shownIn(brand, theme));
}

/** The theme of a brand that files call so, as a screen may show it. */
export function themeShown(brand: Brand, identifier: string): ThemeColours | undefined {
  const theme = brand.themes.find(({ name }) => slug(name) === identifier);
  return theme && shownIn(brand, theme);
}

function shownIn(brand: Brand, { id, name }: Theme): ThemeColours {
  const shown = [...resolveTheme(brand, id).values()].flatMap(({ token, colour }) =>
    colour ? [[token.path, shownHex(colour)] as const] : [],
  );
  return { name, identifier: slug(name), colours: new Map(shown) };
}

/** What a screen shows in a theme, held against a brand. */
export interface ThemeMatch {
  /** One for each token that it shows. */
  readonly cells: ReadonlyMap<string, MatchCell>;
  /** The largest share first. */
  readonly strays: readonly Stray[];
}

/** What is known of a screen that helps to tell why a colour is another. */
export interface Circumstances {
  /** Colours of the same theme in the release that the screen runs, where that is an earlier one; none where it has no such theme. */
  readonly runs: ReadonlyMap<string, string> | null;
  readonly isEdited: boolean;
}

/**
 * Holds what a screen showed in a theme against the brand. Where the screen says which token a colour is, it is held against that one. Where it
 * does not, a colour that is just a token's is that token's; one that is near a token's that stands nowhere else is taken for it and differs; any other
 * is no token's.
 */
export function matchOf(wanted: ThemeColours, seen: readonly Seen[], { runs, isEdited }: Circumstances): ThemeMatch {
  const byColour = new Map<string, string[]>();
  for (const [path, colour] of wanted.colours) byColour.set(colour, [...(byColour.get(colour) ?? []), path]);
  const cells = new Map<string, MatchCell>();
  const strays = new Map<string, Stray>();
  const put = (path: string, { colour: found, where, state }: Seen) => {
    const colour = wanted.colours.get(path)!;
    const same = found === colour;
    const known = cells.get(path);
    // What differs in one place differs; what a screen says itself goes before what was guessed.
    if (known && (!known.same || same)) return;
    const distance = same ? 0 : distanceOf(found, colour);
    const why = same ? null : whyOf(found, distance, runs && (runs.get(path) ?? found), isEdited);
    cells.set(path, { token: path, found, wanted: colour, same, distance, why, where, state });
  };
  for (const one of seen) if (one.token !== undefined && wanted.colours.has(one.token)) put(one.token, one);
  const unnamed = seen.filter(({ token }) => token === undefined);
  for (const one of unnamed) for (const path of byColour.get(one.colour) ?? []) put(path, one);
  const shown = new Set(cells.keys());
  const nearestTo = nearestOf(byColour);
  for (const one of unnamed) {
    const near = byColour.has(one.colour) ? null : nearestTo(one.colour);
    if (!near) continue;
    // A token that stands elsewhere as it should is hardly meant here.
    if (near.distance <= MEANT && !shown.has(near.path)) put(near.path, one);
    else {
      const { colour: found, share } = one;
      const known = strays.get(found);
      const { where, state } = known ?? one;
      const { path: nearest, distance } = near;
      const [places, all] = [(known?.places ?? 0) + 1, Math.min(1, (known?.share ?? 0) + share)];
      strays.set(found, { found, where, state, places, share: all, nearest, distance });
    }
  }
  return { cells, strays: [...strays.values()].sort((one, two) => two.share - one.share) };
}

/** What finds the token nearest to a colour: by distance in Lab, which is quick over many, and told in ΔE2000. */
function nearestOf(
  byColour: ReadonlyMap<string, readonly string[]>,
): (colour: string) => { path: string; distance: number } | null {
  const known = [...byColour].map(([code, [path]]) => ({ code, path: path!, lab: labOf(code.slice(0, 7)) }));
  return (colour) => {
    const [l, a, b] = labOf(colour.slice(0, 7));
    let best: (typeof known)[number] | null = null;
    let least = Infinity;
    for (const one of known) {
      const square = (one.lab[0] - l) ** 2 + (one.lab[1] - a) ** 2 + (one.lab[2] - b) ** 2;
      if (square >= least) continue;
      least = square;
      best = one;
    }
    return best && { path: best.path, distance: distanceOf(colour, best.code) };
  };
}

/** @param then what the release says that the screen runs; what it shows, where that does not say; null where it runs the latest */
function whyOf(found: string, distance: number, then: string | null, isEdited: boolean): Why {
  if (found === then) return 'older release';
  if (isEdited) return 'edited by hand';
  return distance < PRECISION ? 'precision lost' : 'another colour';
}

/** Opacity that differs is a difference to be seen, and told as one just beyond what is not. */
function distanceOf(one: string, two: string): number {
  const distance = deltaE2000(one.slice(0, 7), two.slice(0, 7));
  return one.slice(7) === two.slice(7) ? distance : Math.max(distance, PRECISION);
}
