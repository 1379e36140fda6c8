import { ciede2000 } from '../../colour/difference';
import { labOf } from '../../colour/lab';
import { shownKey, readColour, type ReadColour } from '../../colour/read';
import type { FileToken, TokenContext } from './token-files';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';
import { resolveTheme } from '../../brand/reading/resolve';

/** A context of token files and the theme it stands for. */
export interface MappedContext {
  readonly theme: Theme;
  readonly context: TokenContext;
}

/** How a token differs in one theme. */
export interface ThemeChange {
  readonly theme: Theme;
  readonly before: ReadColour | null;
  readonly after: ReadColour | null;
  /** What it points at, or its colour, in words. */
  readonly wordsBefore: string;
  readonly wordsAfter: string;
  /** ΔE2000 between the two as a screen shows them; null when one is missing. */
  readonly distance: number | null;
  /** Whether it points at another token, or shows another colour. */
  readonly differs: boolean;
}

/** One difference between token files and the brand, to be taken or left. */
export interface TokenChange {
  readonly kind: 'added' | 'changed' | 'renamed' | 'removed';
  /** Path in the files; of a removed token, in the brand. */
  readonly path: string;
  /** The brand's token; null for an added one. */
  readonly token: Token | null;
  /** Themes in which its value is another, and for an added or removed one every theme. */
  readonly themes: readonly ThemeChange[];
  /** What else is another, in words. */
  readonly notes: readonly string[];
}

/** Tokens of files against a brand's: added, changed, renamed by a guess from colours and paths, and removed. */
export function compareTokens(brand: Brand, mapped: readonly MappedContext[]): TokenChange[] {
  const known = new Map(brand.tokens.map((token) => [token.path, token]));
  const paths = new Set(mapped.flatMap(({ context }) => [...context.tokens.keys()]));
  const arriving = [...paths].filter((path) => !known.has(path));
  const damaged = new Set(mapped.flatMap(({ context }) => [...context.damaged]));
  const missing = brand.tokens.filter(({ path }) => !paths.has(path) && !damaged.has(path));
  const renamed = guessRenames(brand, mapped, arriving, missing);
  const changes = [...paths].flatMap((path): TokenChange[] => {
    const token = known.get(path) ?? renamed.get(path) ?? null;
    const kind = known.has(path) ? 'changed' : token ? 'renamed' : 'added';
    const themes = themeChanges(brand, mapped, path, token).filter((change) => kind === 'added' || change.differs);
    const notes = token ? otherChanges(brand, mapped, path, token) : [];
    return kind === 'changed' && themes.length === 0 && notes.length === 0 ? [] : [{ kind, path, token, themes, notes }];
  });
  const gone = new Set([...renamed.values()]);
  const removed = missing
    .filter((token) => !gone.has(token))
    .map((token): TokenChange => ({
      kind: 'removed',
      path: token.path,
      token,
      themes: mapped.map(({ theme }) => change(theme, beforeIn(brand, token, theme), NOTHING)),
      notes: [],
    }));
  return [...changes, ...removed];
}

interface Side {
  readonly colour: ReadColour | null;
  /** Path of the token that it points at; null when it holds a colour, or nothing. */
  readonly alias: string | null;
}

const NOTHING: Side = { colour: null, alias: null };

/** What stands there, for people. */
function sideWords({ alias, colour }: Side): string {
  return alias === null ? (colour?.css ?? '') : `→ ${alias}`;
}

function change(theme: Theme, before: Side, after: Side): ThemeChange {
  const distance = before.colour && after.colour && ciede2000(labOf(before.colour.hex), labOf(after.colour.hex));
  return {
    theme,
    before: before.colour,
    after: after.colour,
    wordsBefore: sideWords(before),
    wordsAfter: sideWords(after),
    distance,
    // Another tie, or another colour: one written otherwise but the same is no difference.
    differs:
      before.alias !== null || after.alias !== null ? before.alias !== after.alias : !sameColour(before.colour, after.colour),
  };
}

function themeChanges(brand: Brand, mapped: readonly MappedContext[], path: string, token: Token | null): ThemeChange[] {
  return mapped.flatMap(({ theme, context }) => {
    const file = context.tokens.get(path);
    return file ? [change(theme, token ? beforeIn(brand, token, theme) : NOTHING, afterOf(file))] : [];
  });
}

function beforeIn(brand: Brand, token: Token, theme: Theme): Side {
  if (!brand.themes.some(({ id }) => id === theme.id)) return NOTHING;
  const { colour, via } = resolveTheme(brand, theme.id).get(token.id)!;
  return { colour, alias: via && token.values[theme.id] ? via.token.path : null };
}

function afterOf({ alias, colour }: FileToken): Side {
  return { colour, alias };
}

/** Equal on a screen of sRGB, and as far outside its gamut. */
export function sameColour(one: ReadColour | null, two: ReadColour | null): boolean {
  if (!one || !two) return one === two;
  return one.hex === two.hex && Math.abs(one.alpha - two.alpha) < 1 / 510 && Math.abs(one.clipped - two.clipped) < 1e-4;
}

function otherChanges(brand: Brand, mapped: readonly MappedContext[], path: string, token: Token): string[] {
  const file = mapped.flatMap(({ context }) => context.tokens.get(path) ?? [])[0];
  if (!file) return [];
  const notes: string[] = [];
  if (file.description !== token.description)
    notes.push(file.description === '' ? 'The description is taken away.' : `Description: “${file.description}”`);
  const deprecated = readDeprecation(brand, file.deprecated);
  if (JSON.stringify(deprecated) !== JSON.stringify(token.deprecated))
    notes.push(deprecated ? `Deprecated. ${deprecated.note}`.trim() : 'No longer deprecated.');
  if (file.extensions !== token.extensions) notes.push('What other tools keep with it is another.');
  return notes;
}

/** A reason as the standard has it, with the token to use instead where it names one as our own files do. */
export function readDeprecation(brand: Brand, reason: string | null): Token['deprecated'] {
  if (reason === null) return undefined;
  const [, note = '', path = ''] = /^(.*?)\s?(?:Use \{([^{}]+)\}\.)?$/s.exec(reason) ?? [];
  const use = brand.tokens.find((token) => token.path === path)?.id;
  return use === undefined ? { note: reason } : { note, use };
}

/** By new path, the token of the brand that it most likely was: the same colours in all themes, and the likest path. */
function guessRenames(
  brand: Brand,
  mapped: readonly MappedContext[],
  arriving: readonly string[],
  missing: readonly Token[],
): Map<string, Token> {
  const byColours = new Map<string, Token[]>();
  const themes = mapped.filter(({ theme }) => brand.themes.some(({ id }) => id === theme.id));
  if (themes.length === 0) return new Map();
  const key = (colours: readonly (ReadColour | null)[]) =>
    colours.includes(null) ? null : colours.map((colour) => shownKey(colour!)).join();
  for (const token of missing) {
    const colours = key(themes.map(({ theme }) => resolveTheme(brand, theme.id).get(token.id)!.colour));
    if (colours !== null) byColours.set(colours, [...(byColours.get(colours) ?? []), token]);
  }
  const guesses = arriving.flatMap((path) => {
    const colours = key(themes.map(({ context }) => context.tokens.get(path)?.colour ?? null));
    return (colours === null ? [] : (byColours.get(colours) ?? [])).map((token) => ({
      path,
      token,
      likeness: likeness(path, token.path),
    }));
  });
  const renamed = new Map<string, Token>();
  const taken = new Set<Token>();
  for (const { path, token, likeness: like } of guesses.sort((one, two) => two.likeness - one.likeness)) {
    if (like < LIKE_ENOUGH || renamed.has(path) || taken.has(token)) continue;
    renamed.set(path, token);
    taken.add(token);
  }
  return renamed;
}

/** Share of words in common below which two paths are not taken for one token: by chance many share a colour. */
const LIKE_ENOUGH = 0.3;

/** The share of words that two paths have in common, 0..1. */
function likeness(one: string, two: string): number {
  const words = (path: string) => new Set(path.toLowerCase().split(/[._-]+/));
  const [a, b] = [words(one), words(two)];
  const common = [...a].filter((word) => b.has(word)).length;
  return common / (a.size + b.size - common);
}

/** A colour that a swatch of the brand shows just so, to be linked to it. */
export function equalSwatch(brand: Brand, colour: ReadColour): string | undefined {
  for (const { swatches } of brand.palettes) {
    const found = swatches.find(({ value }) => sameColour(readColour(value), colour));
    if (found) return found.id;
  }
  return undefined;
}
