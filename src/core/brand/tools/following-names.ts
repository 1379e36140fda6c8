import { plainTitle } from '../../colour/plain-name';
import { readColour } from '../../colour/read';
import type { Command, Step } from '../commands/commands';
import type { Brand } from '../document/document';
import { swatchesOf } from '../reading/resolve';

const CODE = /^#(?:[0-9a-f]{3}|[0-9a-f]{4}|[0-9a-f]{6}|[0-9a-f]{8})$/i;

/**
 * What a swatch is called after its colour has changed, when nobody gave it a name: a code is that of its new colour, and the plain name of
 * its old colour that of the new one. @returns null for a name that somebody gave
 */
export function followingName(name: string, was: string, now: string): string | null {
  const [before, after] = [readColour(was), readColour(now)];
  if (!before || !after) return null;
  if (CODE.test(name)) return name === name.toUpperCase() ? after.hex.toUpperCase() : after.hex;
  return name === plainTitle(before) ? plainTitle(after) : null;
}

/** A command with the names of the swatches it recolours, where those names only say the colour. */
export function withFollowingNames(brand: Brand, command: Command): Command {
  const swatches = swatchesOf(brand);
  let follows = false;
  const steps = command.steps.map((step): Step => {
    if (step.do !== 'swatch.edit' || step.set.value === undefined || step.set.name !== undefined) return step;
    const swatch = swatches.get(step.id)?.swatch;
    const name = swatch ? followingName(swatch.name, swatch.value, step.set.value) : null;
    if (name === null || name === swatch!.name) return step;
    follows = true;
    return { ...step, set: { ...step.set, name } };
  });
  return follows ? { ...command, steps } : command;
}
