import { resolveTheme, swatchesOf, tokensOf } from '../brand/reading/resolve';
import type { Brand } from '../brand/document/document';
import type { Binding, Graft } from '../brand/document/graft-shape';
import { readColour, type ReadColour } from '../colour/read';
import { finding, type Finding } from '../findings/finding';
import { resized } from '../source/banks';
import { graftEdits, inItsManner, type Replacement } from '../source/graft';
import type { Slot } from '../source/slot';
import type { Edit } from '../source/source-text';
import { readHost, type Host } from './host';

/** A host as it would be written, or why it cannot be. */
export interface WrittenGraft {
  /** null when an error stops it. */
  readonly bytes: Uint8Array | null;
  readonly edits: readonly Edit[];
  readonly findings: readonly Finding[];
}

/** Writes a graft: the host's own bytes, and other literals where its slots are bound. Deterministic. */
export function writeGraft(brand: Brand, graft: Graft, fileBytes: Uint8Array): WrittenGraft {
  const host = readHost(graft.host.name, fileBytes, graft);
  if (typeof host === 'string') return stopped(graft, host);
  return writeOnto(brand, graft, host);
}

/** The same for a host that has been read already. */
export function writeOnto(brand: Brand, graft: Graft, { source, found }: Host): WrittenGraft {
  const { slots, banks } = found;
  const byKey = new Map(slots.map((slot) => [slot.key, slot]));
  const findings: Finding[] = [];
  const complain = (message: string) => void findings.push(finding('graft', 'error', `${graft.path}: ${message}`));
  const replacements = new Map<Slot, Replacement>();
  const edits: Edit[] = [];
  if (!brand.themes.some(({ id }) => id === graft.theme))
    complain('the theme that it is for is no longer there; choose another.');
  for (const [key, { palette: id, resize }] of Object.entries(graft.banks)) {
    const bank = banks.find((each) => each.key === key);
    const palette = brand.palettes.find((each) => each.id === id);
    if (!bank) complain(`the host has no bank of slots at ${key} any more; bind it anew.`);
    else if (!palette) complain(`the palette that ${key} was bound to is no longer there; bind it anew.`);
    else {
      const colours = palette.swatches.map(({ value }) => readColour(value)!);
      for (const [n, at] of bank.slots.entries()) {
        const colour = colours[n];
        if (colour) replacements.set(slots[at]!, { slot: slots[at]!, colour, withOpacity: colour.alpha < 1 });
      }
      if (!resize || colours.length === bank.slots.length || colours.length === 0) continue;
      const last = slots[bank.slots.at(-1)!]!.literal;
      const more = colours.slice(bank.slots.length).map((colour) => inItsManner(last, colour));
      const change = more.includes(null)
        ? 'a colour cannot be written as the others are.'
        : resized(source, slots, bank, colours.length, more as string[]);
      if (typeof change === 'string') complain(`${key} cannot have ${colours.length} entries: ${change}`);
      else edits.push(...change.edits);
    }
  }
  const cut = edits.filter(({ text }) => text === '').map(({ span }) => span);
  for (const [key, binding] of Object.entries(graft.bindings)) {
    const slot = byKey.get(key);
    const colour = slot && boundColour(brand, binding, graft.theme);
    if (!slot) complain(`the host has no colour at ${key} any more; bind it anew.`);
    else if (!colour)
      complain(
        `what ${key} (line ${source.placeOf(slot.span.from).line}) was bound to has no colour, or is no longer there; bind it anew.`,
      );
    else replacements.set(slot, { slot, colour, withOpacity: colour.alpha < 1 });
  }
  const kept = [...replacements.values()].filter(
    ({ slot: { span } }) => !cut.some(({ from, to }) => span.from >= from && span.to <= to),
  );
  const replaced = graftEdits(source, kept);
  for (const { line, message } of replaced.problems) complain(`line ${line}: ${message}`);
  if (findings.length > 0) return { bytes: null, edits: [], findings };
  const all = [...replaced.edits, ...edits];
  return { bytes: source.rewritten(all), edits: all, findings };
}

/** The colour of what a slot is bound to; null when it is gone or has none. */
export function boundColour(brand: Brand, { to, theme }: Pick<Binding, 'to' | 'theme'>, ofGraft: string): ReadColour | null {
  if ('swatch' in to) {
    const place = swatchesOf(brand).get(to.swatch);
    return place ? readColour(place.swatch.value) : null;
  }
  const wanted = theme ?? ofGraft;
  if (!tokensOf(brand).has(to.token) || !brand.themes.some(({ id }) => id === wanted)) return null;
  return resolveTheme(brand, wanted).get(to.token)?.colour ?? null;
}

function stopped({ path }: Graft, message: string): WrittenGraft {
  return { bytes: null, edits: [], findings: [finding('graft', 'error', `${path}: ${message}`)] };
}
