import { z } from 'zod';
import { isStorable, UNSTORABLE } from '../../base/storable';
import { Acceptance } from './acceptance-shape';
import { Art } from './art-shape';
import { colour, EntityId as id, FileHash, LIMITS, name, text } from './fields';
import { Graft } from './graft-shape';
import { BRAND_UPGRADES, BRAND_VERSION, upgraded } from './versions';

export const PALETTE_KINDS = ['brand', 'categorical', 'sequential', 'diverging', 'loose'] as const;
export const TOKEN_ROLES = ['surface', 'text', 'accent', 'border', 'state', 'status', 'data', 'other'] as const;
export const TOKEN_STATES = ['hover', 'pressed', 'selected', 'focus', 'disabled'] as const;
/** How the words within one step of a path are joined: `on-header`, `onHeader`, or each word a step of its own. */
export const NAMINGS = ['kebab', 'camel', 'dots'] as const;

/** A colour in a palette, kept exactly as it was authored. */
export const Swatch = z.strictObject({
  id,
  name,
  /** Authored CSS colour. */
  value: colour,
  /** A locked swatch refuses a new value until it is unlocked. */
  locked: z.boolean(),
  /** Label of the row it stands in. Neighbours with the same label are one row; those without follow each other freely. */
  row: name.optional(),
  /** Where settling started from, and the value it gave. Once the value is another, this no longer counts. */
  settled: z.strictObject({ from: colour, to: colour }).optional(),
});

/** What a palette was made from: a picture kept beside the brand, by its SHA-256, a palette of the shelf, or a palette file. */
export const PaletteSource = z.union([
  z.strictObject({ picture: FileHash, name }),
  z.strictObject({ shelf: id, name }),
  z.strictObject({ file: name }),
]);

/** Who made a palette, and where to find more of it. The address is shown and never fetched. */
export const PaletteMaker = z.strictObject({
  name,
  link: z
    .url({
      protocol: /^https?$/,
      hostname: z.regexes.domain,
      error: 'A link is an address such as https://example.org/palettes.',
    })
    .max(LIMITS.link, `A link has at most ${LIMITS.link} characters.`)
    .optional(),
});

export const Palette = z.strictObject({
  id,
  name,
  kind: z.enum(PALETTE_KINDS),
  /** What it is for, in a sentence or two. */
  note: text(LIMITS.note).optional(),
  maker: PaletteMaker.optional(),
  source: PaletteSource.optional(),
  swatches: z.array(Swatch).max(LIMITS.swatches, `A palette holds at most ${LIMITS.swatches} swatches.`),
});

/** How a theme is made from another. */
export const ThemeRecipe = z.strictObject({
  /** Whether light and dark change places. */
  flip: z.boolean(),
  /** OKLCH lightness, 0..1, that the darkest and the lightest possible colour come to. */
  low: z.number().min(0).max(1),
  high: z.number().min(0).max(1),
  /** Most chroma a colour keeps, OKLCH. */
  chroma: z.number().min(0).max(0.4),
  /** 0..1: how far green and blue light is taken out, for eyes that are used to the dark. */
  red: z.number().min(0).max(1),
  /** Every text keeps the contrast it has, but never less than `least` and no more than `most` (WCAG ratios, 1..21). */
  least: z.number().min(1).max(21),
  most: z.number().min(1).max(21),
});

export const Theme = z.strictObject({
  id,
  name,
  /** The theme it was derived from, which may be gone by now, and how. */
  derived: z.strictObject({ from: id, recipe: ThemeRecipe }).optional(),
  /** Whether every text in it is promised the enhanced contrast of WCAG 2.2, success criterion 1.4.6. */
  enhanced: z.literal(true).optional(),
});

/** Marks what deriving a theme gave; a value without it was chosen by a person, and deriving again leaves it. */
const derived = z.literal(true).optional();

/** What a token stands for in one theme: a swatch, another token, or a colour of its own. */
export const TokenValue = z.union([
  z.strictObject({ swatch: id, derived }),
  z.strictObject({ token: id, derived }),
  z.strictObject({ colour, derived }),
]);

export const TokenPath = z
  .string()
  .max(LIMITS.path, `A token path has at most ${LIMITS.path} characters.`)
  .regex(/^[\p{L}\p{N}_-]+(\.[\p{L}\p{N}_-]+)*$/u, {
    error: (issue) =>
      /[{}$]/.test(String(issue.input))
        ? 'The characters { } and $ are reserved by the design token standard; a path is letters, digits, hyphens and underscores with dots between.'
        : 'A token path is words of letters, digits, hyphens and underscores with dots between, such as text.default.',
  });

/** How a state is made from its token at rest, in every theme in which it has no value of its own. */
export const StateRule = z.strictObject({
  state: z.enum(TOKEN_STATES),
  /** Id of the token at rest. */
  of: id,
  /** Id of the surface that the steps go away from. */
  surface: id,
  /** Id of the text that stands on it and stays as readable as at rest. */
  text: id.optional(),
  /** Step of OKLCH lightness, away from the surface above 0 and towards it below. */
  step: z.number().min(-0.5).max(0.5),
  /** What its chroma is multiplied by. */
  chroma: z.number().min(0).max(2),
  /** WCAG contrast with the surface that it has at least, 1..21. */
  least: z.number().min(1).max(21),
});

/** How a token is tinted with the colour of another, such as a row of a list with the colour of its item, in every theme in which it has no value of its own. */
export const TintRule = z.strictObject({
  /** How much of the colour is in it, 0..1: from none to all. */
  strength: z.number().min(0).max(1),
  /** Id of the token that gives the colour. */
  of: id,
  /** Id of the surface that is tinted. */
  surface: id,
});

export const Token = z.strictObject({
  id,
  path: TokenPath,
  role: z.enum(TOKEN_ROLES),
  description: text(LIMITS.description),
  /** For a text token: ids of the tokens it is set on. Empty means every surface. */
  on: z.array(id).max(LIMITS.tokens),
  /** By theme id. */
  values: z.record(id, TokenValue),
  rule: z.union([StateRule, TintRule]).optional(),
  /** Not to be used any more: why, and the id of the token to use instead. */
  deprecated: z.strictObject({ note: text(LIMITS.description), use: id.optional() }).optional(),
  /** What other tools keep with it (`$extensions` of the design token standard), as JSON text. */
  extensions: text(LIMITS.carriedText).optional(),
});

/** Things in the data that always have the same colour: the values of one field, such as the routes. */
export const DataField = z.strictObject({
  id,
  name,
  /** The group of tokens that values without one of their own take their colours from, in order. */
  group: TokenPath,
  /** As the data spells them; `token` is the id of the token a value is pinned to. */
  values: z.array(z.strictObject({ text: name, token: id.optional() })).max(LIMITS.fieldValues),
});

/** What a design token file holds besides colours, kept as it stood there so that it can be written again. */
export const Carried = z.strictObject({
  /** Keys from the file's root to it. */
  path: z.array(text(LIMITS.path).min(1)).min(1).max(60),
  /** Its JSON text. */
  json: text(LIMITS.carriedText),
  /** Id of the token it stood before; null, or one that is gone, is the end. */
  before: id.nullable(),
  /** Id of the theme whose files it belongs in; absent: in those of every theme. */
  theme: id.optional(),
});

/** A format the brand ships to. Its options are checked by the format itself. */
export const Destination = z.strictObject({
  id,
  name,
  format: text(40),
  options: z.record(z.string(), z.json()).refine(isStorable, UNSTORABLE),
});

const BrandShape = z.strictObject({
  format: z.literal('breakwater-brand'),
  version: z.literal(BRAND_VERSION, {
    error: ({ input }) =>
      Number(input) > BRAND_VERSION
        ? `This brand is of version ${Number(input)}, and up to ${BRAND_VERSION} can be read here; take a newer Breakwater.`
        : `A brand says its version, a number from 1 to ${BRAND_VERSION}.`,
  }),
  id,
  name,
  palettes: z.array(Palette).max(LIMITS.palettes),
  themes: z.array(Theme).min(1, 'A brand has at least one theme.').max(LIMITS.themes),
  tokens: z.array(Token).max(LIMITS.tokens),
  destinations: z.array(Destination).max(LIMITS.destinations),
  grafts: z.array(Graft).max(LIMITS.grafts),
  art: z.array(Art).max(LIMITS.art),
  fields: z.array(DataField).max(LIMITS.fields),
  carried: z.array(Carried).max(LIMITS.carried),
  /** Findings that may stand. */
  acceptances: z.array(Acceptance).max(LIMITS.acceptances),
  naming: z.enum(NAMINGS).optional(),
  /** The number of the house set that it was last brought up to or compared with; pinned, it stays as it is whatever becomes of the house. */
  house: z.strictObject({ number: z.int().min(0), pinned: z.literal(true).optional() }).optional(),
  /** The printing condition: an ICC profile kept beside the brand, and what it calls itself. */
  print: z.strictObject({ profile: FileHash, name }).optional(),
  /** A picture kept beside the brand that stands at the head of its sheet, and what its file was called. */
  logo: z.strictObject({ picture: FileHash, name }).optional(),
});

/**
 * The whole brand as one document: everything the stages show is derived from it. Ids are unique in the document,
 * every reference leads somewhere, and no token leads back to itself; `apply` keeps all of that true.
 */
export const Brand = BrandShape.superRefine((brand, context) => {
  const complain = (message: string, path: (string | number)[]) => context.addIssue({ code: 'custom', message, path });
  const swatches = new Set<string>();
  const seen = new Set<string>();
  const claim = (entity: { id: string }, path: (string | number)[]) => {
    if (seen.has(entity.id)) complain(`The id ${entity.id} is used twice.`, path);
    seen.add(entity.id);
  };
  brand.palettes.forEach((palette, p) => {
    claim(palette, ['palettes', p]);
    palette.swatches.forEach((swatch, s) => {
      claim(swatch, ['palettes', p, 'swatches', s]);
      swatches.add(swatch.id);
    });
  });
  brand.themes.forEach((theme, t) => claim(theme, ['themes', t]));
  brand.destinations.forEach((destination, d) => claim(destination, ['destinations', d]));
  brand.grafts.forEach((graft, g) => {
    claim(graft, ['grafts', g]);
    if (Object.keys(graft.bindings).length + Object.keys(graft.banks).length > LIMITS.bindings)
      complain(`A graft holds at most ${LIMITS.bindings} bindings.`, ['grafts', g]);
  });
  brand.art.forEach((art, a) => claim(art, ['art', a]));
  brand.acceptances.forEach((acceptance, a) => claim(acceptance, ['acceptances', a]));
  const paths = new Set<string>();
  brand.tokens.forEach((token, t) => {
    claim(token, ['tokens', t]);
    if (paths.has(token.path)) complain(`The token path ${token.path} is used twice.`, ['tokens', t, 'path']);
    paths.add(token.path);
  });
  const themes = new Set(brand.themes.map((theme) => theme.id));
  const tokens = new Map(brand.tokens.map((token) => [token.id, token]));
  const mustBeToken = (target: string | undefined, path: (string | number)[]) => {
    if (target !== undefined && !tokens.has(target)) complain('This points at a token that is not there.', path);
  };
  brand.tokens.forEach((token, t) => {
    for (const [theme, value] of Object.entries(token.values)) {
      const place = ['tokens', t, 'values', theme];
      if (!themes.has(theme)) complain(`${token.path} has a value for a theme that is not there.`, place);
      if ('swatch' in value && !swatches.has(value.swatch))
        complain(`${token.path} points at a swatch that is not there.`, place);
      if ('token' in value) mustBeToken(value.token, place);
    }
    if (token.rule) ruleTokens(token.rule).forEach((target) => mustBeToken(target, ['tokens', t, 'rule']));
    mustBeToken(token.deprecated?.use, ['tokens', t, 'deprecated', 'use']);
  });
  brand.fields.forEach((field, f) => {
    claim(field, ['fields', f]);
    field.values.forEach(({ token }, v) => mustBeToken(token, ['fields', f, 'values', v, 'token']));
  });
  for (const theme of themes) {
    const cycle = findCycle(tokens, tokens.keys(), theme);
    if (cycle)
      context.addIssue({
        code: 'custom',
        message: `These tokens point at each other in a circle: ${ringWords(cycle)}.`,
        path: ['tokens'],
        params: CIRCLE,
      });
  }
});

/** Marks the complaint about a circle. */
const CIRCLE = { circle: true } as const;

/** A brand as it was kept, by this version or an earlier one. */
export const KeptBrand = z.preprocess(
  (data) => upgraded(data, (data as { version?: unknown } | null)?.version, BRAND_UPGRADES),
  Brand,
);

/** A brand that is as it should be but for tokens that lead in a circle; null for any other data. To be looked at, and not to be edited. */
export function brandWithCircles(data: unknown): Brand | null {
  const parsed = KeptBrand.safeParse(data);
  if (parsed.success) return parsed.data;
  const isCircle = (issue: z.core.$ZodIssue) => issue.code === 'custom' && issue.params === CIRCLE;
  if (!parsed.error.issues.every(isCircle)) return null;
  return BrandShape.parse(upgraded(data, (data as { version?: unknown }).version, BRAND_UPGRADES));
}

export type Brand = z.infer<typeof Brand>;
export type Palette = z.infer<typeof Palette>;
export type PaletteMaker = z.infer<typeof PaletteMaker>;
/** What is known of a palette besides its colours. */
export type PaletteOrigin = Pick<z.infer<typeof Palette>, 'note' | 'maker' | 'source'>;
export type PaletteSource = z.infer<typeof PaletteSource>;
export type Swatch = z.infer<typeof Swatch>;
export type Theme = z.infer<typeof Theme>;
export type Token = z.infer<typeof Token>;
export type TokenValue = z.infer<typeof TokenValue>;
export type StateRule = z.infer<typeof StateRule>;
export type TintRule = z.infer<typeof TintRule>;
export type ThemeRecipe = z.infer<typeof ThemeRecipe>;
export type DataField = z.infer<typeof DataField>;
export type Carried = z.infer<typeof Carried>;
export type Naming = (typeof NAMINGS)[number];
export type Destination = z.infer<typeof Destination>;

/** Ids of the tokens that a rule makes a colour from. */
export function ruleTokens(rule: StateRule | TintRule): string[] {
  return 'state' in rule && rule.text !== undefined ? [rule.of, rule.surface, rule.text] : [rule.of, rule.surface];
}

/** The rule that makes a token a state of another, if one does. */
export function stateRule({ rule }: Token): StateRule | undefined {
  return rule && 'state' in rule ? rule : undefined;
}

/** The rule that tints a token with another, if one does. */
export function tintRule({ rule }: Token): TintRule | undefined {
  return rule && 'strength' in rule ? rule : undefined;
}

/** Ids of the tokens whose colours a token's own is made from in one theme: the one it points at, or those of its rule. */
export function sourcesOf(token: Token, theme: string): readonly string[] {
  const value = token.values[theme];
  if (value) return 'token' in value ? [value.token] : NONE;
  return token.rule ? ruleTokens(token.rule) : NONE;
}

const NONE: readonly string[] = [];

/**
 * Follows tokens from each start to what their colours are made from in one theme. Linear in the number of tokens.
 * @returns the paths of the first circle met, its first one repeated at the end; null when there is none.
 */
export function findCycle(tokens: ReadonlyMap<string, Token>, starts: Iterable<string>, theme: string): string[] | null {
  const done = new Set<string>();
  for (const start of starts) {
    /** The way from the start to here, each with the sources not yet looked at. */
    const way: { id: string; open: string[] }[] = [];
    const onWay = new Set<string>();
    const enter = (id: string) => {
      const token = tokens.get(id);
      if (!token || done.has(id)) return;
      way.push({ id, open: [...sourcesOf(token, theme)] });
      onWay.add(id);
    };
    enter(start);
    for (let at = way.at(-1); at; at = way.at(-1)) {
      const next = at.open.pop();
      if (next === undefined) {
        done.add(at.id);
        onWay.delete(at.id);
        way.pop();
      } else if (onWay.has(next)) {
        const circle = way.slice(way.findIndex(({ id }) => id === next)).map(({ id }) => id);
        return [...circle, next].map((id) => tokens.get(id)!.path);
      } else enter(next);
    }
  }
  return null;
}

/** A circle of paths, the first repeated at the end, by its first names: it may have thousands. */
export function ringWords(circle: readonly string[]): string {
  const [shown, more] = [circle.slice(0, 3), circle.length - 4];
  return more > 0 ? `${shown.join(' → ')} → ${more} more → ${circle.at(-1)}` : circle.join(' → ');
}

/** The JSON Schema of the brand file, draft 2020-12. References and circles are beyond it and checked by `Brand` alone. */
export function brandJsonSchema(): object {
  return { title: 'Breakwater brand file', ...z.toJSONSchema(BrandShape, { io: 'output', unrepresentable: 'any' }) };
}

/**
 * The brand as the bytes of a brand file: keys in the schema's order, token values in the themes' order, bindings
 * by their places, two-space indent, final newline. Equal brands give equal text.
 */
export function serialiseBrand(brand: Brand): string {
  const order = new Map(brand.themes.map((theme, index) => [theme.id, index]));
  const tokens = brand.tokens.map((token) => ({
    ...token,
    values: Object.fromEntries(
      Object.entries(token.values).sort(([one], [two]) => (order.get(one) ?? 0) - (order.get(two) ?? 0)),
    ),
  }));
  const sorted = <T>(record: Record<string, T>) =>
    Object.fromEntries(Object.entries(record).sort(([one], [two]) => (one < two ? -1 : 1)));
  const grafts = brand.grafts.map((graft) => ({ ...graft, bindings: sorted(graft.bindings), banks: sorted(graft.banks) }));
  return JSON.stringify(BrandShape.parse({ ...brand, tokens, grafts }), null, 2) + '\n';
}

/** A brand with one theme and nothing else in it. */
export function emptyBrand(brandId: string, brandName: string): Brand {
  return {
    format: 'breakwater-brand',
    version: BRAND_VERSION,
    id: brandId,
    name: brandName,
    palettes: [],
    themes: [{ id: 'day', name: 'Day' }],
    tokens: [],
    destinations: [],
    grafts: [],
    art: [],
    acceptances: [],
    fields: [],
    carried: [],
  };
}
