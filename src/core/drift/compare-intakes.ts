import { swatchesOf, tokensOf } from '../brand/reading/resolve';
import type { Brand } from '../brand/document/document';
import { slug } from '../base/words';
import { shownHex } from '../colour/read';
import type { Entry, Intake } from '../intake/intake';
import { aligned, type Stretch } from './align';
import { coloursOf, type Known } from './brand-colours';
import type { Compared } from './compare-text';
import { differs, extra, isSameShown, missing, type Difference, type Expected } from './difference';
import type { ExpectedFile } from './expected-files';

/** A colour of an intake, with what it is called there. */
type Named = Entry & { readonly colour: NonNullable<Entry['colour']> };

/**
 * Compares two files of a kind that is read: what should be there with what is there, colour by colour, by their names
 * and by their order. For files without text, and for such as may say the same in many ways.
 */
export function compareIntakes(brand: Brand, file: ExpectedFile, expected: Intake, delivered: Intake): Compared {
  const [ours, theirs] = [taken(expected), taken(delivered)];
  const names = namesOf(brand, file, ours);
  const { theme } = file;
  const differences: Difference[] = [];
  let equal = 0;
  const subject = (entry: Named): Expected => ({
    ...(theme !== null && { theme }),
    ...names(entry, expected),
    hex: entry.colour.hex,
  });
  const nameKey = (intake: Intake) => (entry: Named) => `${paletteName(entry, intake)}/${nameOf(entry)}`;
  const [ourKey, theirKey] = [nameKey(expected), nameKey(delivered)];
  const whole = (key: (entry: Named) => string) => (entry: Named) => `${key(entry)} ${entry.colour.hex} ${entry.colour.alpha}`;
  // The same names in the same order: then each is compared with its own, also where names say nothing.
  const sameNames = ours.length === theirs.length && ours.every((entry, at) => ourKey(entry) === theirKey(theirs[at]!));
  const stretches = sameNames
    ? ours.map((_, at): Stretch => ({ equal: false, one: [at, at + 1], two: [at, at + 1] }))
    : aligned(ours.map(whole(ourKey)), theirs.map(whole(theirKey)));
  for (const stretch of stretches) {
    const [lost, come] = [ours.slice(...stretch.one), theirs.slice(...stretch.two)];
    if (stretch.equal) {
      equal += lost.length;
      continue;
    }
    const left = new Set(come);
    const line = come[0]?.line ?? theirs[stretch.two[0] - 1]?.line ?? 1;
    for (const [n, entry] of lost.entries()) {
      const beside = lost.length === come.length && left.has(come[n]!) ? come[n] : undefined;
      const named = [...left].find((other) => theirKey(other) === ourKey(entry));
      const counterpart = beside && theirKey(beside) === ourKey(entry) ? beside : (named ?? beside);
      if (!counterpart) differences.push(missing(subject(entry), line));
      else {
        left.delete(counterpart);
        if (isSameShown(entry.colour, counterpart.colour)) equal++;
        else differences.push(differs(subject(entry), counterpart.colour, counterpart.text, counterpart.line));
      }
    }
    for (const { colour, line: at } of left) differences.push(extra(colour, at));
  }
  return { differences, equal };
}

function taken({ entries }: Intake): Named[] {
  return entries.filter((entry): entry is Named => entry.colour !== null && entry.take);
}

/** What an entry is called; a name that is only its code says nothing. */
function nameOf({ token, name, colour }: Named): string {
  return token?.path ?? (name === shownHex(colour) ? '' : name);
}

function paletteName({ palette }: Entry, { palettes }: Intake): string {
  return palette === null ? '' : (palettes[palette]?.name ?? '');
}

/**
 * Which token or swatch an entry of a file of ours is: by its path, by the names of its palette and its own; where a file
 * has no names, by its place among the tokens or swatches that its format writes; and else by its colour.
 */
function namesOf(brand: Brand, file: ExpectedFile, entries: readonly Named[]): (entry: Named, intake: Intake) => Partial<Known> {
  const tokens = new Map(Array.from(tokensOf(brand).values(), ({ id, path }) => [path, id]));
  const swatches = new Map(
    Array.from(swatchesOf(brand).values(), ({ palette, swatch }) => [`${palette.name}/${swatch.name}`, swatch.id]),
  );
  const places = new Map(entries.map((entry, at) => [entry, at]));
  const stem = file.path.replace(/^.*\/|\.[^.]+$/g, '');
  const palette = brand.palettes.find(({ name, swatches: list }) => slug(name) === stem && list.length === entries.length);
  const lead = entries.length - file.tokens.length;
  const known = coloursOf(brand);
  return (entry, intake) => {
    const token = tokens.get(entry.token?.path ?? entry.name);
    if (token !== undefined) return { token };
    const swatch = swatches.get(`${paletteName(entry, intake)}/${entry.name}`) ?? palette?.swatches[places.get(entry)!]?.id;
    if (swatch !== undefined) return { swatch };
    // One more than there are tokens is the transparent one, which comes first.
    const inOrder = lead === 0 || lead === 1 ? file.tokens[places.get(entry)! - lead] : undefined;
    return inOrder === undefined ? (known.get(entry.colour.hex) ?? {}) : { token: inOrder };
  };
}
