import { z } from 'zod';
import { readColour } from '../colour/read';

/** Bounds of a brand document. They keep every edit, file and page within reach of one browser tab. */
export const LIMITS = {
  name: 120,
  description: 2_000,
  colour: 128,
  path: 200,
  palettes: 500,
  swatches: 20_000,
  themes: 16,
  tokens: 10_000,
  destinations: 100,
} as const;

/** Ids are keys of records, so a name that every object has already ("constructor") is none. */
export const EntityId = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/, 'An id has 1 to 40 letters, digits, hyphens or underscores.')
  .refine((text) => !(text in {}), 'This id is reserved.');
const id = EntityId;
const CONTROL = /[\u0000-\u001f\u007f]/;
const name = z
  .string()
  .trim()
  .min(1, 'A name needs at least one character.')
  .max(LIMITS.name, `A name has at most ${LIMITS.name} characters.`)
  .refine((text) => !CONTROL.test(text), 'A name has no line breaks or control characters.');
const colour = z
  .string()
  .trim()
  .max(LIMITS.colour, `A colour has at most ${LIMITS.colour} characters.`)
  .refine((css) => readColour(css) !== null, {
    error: (issue) => `“${String(issue.input)}” is not a CSS colour. Try #1f6f78, teal or oklch(0.5 0.1 200).`,
  });

export const PALETTE_KINDS = ['brand', 'categorical', 'sequential', 'diverging', 'loose'] as const;
export const TOKEN_ROLES = ['surface', 'text', 'accent', 'border', 'state', 'status', 'data', 'other'] as const;

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

/** SHA-256 of a picture's bytes, in lower-case hex. */
export const PictureHash = z.string().regex(/^[0-9a-f]{64}$/);

/** What a palette was made from: a picture kept beside the brand, by its SHA-256, a palette of the shelf, or a palette file. */
export const PaletteSource = z.union([
  z.strictObject({ picture: PictureHash, name }),
  z.strictObject({ shelf: id, name, maker: name.optional() }),
  z.strictObject({ file: name, maker: name }),
]);

export const Palette = z.strictObject({
  id,
  name,
  kind: z.enum(PALETTE_KINDS),
  source: PaletteSource.optional(),
  swatches: z.array(Swatch).max(LIMITS.swatches, `A palette holds at most ${LIMITS.swatches} swatches.`),
});

export const Theme = z.strictObject({ id, name });

/** What a token stands for in one theme: a swatch, another token, or a colour of its own. */
export const TokenValue = z.union([z.strictObject({ swatch: id }), z.strictObject({ token: id }), z.strictObject({ colour })]);

export const TokenPath = z
  .string()
  .max(LIMITS.path, `A token path has at most ${LIMITS.path} characters.`)
  .regex(
    /^[\p{L}\p{N}_-]+(\.[\p{L}\p{N}_-]+)*$/u,
    'A token path is words of letters, digits, hyphens and underscores with dots between, such as text.default.',
  );

export const Token = z.strictObject({
  id,
  path: TokenPath,
  role: z.enum(TOKEN_ROLES),
  description: z.string().max(LIMITS.description),
  /** For a text token: ids of the surfaces it is set on. Empty means every surface. */
  on: z.array(id).max(LIMITS.tokens),
  /** By theme id. */
  values: z.record(id, TokenValue),
});

/** A format the brand ships to. Its options are checked by the format itself. */
export const Destination = z.strictObject({ id, name, format: z.string().max(40), options: z.record(z.string(), z.json()) });

const BrandShape = z.strictObject({
  format: z.literal('breakwater-brand'),
  version: z.literal(1),
  id,
  name,
  palettes: z.array(Palette).max(LIMITS.palettes),
  themes: z.array(Theme).min(1, 'A brand has at least one theme.').max(LIMITS.themes),
  tokens: z.array(Token).max(LIMITS.tokens),
  destinations: z.array(Destination).max(LIMITS.destinations),
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
  const paths = new Set<string>();
  brand.tokens.forEach((token, t) => {
    claim(token, ['tokens', t]);
    if (paths.has(token.path)) complain(`The token path ${token.path} is used twice.`, ['tokens', t, 'path']);
    paths.add(token.path);
  });
  const themes = new Set(brand.themes.map((theme) => theme.id));
  const tokens = new Map(brand.tokens.map((token) => [token.id, token]));
  brand.tokens.forEach((token, t) => {
    for (const [theme, value] of Object.entries(token.values)) {
      const at = ['tokens', t, 'values', theme];
      if (!themes.has(theme)) complain(`${token.path} has a value for a theme that is not there.`, at);
      if ('swatch' in value && !swatches.has(value.swatch)) complain(`${token.path} points at a swatch that is not there.`, at);
      if ('token' in value && !tokens.has(value.token)) complain(`${token.path} points at a token that is not there.`, at);
      const cycle = findCycle(tokens, token.id, theme);
      if (cycle) complain(`These tokens point at each other in a circle: ${cycle.join(' → ')}.`, at);
    }
  });
});

export type Brand = z.infer<typeof Brand>;
export type Palette = z.infer<typeof Palette>;
export type PaletteSource = z.infer<typeof PaletteSource>;
export type Swatch = z.infer<typeof Swatch>;
export type Theme = z.infer<typeof Theme>;
export type Token = z.infer<typeof Token>;
export type TokenValue = z.infer<typeof TokenValue>;
export type Destination = z.infer<typeof Destination>;

/**
 * Follows aliases from a token in one theme.
 * @returns the paths of the circle, first one repeated at its end; null when the chain ends or leads elsewhere.
 */
export function findCycle(tokens: ReadonlyMap<string, Token>, start: string, theme: string): string[] | null {
  const walked: string[] = [];
  const visited = new Set<string>();
  let at = tokens.get(start);
  while (at) {
    walked.push(at.path);
    if (visited.has(at.id)) return at.id === start ? walked : null;
    visited.add(at.id);
    const value: TokenValue | undefined = at.values[theme];
    at = value && 'token' in value ? tokens.get(value.token) : undefined;
  }
  return null;
}

/** The JSON Schema of the brand file, draft 2020-12. References and circles are beyond it and checked by `Brand` alone. */
export function brandJsonSchema(): object {
  return { title: 'Breakwater brand file', ...z.toJSONSchema(BrandShape, { io: 'output', unrepresentable: 'any' }) };
}

/**
 * The brand as the bytes of a brand file: keys in the schema's order, token values in the themes' order, two-space
 * indent, final newline. Equal brands give equal text.
 */
export function serialiseBrand(brand: Brand): string {
  const order = new Map(brand.themes.map((theme, index) => [theme.id, index]));
  const tokens = brand.tokens.map((token) => ({
    ...token,
    values: Object.fromEntries(
      Object.entries(token.values).sort(([one], [two]) => (order.get(one) ?? 0) - (order.get(two) ?? 0)),
    ),
  }));
  return JSON.stringify(BrandShape.parse({ ...brand, tokens }), null, 2) + '\n';
}

/** A brand with one theme and nothing else in it. */
export function emptyBrand(brandId: string, brandName: string): Brand {
  return {
    format: 'breakwater-brand',
    version: 1,
    id: brandId,
    name: brandName,
    palettes: [],
    themes: [{ id: 'day', name: 'Day' }],
    tokens: [],
    destinations: [],
  };
}
