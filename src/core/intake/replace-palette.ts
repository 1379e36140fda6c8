import { shownKey, readColour } from '../colour/read';
import type { Step } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import type { Palette, Swatch } from '../brand/document/palette-shape';
import { spokenOf } from '../brand/reading/where-used';

/** A colour on its way into a palette. */
export interface Incoming {
  readonly name: string;
  /** CSS colour as its source wrote it. */
  readonly value: string;
  /** Label of its row; it counts where the colour is a new swatch. */
  readonly row?: string;
}

/** What becomes of one place of the palette. */
export type Fate = 'same' | 'changed' | 'new' | 'gone' | 'locked' | 'in use';

export interface ReplacedRow {
  readonly before: Swatch | null;
  readonly after: Incoming | null;
  readonly fate: Fate;
}

export interface Replacement {
  /** Every place, the new ones in their order and then what is left of the old: what was, what will be. */
  readonly rows: readonly ReplacedRow[];
  readonly steps: readonly Step[];
  /** Id of the swatch that each incoming colour becomes, in their order. */
  readonly ids: readonly string[];
}

/**
 * Puts other colours into a palette without breaking what points at it: an incoming colour takes the place, and so the
 * id, of the swatch with its name, else of the swatch with its colour, else of the next one left over. Swatches that
 * are left over go, unless they are locked or a token, a slot or art uses them; a locked swatch keeps its colour.
 */
export function replacePalette(brand: Brand, palette: Palette, incoming: readonly Incoming[], newId: () => string): Replacement {
  const used = spokenOf(brand, 'swatch');
  const matches = matched(palette.swatches, incoming);
  const rows: ReplacedRow[] = [];
  const steps: Step[] = [];
  const ids: string[] = [];
  const added: Swatch[] = [];
  incoming.forEach((after, at) => {
    const before = matches[at] ?? null;
    const id = before?.id ?? newId();
    ids.push(id);
    if (!before) {
      added.push({ id, ...after, locked: false });
      rows.push({ before, after, fate: 'new' });
      return;
    }
    const same = isUnchanged(before.value, after.value);
    const set = { ...(before.name !== after.name && { name: after.name }), ...(!same && { value: after.value }) };
    if (before.locked && !same) {
      rows.push({ before, after: before, fate: 'locked' });
      return;
    }
    if (Object.keys(set).length > 0) steps.push({ do: 'swatch.edit', id, set });
    rows.push({ before, after, fate: same ? 'same' : 'changed' });
  });
  const taken = new Set(ids);
  const left = palette.swatches.filter(({ id }) => !taken.has(id));
  const stays = (swatch: Swatch) => swatch.locked || used.has(swatch.id);
  const kept = left.filter(stays);
  const gone = left.filter((swatch) => !stays(swatch));
  for (const before of kept) rows.push({ before, after: before, fate: before.locked ? 'locked' : 'in use' });
  for (const before of gone) rows.push({ before, after: null, fate: 'gone' });
  if (gone.length > 0) steps.push({ do: 'swatch.remove', ids: gone.map(({ id }) => id) });
  if (added.length > 0) steps.push({ do: 'swatch.add', palette: palette.id, swatches: added, before: null });
  const removed = new Set(gone.map(({ id }) => id));
  const standing = [...palette.swatches.filter(({ id }) => !removed.has(id)), ...added].map(({ id }) => id);
  const wanted = [...ids, ...kept.map(({ id }) => id)];
  if (standing.some((id, at) => id !== wanted[at]))
    steps.push({ do: 'swatch.move', ids: wanted, palette: palette.id, before: null });
  return { rows, steps, ids };
}

function isUnchanged(one: string, two: string): boolean {
  const [a, b] = [readColour(one)!, readColour(two)!];
  return one === two || (a.hex === b.hex && a.alpha === b.alpha && a.clipped === 0 && b.clipped === 0);
}

/** For each incoming colour the swatch whose place it takes, each swatch once. */
function matched(swatches: readonly Swatch[], incoming: readonly Incoming[]): (Swatch | undefined)[] {
  const free = new Set(swatches);
  const found: (Swatch | undefined)[] = incoming.map(() => undefined);
  const pass = (keyOf: (colour: Incoming) => string) => {
    const byKey = new Map<string, Swatch[]>();
    for (const swatch of free) byKey.set(keyOf(swatch), [...(byKey.get(keyOf(swatch)) ?? []), swatch]);
    incoming.forEach((colour, at) => {
      if (found[at]) return;
      const swatch = byKey.get(keyOf(colour))?.shift();
      if (!swatch) return;
      found[at] = swatch;
      free.delete(swatch);
    });
  };
  pass(({ name }) => name.toLowerCase());
  pass(({ value }) => shownKey(readColour(value)!));
  pass(() => '');
  return found;
}
