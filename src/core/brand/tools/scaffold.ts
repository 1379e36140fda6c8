import { hueTurn } from '../../colour/hue';
import { contrastRatio, nearestOn, type Ground } from '../../colour/contrast';
import { readColour, type ReadColour } from '../../colour/read';
import { terminal } from '../../palette/terminal';
import type { Brand } from '../document/document';
import type { Palette, Swatch } from '../document/palette-shape';
import type { Token, TokenValue } from '../document/token-shape';
import { resolveTheme } from '../reading/resolve';
import { SCAFFOLDS, type Scaffold, type Series, type PlannedToken, type Want } from './scaffolds';
import { stateTokens } from './state-tokens';

/** A token that a scaffold proposes, and why it has this colour. */
export interface Guess {
  readonly token: Token;
  /** One sentence. */
  readonly why: string;
  /** Other swatches that would fit, the best first. */
  readonly others: readonly Swatch[];
}

interface Candidate {
  readonly palette: Palette;
  readonly swatch: Swatch;
  readonly colour: ReadColour;
}

/** WCAG 2.2, 1.4.3 (AA). */
const READABLE = 4.5;
/** How much each kind of difference weighs, in OKLCH: a whole of lightness, of relative chroma, half a turn of hue. */
const WEIGHT = { lightness: 1, chroma: 0.35, hue: 1.6 } as const;
/** What it costs a swatch not to be of a brand palette, in the same measure. */
const NOT_BRAND = 0.15;
/** What each place costs it in the order of its brand palette: the first colours are the house's own (common practice). */
const LATER = 0.01;
/** Farther than this nothing in the brand fits, and the token gets a colour of its own. */
const FITS = 0.5;

/**
 * A scaffold's tree filled from the brand's palettes: each planned token gets the swatch that is nearest to what it wants and, for
 * a text, that can be read where it stands. Tokens that the brand has already under a planned path are left as they are,
 * and the others are fitted to them.
 */
export function fillScaffold(brand: Brand, scaffold: Scaffold['id'], newId: () => string): Guess[] {
  const { tokens, series } = SCAFFOLDS.find(({ id }) => id === scaffold)!;
  const inAllThemes = (value: TokenValue) => Object.fromEntries(brand.themes.map(({ id }) => [id, value]));
  const guesses =
    scaffold === 'terminal'
      ? terminalGuesses(brand, newId, inAllThemes)
      : [
          ...plannedGuesses(brand, tokens, newId, inAllThemes),
          ...series.flatMap((colours) => seriesGuesses(brand, colours, newId, inAllThemes)),
        ];
  const taken = new Set(brand.tokens.map(({ path }) => path));
  return guesses.filter(({ token }) => !taken.has(token.path));
}

function plannedGuesses(
  brand: Brand,
  tokens: readonly PlannedToken[],
  newId: () => string,
  inAllThemes: (value: TokenValue) => Token['values'],
): Guess[] {
  const candidates = brand.palettes.flatMap((palette) =>
    palette.swatches.map((swatch): Candidate => ({ palette, swatch, colour: readColour(swatch.value)! })),
  );
  const liveliest = Math.max(0.05, ...candidates.map(({ colour }) => colour.oklch[1]));
  const there = new Map(brand.tokens.map((token) => [token.path, token]));
  const ids = new Map(tokens.map(({ path }) => [path, there.get(path)?.id ?? newId()]));
  const colours = new Map<string, ReadColour>();
  const resolved = resolveTheme(brand, brand.themes[0]!.id);
  const chosen = new Map<string, Omit<Guess, 'token'> & { value: TokenValue }>();
  // Texts last: they are chosen for what they stand on.
  for (const planned of [...tokens].sort((one, two) => Number(!!one.on) - Number(!!two.on))) {
    const known = resolved.get(ids.get(planned.path)!)?.colour;
    if (known) colours.set(planned.path, known);
    if (there.has(planned.path)) continue;
    const grounds = (planned.on ?? []).flatMap((path): Ground[] => {
      const colour = colours.get(path);
      return colour ? [{ colour, needed: planned.contrast ?? READABLE }] : [];
    });
    const ranked = candidates
      .map((candidate) => ({ ...candidate, cost: cost(candidate, planned.want, liveliest) }))
      .filter(({ colour }) => grounds.every((ground) => contrastRatio(colour, ground.colour) >= ground.needed))
      .sort((one, two) => one.cost - two.cost);
    const best = ranked[0];
    const fits = best && best.cost <= (planned.want.within ?? FITS);
    const proposed = fits ? best.colour : wishedColour(planned.want, grounds, liveliest);
    const readable = grounds.length > 0 ? `, and it can be read at ${lowest(proposed, grounds)} to 1 or better` : '';
    colours.set(planned.path, proposed);
    chosen.set(planned.path, {
      value: fits ? { swatch: best.swatch.id } : { colour: proposed.hex },
      why: fits
        ? `${best.swatch.name} of ${best.palette.name} is the nearest to ${planned.want.words}${readable}.`
        : `No swatch comes near ${planned.want.words}${grounds.length > 0 ? ' that can be read here' : ''}, so this is a colour of its own${readable}.`,
      others: ranked.slice(fits ? 1 : 0, 6).map(({ swatch }) => swatch),
    });
  }
  return tokens.flatMap((planned): Guess[] => {
    const found = chosen.get(planned.path);
    const { value, ...guess } = found ?? { value: null, why: '', others: [] };
    const token: Token = there.get(planned.path) ?? {
      id: ids.get(planned.path)!,
      path: planned.path,
      role: planned.role,
      description: planned.description,
      on: (planned.on ?? []).map((path) => ids.get(path)!),
      values: value ? inAllThemes(value) : {},
    };
    const { states } = planned;
    const made = states
      ? stateTokens(
          token,
          ids.get(states.surface)!,
          states.text === undefined ? undefined : ids.get(states.text)!,
          states.kinds,
          newId,
        )
      : [];
    return [
      { ...guess, token },
      ...made.map((state) => ({ token: state, why: `Made by rule from ${planned.path}, in every theme.`, others: [] })),
    ];
  });
}

function cost({ palette, swatch, colour }: Candidate, { lightness, chroma, hue }: Want, liveliest: number): number {
  const [l, c, h] = colour.oklch;
  let sum = palette.kind === 'brand' ? LATER * palette.swatches.indexOf(swatch) : NOT_BRAND;
  if (lightness !== undefined) sum += WEIGHT.lightness * Math.abs(l - lightness);
  if (chroma !== undefined) sum += WEIGHT.chroma * Math.abs(c / liveliest - chroma);
  // The hue of a grey says nothing.
  if (hue !== undefined) sum += (WEIGHT.hue * (c < 0.03 ? 180 : Math.abs(hueTurn(hue, h)))) / 180;
  return sum;
}

function wishedColour({ lightness = 0.5, chroma = 0, hue = 0 }: Want, grounds: readonly Ground[], liveliest: number): ReadColour {
  const wanted = readColour(`oklch(${lightness} ${(chroma * liveliest).toFixed(4)} ${hue})`)!;
  return nearestOn(wanted, grounds) ?? readColour(wanted.hex)!;
}

function lowest(colour: ReadColour, grounds: readonly Ground[]): string {
  return (Math.floor(Math.min(...grounds.map((ground) => contrastRatio(colour, ground.colour))) * 10) / 10).toFixed(1);
}

function seriesGuesses(
  brand: Brand,
  { group, kind, description }: Series,
  newId: () => string,
  inAllThemes: (value: TokenValue) => Token['values'],
): Guess[] {
  const palette = brand.palettes.find((palette) => palette.kind === kind);
  return (palette?.swatches ?? []).map((swatch, at) => ({
    token: {
      id: newId(),
      path: `${group}.${at + 1}`,
      role: 'data',
      description,
      on: [],
      values: inAllThemes({ swatch: swatch.id }),
    },
    why: `Number ${at + 1} of ${palette!.name}, the first ${kind} palette.`,
    others: [],
  }));
}

function terminalGuesses(brand: Brand, newId: () => string, inAllThemes: (value: TokenValue) => Token['values']): Guess[] {
  const swatches = brand.palettes.flatMap((palette) => palette.swatches);
  const roles = terminal({ from: swatches.map(({ value }) => value), ground: 'dark', seed: 0, lift: 0 });
  const ground = newId();
  return roles.map(({ role, value, from }) => {
    const exact = swatches.find((swatch) => readColour(swatch.value)!.hex === value);
    const near = from === null ? undefined : swatches.find((swatch) => swatch.value === from);
    return {
      token: {
        id: role === 'ground' ? ground : newId(),
        path: `terminal.${role.replace(' ', '-')}`,
        role: role === 'ground' ? 'surface' : role === 'text' ? 'text' : 'other',
        description: '',
        on: role === 'text' ? [ground] : [],
        values: inAllThemes(exact ? { swatch: exact.id } : { colour: value }),
      },
      why: exact
        ? `${exact.name} as it is.`
        : near
          ? `${near.name}, brought to where it can be told on the ground.`
          : 'Made to stand beside the others; no swatch comes near.',
      others: near ? [near] : [],
    };
  });
}
