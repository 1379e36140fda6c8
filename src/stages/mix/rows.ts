import { shortened } from '@/core/base/storable';
import type { Command, Step } from '@/core/brand/commands/commands';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';

/** Neighbours with the same label, or without one. */
export interface PaletteRow {
  readonly label: string | null;
  readonly swatches: readonly Swatch[];
}

/** What the names of a row begin with, all of them, up to a space: under the patches it need not be said each time. */
export function sharedStart({ label, swatches }: PaletteRow): string {
  if (label === null || swatches.length < 2) return '';
  const [first, ...others] = swatches.map(({ name }) => name);
  let end = first!.lastIndexOf(' ') + 1;
  while (end > 0 && !others.every((name) => name.startsWith(first!.slice(0, end)) && name.length > end)) {
    end = first!.lastIndexOf(' ', end - 2) + 1;
  }
  return first!.slice(0, end);
}

export function rowsOf(palette: Palette): PaletteRow[] {
  const rows: { label: string | null; swatches: Swatch[] }[] = [];
  for (const swatch of palette.swatches) {
    const label = swatch.row ?? null;
    const last = rows.at(-1);
    if (last && last.label === label) last.swatches.push(swatch);
    else rows.push({ label, swatches: [swatch] });
  }
  return rows;
}

/** A label no row of the palette has yet: the one wanted, or with a number. */
function freeLabel(palette: Palette, wanted: string): string {
  const taken = new Set(palette.swatches.map(({ row }) => row));
  const base = shortened(wanted, LIMITS.name - 4);
  for (let n = 1; ; n++) {
    const label = n === 1 ? base : `${base} ${n}`;
    if (!taken.has(label)) return label;
  }
}

/** New swatches as a row of their own at the palette's end. */
export function addRow(
  palette: Palette,
  wanted: string,
  colours: readonly { readonly name: string; readonly value: string }[],
): Command {
  const row = freeLabel(palette, wanted);
  const swatches = colours.map((colour): Swatch => ({ id: newId(), ...colour, locked: false, row }));
  return {
    label: `Add ${row} as a row to ${palette.name}`,
    steps: [{ do: 'swatch.add', palette: palette.id, swatches, before: null }],
  };
}

/** The chosen swatches, together where the first of them stands, as a row of their own. */
export function makeRow(palette: Palette, chosen: readonly Swatch[]): Command {
  const row = freeLabel(palette, 'Row');
  const ids = new Set(chosen.map(({ id }) => id));
  const first = palette.swatches.findIndex(({ id }) => ids.has(id));
  // What comes after them in their old row is a row of its own from then on.
  const label = palette.swatches[first]!.row;
  const rest: Swatch[] = [];
  for (let at = first; at < palette.swatches.length && palette.swatches[at]!.row === label; at++) {
    if (!ids.has(palette.swatches[at]!.id)) rest.push(palette.swatches[at]!);
  }
  const startsRow = first === 0 || palette.swatches[first - 1]!.row !== label;
  const before = palette.swatches.slice(first).find(({ id }) => !ids.has(id))?.id ?? null;
  const restRow = freeLabel({ ...palette, swatches: [...palette.swatches, { ...chosen[0]!, row }] }, label ?? 'Row');
  return {
    label: `Make a row of ${chosen.length}`,
    steps: [
      { do: 'swatch.move', ids: [...ids], palette: palette.id, before },
      ...chosen.map((swatch): Step => ({ do: 'swatch.edit', id: swatch.id, set: { row } })),
      ...(startsRow ? [] : rest.map((swatch): Step => ({ do: 'swatch.edit', id: swatch.id, set: { row: restRow } }))),
    ],
  };
}

export function renameRow(palette: Palette, row: PaletteRow, wanted: string): Command {
  const label = freeLabel(palette, wanted);
  return {
    label: `Rename row ${row.label} to ${label}`,
    steps: row.swatches.map((swatch) => ({ do: 'swatch.edit', id: swatch.id, set: { row: label } })),
  };
}

/** The row is no longer one; its swatches stay where they are, and follow freely. */
export function dissolveRow(row: PaletteRow): Command {
  return {
    label: `Dissolve row ${row.label}`,
    steps: row.swatches.map((swatch) => ({ do: 'swatch.edit', id: swatch.id, set: { row: null } })),
  };
}

/** A row moved by some rows down (above 0) or up. @returns null at the edge */
export function moveRow(palette: Palette, label: string, by: number): Command | null {
  const rows = rowsOf(palette);
  const from = rows.findIndex((row) => row.label === label);
  const to = from + by;
  if (from < 0 || to < 0 || to >= rows.length || by === 0) return null;
  const before = by < 0 ? rows[to]!.swatches[0]!.id : (rows[to + 1]?.swatches[0]!.id ?? null);
  return {
    label: `Move row ${label}`,
    steps: [{ do: 'swatch.move', ids: rows[from]!.swatches.map(({ id }) => id), palette: palette.id, before }],
  };
}
