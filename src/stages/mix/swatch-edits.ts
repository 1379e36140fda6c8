import { shortened } from '@/core/base/storable';
import type { Command, Step } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { plainTitle } from '@/core/colour/plain-name';
import { readColour } from '@/core/colour/read';

/** A middle grey in the palette's run of lightness: somewhere to start from. */
const FIRST_COLOUR = '#8a8a8a';

/** A new swatch between two neighbours is their mean in OKLCH lightness and chroma, so that it belongs there. */
export function insertSwatch(palette: Palette, before: string | null): { command: Command; id: string } {
  const at = before === null ? palette.swatches.length : palette.swatches.findIndex((swatch) => swatch.id === before);
  const [left, right] = [palette.swatches[at - 1], palette.swatches[at]];
  const value = left && right ? between(left, right) : ((left ?? right)?.value ?? FIRST_COLOUR);
  const row = (right ?? left)?.row;
  const name = plainTitle(readColour(value)!);
  const swatch: Swatch = { id: newId(), name, value, locked: false, ...(row !== undefined && { row }) };
  return {
    id: swatch.id,
    command: {
      label: `Add a swatch to ${palette.name}`,
      steps: [{ do: 'swatch.add', palette: palette.id, swatches: [swatch], before }],
    },
  };
}

function between(left: Swatch, right: Swatch): string {
  const [one, two] = [readColour(left.value)!, readColour(right.value)!];
  const mean = one.rgb.map((channel, at) => (channel + two.rgb[at]!) / 2);
  return readColour(`rgb(${mean.map((channel) => Math.round(channel * 255)).join(' ')})`)!.hex;
}

/** The chosen swatches once more, after the last of them. */
export function duplicateSwatches(palette: Palette, chosen: readonly Swatch[]): { command: Command; ids: string[] } {
  const next = palette.swatches[palette.swatches.indexOf(chosen.at(-1)!) + 1];
  const copies = chosen.map(({ name, value, row }): Swatch => {
    return { id: newId(), name: shortened(`${name} copy`, LIMITS.name), value, locked: false, ...(row !== undefined && { row }) };
  });
  return {
    ids: copies.map(({ id }) => id),
    command: {
      label: `Duplicate ${namesOf(chosen)}`,
      steps: [{ do: 'swatch.add', palette: palette.id, swatches: copies, before: next?.id ?? null }],
    },
  };
}

/** Deletes swatches; tokens that point at them keep their colour as their own, in the same undoable step. */
export function deleteSwatches(brand: Brand, chosen: readonly Swatch[]): Command {
  const gone = new Map(chosen.map((swatch) => [swatch.id, swatch.value]));
  const unlink = brand.tokens.flatMap((token): Step[] => {
    const set = Object.fromEntries(
      Object.entries(token.values).flatMap(([theme, value]) => {
        const colour = 'swatch' in value ? gone.get(value.swatch) : undefined;
        return colour === undefined ? [] : [[theme, { colour }]];
      }),
    );
    return Object.keys(set).length > 0 ? [{ do: 'token.set', id: token.id, set }] : [];
  });
  return { label: `Delete ${namesOf(chosen)}`, steps: [...unlink, { do: 'swatch.remove', ids: [...gone.keys()] }] };
}

/** For the undo list: the name of one, or how many. */
export function namesOf(swatches: readonly Swatch[]): string {
  return swatches.length === 1 ? swatches[0]!.name : `${swatches.length} swatches`;
}

export function editSwatch(swatch: Swatch, label: string, set: Partial<Omit<Swatch, 'id'>>): Command {
  return { label, steps: [{ do: 'swatch.edit', id: swatch.id, set }] };
}

/** Moves swatches to the place of another, as a drag does; they take on its row. @returns null when they stay where they are */
export function moveSwatches(palette: Palette, ids: readonly string[], from: string, over: string): Command | null {
  const order = palette.swatches.map((swatch) => swatch.id);
  const moving = new Set(ids);
  const [start, end] = [order.indexOf(from), order.indexOf(over)];
  if (start < 0 || end < 0 || start === end || moving.has(over)) return null;
  const following = order.slice(end + 1).find((id) => !moving.has(id)) ?? null;
  const chosen = palette.swatches.filter(({ id }) => moving.has(id));
  const row = palette.swatches[end]!.row;
  return {
    label: `Move ${namesOf(chosen)}`,
    steps: [
      { do: 'swatch.move', ids: chosen.map(({ id }) => id), palette: palette.id, before: end > start ? following : over },
      ...intoRow(chosen, row),
    ],
  };
}

function intoRow(swatches: readonly Swatch[], row: string | undefined): Step[] {
  return swatches.flatMap((swatch) =>
    swatch.row === row ? [] : [{ do: 'swatch.edit' as const, id: swatch.id, set: { row: row ?? null } }],
  );
}

/** All swatches in another order. @returns null when it is the order they have */
export function reorder(palette: Palette, ids: readonly string[], label: string): Command | null {
  if (palette.swatches.every(({ id }, at) => id === ids[at])) return null;
  return { label, steps: [{ do: 'swatch.move', ids: [...ids], palette: palette.id, before: null }] };
}

/** New values for some swatches. @returns null when none of them is another */
export function recolour(
  changes: readonly { swatch: Swatch; value: string; settled?: Swatch['settled'] }[],
  label: string,
): Command | null {
  const steps = changes.flatMap(({ swatch, value, settled }): Step[] => {
    if (swatch.locked || value === swatch.value) return [];
    return [{ do: 'swatch.edit', id: swatch.id, set: { value, ...(settled && { settled }) } }];
  });
  return steps.length > 0 ? { label, steps } : null;
}
