import { assignments, tokensBelow } from '../brand/reading/data-fields';
import type { Brand } from '../brand/document/document';
import { resolveTheme } from '../brand/reading/resolve';
import { closePairs } from '../colour/close-pairs';
import { labD65, srgbToLabD65, type LabD65 } from '../colour/lab';
import { readColour, type ReadColour } from '../colour/read';
import { seenAs, type Vision } from '../colour/vision';
import type { Subject } from './finding';
import type { Known } from './finding';
import { mostOf } from './worst';

/** ΔE2000 below which two colours of a chart are not told apart at a glance (common practice). */
export const TOLD_APART = 10;

/**
 * ΔE2000 as a dichromat sees them, below which two colours are the same to somebody. Ours: sets that are known to be safe keep above it (the eight
 * of Okabe and Ito 2008 keep 7.9, those that ColorBrewer calls safe 5.8), and sets that are known not to be fall far below.
 */
export const TOLD_BY_ALL = 5.5;

/** One colour of a set of categories: what it is called, what shows it, and its id, of a swatch or of a token. */
interface Category {
  readonly id: string;
  readonly name: string;
  readonly colour: ReadColour;
}

/** Colours that stand for categories beside each other: a palette's, or what the values of a field have in a theme. */
export interface CategorySet {
  readonly words: string;
  readonly about: Omit<Subject, 'tokens' | 'swatches'>;
  readonly what: 'swatches' | 'tokens';
  readonly categories: readonly Category[];
}

/**
 * Every set of categories of a brand: its categorical palettes, and per theme the tokens that the values of a field have. Where those come straight
 * from one categorical palette the palette says it already.
 */
export function categorySets(brand: Brand): CategorySet[] {
  const sets: CategorySet[] = brand.palettes
    .filter(({ kind }) => kind === 'categorical')
    .map((palette) => ({
      words: palette.name,
      about: { palette: palette.id },
      what: 'swatches',
      categories: palette.swatches.map(({ id, name, value }) => ({ id, name, colour: readColour(value)! })),
    }));
  for (const field of brand.fields) {
    const given = assignments(brand, field);
    const tokens = [...new Set([...tokensBelow(brand.tokens, field.group), ...given.flatMap(({ token }) => token ?? [])])];
    const names = new Map(given.flatMap(({ token, text }) => (token ? [[token.id, text] as const] : [])));
    for (const theme of brand.themes) {
      const resolved = resolveTheme(brand, theme.id);
      const found = tokens.flatMap((token) => resolved.get(token.id) ?? []);
      const palettes = new Set(found.map(({ kept }) => (kept?.palette.kind === 'categorical' ? kept.palette.id : null)));
      if (palettes.size === 1 && !palettes.has(null)) continue;
      sets.push({
        words: `${field.name} in ${theme.name}`,
        about: { field: field.id, theme: theme.id },
        what: 'tokens',
        categories: found.flatMap(({ token, colour }) =>
          colour ? [{ id: token.id, name: names.get(token.id) ?? token.path, colour }] : [],
        ),
      });
    }
  }
  return sets;
}

/** Two categories that are hard to tell apart. */
export interface AlikePair {
  readonly set: CategorySet;
  readonly one: Category;
  readonly two: Category;
  /** ΔE2000, as that vision sees them. */
  readonly distance: number;
  readonly vision: Vision;
}

/** Pairs of a set that are closer than a limit of ΔE2000 to some eyes, each with those that tell it least; the closest first. */
export function alikePairs(set: CategorySet, visions: readonly Vision[], limit: number, known: Known): AlikePair[] {
  const pairs = new Map<string, AlikePair>();
  for (const vision of visions) {
    const labs = set.categories.map(({ colour }) => labAs(colour, vision));
    for (const { one, two, distance } of closePairs(labs, limit, mostOf(known) + 1)) {
      const key = `${one} ${two}`;
      if ((pairs.get(key)?.distance ?? Infinity) > distance)
        pairs.set(key, { set, one: set.categories[one]!, two: set.categories[two]!, distance, vision });
    }
  }
  return [...pairs.values()].sort((a, b) => a.distance - b.distance);
}

const seen = new WeakMap<ReadColour, Partial<Record<Vision, LabD65>>>();

/** Lab of what a kind of vision sees of a colour as a screen shows it. */
export function labAs(colour: ReadColour, vision: Vision): LabD65 {
  let known = seen.get(colour);
  if (!known) seen.set(colour, (known = {}));
  return (known[vision] ??= vision === 'normal' ? labD65(readColour(colour.hex)!) : srgbToLabD65(seenAs(colour.rgb, vision)));
}

export function subjectOf({ set, one, two }: AlikePair): Subject {
  return { ...set.about, [set.what]: [one.id, two.id] };
}
