import { parseJson, TooDeep } from '../base/json-text';
import { z } from 'zod';
import { swatchesOf, tokensOf } from '../brand/reading/resolve';
import type { Brand } from '../brand/document/document';
import { SlotKey, type Graft } from '../brand/document/graft-shape';
import type { Slots } from '../source/slots';

/**
 * The bindings of a graft as a file for people and programs, by names instead of ids. A slot is named by its place in the
 * structure or by its number in the list; what it is bound to by the path of a token, or by `palette / swatch`.
 */
const BindFile = z.strictObject({
  format: z.literal('breakwater-bindings', { error: 'A bind file says "format": "breakwater-bindings".' }),
  theme: z.string().max(120).optional(),
  order: z.enum(['rgba', 'argb', 'bgra', 'abgr']).optional(),
  asides: z.literal(true).optional(),
  bindings: z
    .array(
      z.strictObject({
        slot: z.union([SlotKey, z.int().min(0)]),
        to: z.string().min(1).max(300),
        theme: z.string().max(120).optional(),
      }),
    )
    .max(10_000, 'A bind file has at most 10,000 bindings.'),
  banks: z
    .array(z.strictObject({ bank: SlotKey, palette: z.string().min(1).max(120), resize: z.boolean().default(false) }))
    .max(1_000)
    .default([]),
});

/** A bind file as it was read, before it is known what it is for. */
export type ReadBindings = z.output<typeof BindFile>;

/** @returns one sentence when it is none */
export function readBindFile(text: string): ReadBindings | string {
  let data: unknown;
  try {
    data = parseJson(text);
  } catch (error) {
    return error instanceof TooDeep ? error.message : 'a bind file is JSON, and this is none.';
  }
  const read = BindFile.safeParse(data);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  return `${issue!.path.join('.') || 'the file'}: ${issue!.message}`;
}

/** What a bind file binds in a host, by ids. @returns one sentence for a slot, a token, a palette or a theme that is not there */
export function bindingsOf(
  brand: Brand,
  file: ReadBindings,
  { slots, banks }: Slots,
): Pick<Graft, 'bindings' | 'banks' | 'theme'> | string {
  const byKey = new Map(slots.map((slot) => [slot.key, slot]));
  const tokens = new Map(Array.from(tokensOf(brand).values(), ({ id, path }) => [path, id]));
  const swatches = new Map(
    Array.from(swatchesOf(brand).values(), ({ palette, swatch }) => [`${palette.name} / ${swatch.name}`, swatch.id]),
  );
  const themeOf = (name: string) => brand.themes.find((theme) => theme.name === name)?.id;
  const bound: Graft['bindings'] = {};
  for (const { slot: place, to, theme } of file.bindings) {
    const slot = typeof place === 'number' ? slots[place] : byKey.get(place);
    if (!slot) return `there is no slot ${place} in this host; it has ${slots.length}.`;
    const [token, swatch] = [tokens.get(to), swatches.get(to)];
    if (token === undefined && swatch === undefined)
      return `${slot.key} is bound to “${to}”, and the brand has no such token or swatch.`;
    if (theme !== undefined && themeOf(theme) === undefined)
      return `${slot.key} is bound in “${theme}”, and the brand has no such theme.`;
    const chosen = theme === undefined ? undefined : themeOf(theme);
    bound[slot.key] = {
      to: token !== undefined ? { token } : { swatch: swatch! },
      was: slot.literal.colour.hex,
      ...(chosen !== undefined && { theme: chosen }),
    };
  }
  const runs: Graft['banks'] = {};
  for (const { bank, palette: name, resize } of file.banks) {
    if (!banks.some(({ key }) => key === bank)) return `there is no bank of slots ${bank} in this host.`;
    const palette = brand.palettes.find((each) => each.name === name);
    if (!palette) return `${bank} is bound to “${name}”, and the brand has no such palette.`;
    runs[bank] = { palette: palette.id, resize };
  }
  const theme = file.theme === undefined ? brand.themes[0]!.id : themeOf(file.theme);
  return theme === undefined ? `the brand has no theme “${file.theme}”.` : { bindings: bound, banks: runs, theme };
}

/** A graft's bindings as a bind file. */
export function bindFileText(brand: Brand, { bindings, banks, theme, order, asides }: Graft): string {
  const nameOf = (id: string) => brand.themes.find((each) => each.id === id)?.name;
  const rows = Object.entries(bindings).flatMap(([slot, { to, theme: own }]) => {
    const place = 'swatch' in to ? swatchesOf(brand).get(to.swatch) : undefined;
    const name = 'token' in to ? tokensOf(brand).get(to.token)?.path : place && `${place.palette.name} / ${place.swatch.name}`;
    return name === undefined ? [] : [{ slot, to: name, ...(own !== undefined && { theme: nameOf(own) }) }];
  });
  const runs = Object.entries(banks).flatMap(([bank, { palette, resize }]) => {
    const found = brand.palettes.find(({ id }) => id === palette);
    return found ? [{ bank, palette: found.name, resize }] : [];
  });
  const file = {
    format: 'breakwater-bindings',
    theme: nameOf(theme),
    ...(order && { order }),
    ...(asides && { asides }),
    bindings: rows,
    banks: runs,
  };
  return JSON.stringify(file, null, 2) + '\n';
}
