import type { Command } from '@/core/brand/commands';
import type { Brand, Palette, Swatch } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { readColour } from '@/core/colour/read';

/** A middle grey in the palette's run of lightness: somewhere to start from. */
const FIRST_COLOUR = '#8a8a8a';

/** A new swatch between two neighbours is their mean in OKLCH lightness and chroma, so that it belongs there. */
export function insertSwatch(palette: Palette, before: string | null): { command: Command; id: string } {
  const at = before === null ? palette.swatches.length : palette.swatches.findIndex((swatch) => swatch.id === before);
  const [left, right] = [palette.swatches[at - 1], palette.swatches[at]];
  const value = left && right ? between(left, right) : ((left ?? right)?.value ?? FIRST_COLOUR);
  const swatch: Swatch = { id: newId(), name: readColour(value)!.hex, value, locked: false };
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

export function duplicateSwatch(palette: Palette, swatch: Swatch): { command: Command; id: string } {
  const next = palette.swatches[palette.swatches.indexOf(swatch) + 1];
  const copy: Swatch = { ...swatch, id: newId(), name: `${swatch.name} copy`.slice(0, 120), locked: false };
  return {
    id: copy.id,
    command: {
      label: `Duplicate ${swatch.name}`,
      steps: [{ do: 'swatch.add', palette: palette.id, swatches: [copy], before: next?.id ?? null }],
    },
  };
}

/** Deletes a swatch; tokens that point at it keep its colour as their own, in the same undoable step. */
export function deleteSwatch(brand: Brand, swatch: Swatch): Command {
  const unlink = brand.tokens.flatMap((token) => {
    const themes = Object.keys(token.values).filter((theme) => {
      const value = token.values[theme]!;
      return 'swatch' in value && value.swatch === swatch.id;
    });
    if (themes.length === 0) return [];
    return [
      {
        do: 'token.set' as const,
        id: token.id,
        set: Object.fromEntries(themes.map((theme) => [theme, { colour: swatch.value }])),
      },
    ];
  });
  return { label: `Delete ${swatch.name}`, steps: [...unlink, { do: 'swatch.remove', ids: [swatch.id] }] };
}

export function editSwatch(swatch: Swatch, label: string, set: Partial<Omit<Swatch, 'id'>>): Command {
  return { label, steps: [{ do: 'swatch.edit', id: swatch.id, set }] };
}

/** Moves a swatch to the place of another, as a drag does. @returns null when it would stay where it is. */
export function moveSwatch(palette: Palette, from: string, over: string): Command | null {
  const ids = palette.swatches.map((swatch) => swatch.id);
  const [start, end] = [ids.indexOf(from), ids.indexOf(over)];
  if (start < 0 || end < 0 || start === end) return null;
  const before = end > start ? (ids[end + 1] ?? null) : over;
  const { name } = palette.swatches[start]!;
  return { label: `Move ${name}`, steps: [{ do: 'swatch.move', ids: [from], palette: palette.id, before }] };
}
