/** The shape a brand document has now. Whoever changes it adds a version, and below what makes the new shape of the old. */
export const BRAND_VERSION = 8;
/** The shape commands have now, counted likewise. */
export const COMMAND_VERSION = 7;

type Data = Readonly<Record<string, unknown>>;
type Upgrade = (data: Data) => Record<string, unknown>;

/** By the version that it starts from. What such a version could not say yet is left as it was to be understood then. */
export const BRAND_UPGRADES: Readonly<Record<number, Upgrade>> = {
  1: (brand) => ({ fields: [], carried: [], ...brand, version: 2 }),
  2: (brand) => ({ ...brand, palettes: each(brand.palettes, withMaker), version: 3 }),
  3: (brand) => ({ grafts: [], art: [], ...brand, version: 4 }),
  4: (brand) => ({ acceptances: [], ...brand, version: 5 }),
  // Rules that tint came beside those of states.
  5: (brand) => ({ ...brand, version: 6 }),
  // A brand may note how it stands to the house set.
  6: (brand) => ({ ...brand, version: 7 }),
  // A token could be set on one that was gone.
  7: (brand) => ({ ...brand, tokens: withoutLost(brand.tokens), version: 8 }),
};
export const COMMAND_UPGRADES: Readonly<Record<number, Upgrade>> = {
  1: (command) => ({
    ...command,
    steps: each(command.steps, (step) =>
      step.do === 'palette.add' ? { ...step, palette: each([step.palette], withMaker)[0] } : step,
    ),
  }),
  // Only kinds of steps were added, a kind of rule, and a field.
  2: (command) => command,
  3: (command) => command,
  4: (command) => command,
  5: (command) => command,
  6: (command) => command,
};

/** Who made a palette once stood with its source; a file of nobody said “nobody named”. */
function withMaker(palette: Data): Data {
  const { maker, ...source } = (palette.source ?? {}) as Data;
  if (maker === undefined) return palette;
  return { ...palette, ...(maker !== 'nobody named' && { maker: { name: maker } }), source };
}

function withoutLost(tokens: unknown): unknown[] {
  const ids = new Set<unknown>();
  each(tokens, (token) => (ids.add(token.id), token));
  return each(tokens, (token) =>
    Array.isArray(token.on) ? { ...token, on: token.on.filter((id) => ids.has(id)) } : { ...token },
  );
}

/** A list with each object in it changed; what is no list, or no object, is left for the schema to refuse. */
function each(list: unknown, change: (data: Data) => Data): unknown[] {
  if (!Array.isArray(list)) return list as unknown[];
  return list.map((data: unknown) => (typeof data === 'object' && data !== null ? change(data as Data) : data));
}

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
