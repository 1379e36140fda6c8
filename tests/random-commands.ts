import fc from 'fast-check';
import { apply } from '@/core/brand/commands/apply';
import { RECIPES } from '@/core/brand/tools/derive-theme';
import type { Command, Step } from '@/core/brand/commands/commands';
import type { Brand, Swatch } from '@/core/brand/document/document';

/** Numbers from which a command for whatever brand is at hand is made; unlike ids, they fit any state of it. */
export interface Pick {
  readonly kind: number;
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

const nat = fc.nat(10_000);
export const anyCommand: fc.Arbitrary<Pick> = fc.record({ kind: nat, a: nat, b: nat, c: nat });

let counter = 0;

/** A command that makes some sense for the brand, though it may be refused. */
export function commandFor(brand: Brand, { kind, a, b, c }: Pick): Command {
  const pick = <T>(list: readonly T[], at: number): T | undefined => list[at % Math.max(1, list.length)];
  const swatches = brand.palettes.flatMap((palette) => palette.swatches);
  const fresh = () => `x${counter++}`;
  const swatch = (): Swatch => ({
    id: fresh(),
    name: `N ${c}`,
    value: `#${(c * 977).toString(16).padStart(6, '0')}`,
    locked: c % 5 === 0,
  });
  const palette = pick(brand.palettes, a);
  const chosen = [
    ...new Set(
      [pick(swatches, a), pick(swatches, b), pick(swatches, b + 1), pick(swatches, c)].flatMap((found) => found?.id ?? []),
    ),
  ];
  const token = pick(brand.tokens, a);
  const theme = pick(brand.themes, b)!;
  const makers: (() => Step | false | undefined)[] = [
    () =>
      palette && {
        do: 'swatch.add',
        palette: palette.id,
        swatches: [swatch(), swatch()],
        before: pick(palette.swatches, b)?.id ?? null,
      },
    () =>
      chosen[0] === undefined
        ? undefined
        : { do: 'swatch.edit', id: chosen[0], set: { value: `rgb(${a % 256} ${b % 256} ${c % 256})` } },
    () =>
      chosen[0] === undefined ? undefined : { do: 'swatch.edit', id: chosen[0], set: { name: `R ${c}`, locked: c % 2 === 0 } },
    () => chosen[0] !== undefined && { do: 'swatch.edit', id: chosen[0], set: { row: c % 3 === 0 ? null : `Row ${c % 4}` } },
    () =>
      chosen[0] !== undefined && {
        do: 'swatch.edit',
        id: chosen[0],
        set: { settled: c % 3 === 0 ? null : { from: '#123', to: '#456' } },
      },
    () => (chosen.length > 0 ? { do: 'swatch.remove', ids: chosen } : undefined),
    () =>
      chosen.length > 0 && palette
        ? { do: 'swatch.move', ids: chosen, palette: palette.id, before: pick(palette.swatches, c)?.id ?? null }
        : undefined,
    () => ({
      do: 'palette.add',
      palette: {
        id: fresh(),
        name: 'P',
        kind: 'loose',
        ...(c % 3 === 0 && { source: { shelf: `kept${c}`, name: 'Kiln' } }),
        swatches: [swatch()],
      },
      before: palette?.id ?? null,
    }),
    () => palette && { do: 'palette.edit', id: palette.id, set: { name: `Q ${c}` } },
    () => palette && { do: 'palette.move', id: palette.id, before: pick(brand.palettes, c)?.id ?? null },
    () => palette && { do: 'palette.remove', id: palette.id },
    () => ({
      do: 'theme.add',
      theme: { id: fresh(), name: `T ${c}` },
      before: c % 2 ? theme.id : null,
      values: token?.values[theme.id] ? { [token.id]: token.values[theme.id]! } : {},
    }),
    () => ({ do: 'theme.remove', id: theme.id }),
    () => ({ do: 'theme.move', id: theme.id, before: pick(brand.themes, c)!.id }),
    () =>
      token && {
        do: 'token.set',
        id: token.id,
        set: { [theme.id]: c % 3 === 0 ? null : c % 3 === 1 ? { colour: 'teal' } : { token: pick(brand.tokens, c)!.id } },
      },
    () => token && { do: 'token.edit', id: token.id, set: { path: `r.${c}`, description: 'x', on: [pick(brand.tokens, b)!.id] } },
    () => ({
      do: 'token.add',
      tokens: [
        { id: fresh(), path: `n.${c}`, role: 'text', description: '', on: [], values: { [theme.id]: { colour: 'navy' } } },
      ],
      before: token?.id ?? null,
    }),
    () =>
      token && {
        do: 'token.edit',
        id: token.id,
        set: {
          rule:
            c % 4 === 0
              ? null
              : c % 4 === 1
                ? { strength: (c % 11) / 10, of: pick(brand.tokens, b)!.id, surface: pick(brand.tokens, c)!.id }
                : {
                    state: 'hover',
                    of: pick(brand.tokens, b)!.id,
                    surface: pick(brand.tokens, c)!.id,
                    step: 0.06,
                    chroma: 1,
                    least: 1 + (c % 3),
                  },
          deprecated: c % 3 === 0 ? null : { note: `D ${c}`, use: pick(brand.tokens, c)!.id },
          extensions: c % 5 === 0 ? null : `{"a": ${c}}`,
        },
      },
    () => ({ do: 'theme.edit', id: theme.id, set: { derived: c % 2 === 0 ? null : { from: theme.id, recipe: RECIPES.dark } } }),
    () => ({
      do: 'field.add',
      field: {
        id: fresh(),
        name: `F ${c}`,
        group: 'route',
        values: [{ text: 'A' }, ...(token ? [{ text: 'B', token: token.id }] : [])],
      },
      before: brand.fields[0]?.id ?? null,
    }),
    () =>
      brand.fields[0] && {
        do: 'field.edit',
        id: pick(brand.fields, a)!.id,
        set: { values: [{ text: `V ${c}` }], group: `g${c}` },
      },
    () => brand.fields[0] && { do: 'field.remove', id: pick(brand.fields, a)!.id },
    () => ({
      do: 'brand.edit',
      set: {
        naming: c % 2 === 0 ? null : 'kebab',
        house: c % 3 === 0 ? null : { number: c, ...(c % 3 === 1 && { pinned: true }) },
        carried: [{ path: ['space', `s${c}`], json: `{"$value": ${c}.0}`, before: null }],
      },
    }),
    () => token && { do: 'token.remove', ids: [token.id, ...(c % 2 ? [pick(brand.tokens, b)!.id] : [])] },
    () =>
      token && { do: 'token.move', ids: [...new Set([token.id, pick(brand.tokens, b)!.id])], before: pick(brand.tokens, c)!.id },
    () => ({
      do: 'destination.add',
      destination: { id: fresh(), name: 'D', format: 'css', options: { b: c, a: 1 } },
      before: null,
    }),
    () =>
      brand.destinations[0] && { do: 'destination.edit', id: brand.destinations[0].id, set: { options: { a: c, b: [1, null] } } },
    () => brand.destinations[0] && { do: 'destination.remove', id: brand.destinations[0].id },
    () => ({
      do: 'graft.add',
      graft: {
        id: fresh(),
        path: `h${c}.xml`,
        host: { sha256: 'a'.repeat(64), name: 'h.xml', bytes: 10 },
        theme: theme.id,
        bindings: { '/a[1]': { to: { swatch: swatches[0]?.id ?? 'gone' }, was: '#112233' } },
        banks: {},
      },
      before: null,
    }),
    () => {
      const graft = pick(brand.grafts, a);
      return (
        graft && {
          do: 'graft.bind',
          id: graft.id,
          set: { [`/a[${b % 4}]`]: c % 3 === 0 ? null : { to: { token: token?.id ?? 'gone' }, was: '#445566' } },
        }
      );
    },
    () => {
      const graft = pick(brand.grafts, a);
      const set = { '/b[*]': c % 3 === 0 || !palette ? null : { palette: palette.id, resize: c % 2 === 0 } };
      return graft && { do: 'graft.bank', id: graft.id, set };
    },
    () =>
      brand.grafts[0] && {
        do: 'graft.edit',
        id: pick(brand.grafts, a)!.id,
        set: { path: `k${c}.xml`, asides: c % 2 ? null : true },
      },
    () => brand.grafts[0] && { do: 'graft.remove', id: pick(brand.grafts, a)!.id },
    () =>
      palette && {
        do: 'art.add',
        art: {
          id: fresh(),
          path: `art/a${c}`,
          sheets: [{ picture: 'b'.repeat(64), name: 'a.png', width: 32, height: 32 }],
          grid: { width: 16, height: 16, margin: 0, spacing: 0 },
          groups: [],
          table: { palette: palette.id, map: [{ from: '#112233', to: chosen[0] ?? 'gone' }], keepOrder: false, dither: 'none' },
          indexed: false,
          pace: 120,
        },
        before: null,
      },
    () => brand.art[0] && { do: 'art.edit', id: pick(brand.art, a)!.id, set: { pace: 20 + (c % 100), indexed: c % 2 === 0 } },
    () => brand.art[0] && { do: 'art.remove', id: pick(brand.art, a)!.id },
    () => ({
      do: 'finding.accept',
      acceptance: { id: fresh(), finding: `rule ${c % 7}`, said: 'A finding.', reason: `Because ${c}` },
      before: null,
    }),
    () => brand.acceptances[0] && { do: 'finding.withdraw', id: pick(brand.acceptances, a)!.id },
    () => ({ do: 'brand.edit', set: { name: `B ${c}` } }),
  ];
  const step = makers[kind % makers.length]!() || ({ do: 'brand.edit', set: { name: `B ${c}` } } as Step);
  return { label: 'Random', steps: [step] };
}

/** Carries out what can be carried out. */
export function runAll(start: Brand, picks: readonly Pick[]): { brand: Brand; inverses: Command[]; applied: number } {
  let brand = start;
  const inverses: Command[] = [];
  for (const pick of picks) {
    const result = apply(brand, commandFor(brand, pick));
    if (!result.ok) continue;
    brand = result.brand;
    inverses.push(result.inverse);
  }
  return { brand, inverses, applied: inverses.length };
}
