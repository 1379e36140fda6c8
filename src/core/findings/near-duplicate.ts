import { mergeSwatches } from '../brand/tools/merge-swatches';
import { swatchesOf, type SwatchPlace } from '../brand/reading/resolve';
import { closePairs } from '../colour/close-pairs';
import { readColour } from '../colour/read';
import { labAs } from './categories';
import { finding, type Rule } from './finding';
import { mostOf, worst } from './worst';

/** ΔE2000 that is about just noticeable side by side (common practice). */
export const JUST_NOTICEABLE = 1;

/**
 * Swatches that are meant to be one colour, by all appearance: all but the same, or the same twice in one palette. The same in two palettes is a
 * choice; neighbours within a series are close on purpose.
 */
export const nearDuplicate: Rule = {
  id: 'near-duplicate',
  title: 'All but the same',
  looksAt: ['palettes'],
  find(brand, known) {
    const places = [...swatchesOf(brand).values()];
    const labs = places.map(({ swatch }) => labAs(readColour(swatch.value)!, 'normal'));
    const pairs = closePairs(labs, JUST_NOTICEABLE, 4 * mostOf(known)).flatMap(({ one, two, distance }) =>
      isMeant(places[one]!, places[two]!, distance) ? [] : [{ one: places[one]!, two: places[two]!, distance }],
    );
    return worst(
      pairs,
      ({ one, two, distance }) => {
        const value = Math.floor(distance * 100) / 100;
        const name = ({ palette, swatch }: SwatchPlace) => `${palette.name} / ${swatch.name}`;
        return finding(
          'near-duplicate',
          'note',
          distance === 0
            ? `${name(one)} and ${name(two)} are the same colour.`
            : `${name(one)} and ${name(two)} are ΔE ${value.toFixed(2)} apart, which nobody sees.`,
          { swatches: [one.swatch.id, two.swatch.id] },
          { value, limit: JUST_NOTICEABLE, stays: one.swatch.name, goes: two.swatch.name },
        );
      },
      known,
    );
  },
  mend: {
    all: 'Make one of each',
    offer: ({ data, subject }) => (subject.swatches ? `Use ${data.stays} for both` : null),
    asks: (findings) => `Take ${findings.length} swatches out, each in favour of one that looks the same?`,
    command(brand, findings, label) {
      const known = swatchesOf(brand);
      const into = new Map<string, string>();
      for (const { subject } of findings) {
        const [stays, goes] = subject.swatches ?? [];
        if (!stays || !goes || !known.has(stays) || !known.has(goes) || into.has(goes)) continue;
        // What goes already leads on to what stays in its place.
        const last = into.get(stays) ?? stays;
        if (last === goes) continue;
        for (const [from, to] of into) if (to === goes) into.set(from, last);
        into.set(goes, last);
      }
      return into.size > 0 ? { label, steps: mergeSwatches(brand, into) } : null;
    },
  },
};

function isMeant(one: SwatchPlace, two: SwatchPlace, distance: number): boolean {
  if (one.palette !== two.palette) return distance === 0;
  const { kind } = one.palette;
  return kind === 'sequential' || kind === 'diverging' || (one.swatch.row !== undefined && one.swatch.row === two.swatch.row);
}
