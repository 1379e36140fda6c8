import { z } from 'zod';
import { BrandShape } from './brand-shape';
import { canonical } from './canonical';
import { complaintOf, problemsOf } from './check';
import { BRAND_UPGRADES, BRAND_VERSION, upgraded } from './versions';

/**
 * The whole brand as one document: everything the stages show is derived from it. Ids are unique in the document,
 * every reference leads somewhere, and no token leads back to itself; `apply` keeps all of that true.
 */
export const Brand = BrandShape.superRefine((brand, context) => {
  for (const problem of problemsOf(brand, null)) {
    const isCircle = problem.what === 'circle';
    context.addIssue({ code: 'custom', ...complaintOf(brand, problem), ...(isCircle && { params: CIRCLE }) });
  }
});
export type Brand = z.infer<typeof Brand>;

/** Marks the complaint about a circle. */
const CIRCLE = { circle: true } as const;

/** A brand as it was kept, by this version or an earlier one. */
export const StoredBrand = z.preprocess(
  (data) => upgraded(data, (data as { version?: unknown } | null)?.version, BRAND_UPGRADES),
  Brand,
);

/** A brand that is as it should be but for tokens that lead in a circle; null for any other data. To be looked at, and not to be edited. */
export function brandWithCircles(data: unknown): Brand | null {
  const parsed = StoredBrand.safeParse(data);
  if (parsed.success) return parsed.data;
  const isCircle = (issue: z.core.$ZodIssue) => issue.code === 'custom' && issue.params === CIRCLE;
  if (!parsed.error.issues.every(isCircle)) return null;
  return BrandShape.parse(upgraded(data, (data as { version?: unknown }).version, BRAND_UPGRADES));
}

/** The JSON Schema of the brand file, draft 2020-12. References and circles are beyond it and checked by `Brand` alone. */
export function brandJsonSchema(): object {
  return { title: 'Breakwater brand file', ...z.toJSONSchema(BrandShape, { io: 'output', unrepresentable: 'any' }) };
}

/**
 * The brand as the bytes of a brand file: keys in the schema's order, token values in the themes' order, bindings
 * by their places, options by their names, two-space indent, final newline. Equal brands give equal text.
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
  const destinations = brand.destinations.map((each) => ({ ...each, options: JSON.parse(canonical(each.options)) as unknown }));
  return JSON.stringify(BrandShape.parse({ ...brand, tokens, grafts, destinations }), null, 2) + '\n';
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
