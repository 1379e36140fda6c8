/** The shape a brand document has now. Whoever changes it adds a version, and below what makes the new shape of the old. */
export const BRAND_VERSION = 2;
/** The shape commands have now, counted likewise. */
export const COMMAND_VERSION = 1;

type Upgrade = (data: Readonly<Record<string, unknown>>) => Record<string, unknown>;

/** By the version that it starts from. What such a version could not say yet is left as it was to be understood then. */
export const BRAND_UPGRADES: Readonly<Record<number, Upgrade>> = {
  1: (brand) => ({ fields: [], carried: [], ...brand, version: 2 }),
};
export const COMMAND_UPGRADES: Readonly<Record<number, Upgrade>> = {};

/**
 * Data of an earlier version in the shape of today's. What is no object, or of a version nobody knows, comes back as it is, for the
 * schema to refuse.
 */
export function upgraded(data: unknown, version: unknown, upgrades: Readonly<Record<number, Upgrade>>): unknown {
  let now = data;
  for (let at = Number(version); typeof now === 'object' && now !== null && at in upgrades; at++)
    now = upgrades[at]!(now as Record<string, unknown>);
  return now;
}
