import { shortened } from '@/core/base/storable';
import { apply } from '@/core/brand/commands/apply';
import {
  colourOfSwatches,
  coloursOfTheme,
  laidBeside,
  type AlignedBy,
  type Beside,
  type NamedColour,
} from '@/core/brand/reading/beside';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Palette } from '@/core/brand/document/palette-shape';
import type { Theme } from '@/core/brand/document/theme-shape';
import { takeEarlierTheme, takePalette, takeTheme } from '@/core/brand/tools/take-beside';
import { readColour } from '@/core/colour/read';
import { neutrals, retinted } from '@/core/palette/neutrals';
import type { ShelfPalette } from '@/core/shelf/shelf-palette';

/** What somebody wants to see in a lane: where it is from (`now`, `release 3`, `shelf`, `greys`) and what of it (`theme ID`, `palette ID`, a candidate's id). */
export interface Wish {
  readonly from: string;
  readonly what: string;
}

/** What lanes are made from. */
export interface Material {
  /** The document as it is kept. */
  readonly brand: Brand;
  /** Id of the theme in view: palettes are drawn in it. */
  readonly theme: string;
  readonly releases: ReadonlyMap<number, Brand>;
  readonly shelf: readonly ShelfPalette[];
}

/** One of the things that stand side by side. */
export interface Lane {
  readonly wish: Wish;
  readonly title: string;
  readonly colours: readonly NamedColour[];
  /** The brand it is a theme of. */
  readonly brand: Brand;
  readonly of: { readonly theme: Theme } | { readonly palette: Pick<Palette, 'kind' | 'swatches' | 'name'>; readonly id: string };
}

/** Chroma of the middle greys of a family: enough to be felt, too little to be called a colour. */
const TINT = 0.012;

/** Families of grey to try in a palette, about its own hue: without colour, and from cold to warm. */
export function greyFamilies(palette: Palette | undefined) {
  const lead = palette?.swatches.map(({ value }) => readColour(value)!.oklch).sort((one, two) => two[1] - one[1])[0];
  return [
    { id: 'plain', label: 'Without colour', hue: 0, tint: 0 },
    ...neutrals(lead?.[2] ?? 0, TINT).map(({ id, label, hue }) => ({ id, label, hue, tint: TINT })),
  ];
}

/** The palette that candidates are tried in: that of the first lane, or else the first of the brand. */
export function basePalette({ palettes }: Brand, wishes: readonly Wish[]): Palette | undefined {
  const id = wishes.map(({ what }) => /^palette (.+)$/.exec(what)?.[1]).find((found) => found !== undefined);
  return palettes.find((palette) => palette.id === id) ?? palettes[0];
}

/** @returns null for what is gone, or not there yet */
export function laneOf(wish: Wish, { brand, releases, shelf }: Material, base: Palette | undefined): Lane | null {
  if (wish.from === 'shelf') {
    const found = shelf.find(({ id }) => id === wish.what);
    if (!found) return null;
    const swatches = found.colours.map((colour, at) => ({ ...colour, id: `${found.id} ${at}`, locked: false }));
    const palette = { name: found.name, kind: base?.kind ?? ('brand' as const), swatches };
    return { wish, title: `${found.name}, from the shelf`, colours: colourOfSwatches(swatches), brand, of: { palette, id: '' } };
  }
  if (wish.from === 'greys') {
    const family = greyFamilies(base).find(({ id }) => id === wish.what);
    if (!family || !base) return null;
    const values = retinted(
      base.swatches.map(({ value }) => readColour(value)!),
      family.hue,
      family.tint,
    );
    const swatches = base.swatches.map((swatch, at) => ({ ...swatch, value: values[at]! }));
    const title = `${base.name}, greys ${family.label.toLowerCase()}`;
    return { wish, title, colours: colourOfSwatches(swatches), brand, of: { palette: { ...base, swatches }, id: '' } };
  }
  const number = releaseNumber(wish);
  const document = number === null ? brand : releases.get(number);
  if (!document) return null;
  const when = number === null ? '' : `, release ${number}`;
  const [kind, id] = wish.what.split(' ') as [string, string];
  const theme = document.themes.find((each) => kind === 'theme' && each.id === id);
  if (theme) return { wish, title: theme.name + when, colours: coloursOfTheme(document, id), brand: document, of: { theme } };
  const palette = document.palettes.find((each) => kind === 'palette' && each.id === id);
  if (!palette) return null;
  return { wish, title: palette.name + when, colours: colourOfSwatches(palette.swatches), brand: document, of: { palette, id } };
}

export function releaseNumber({ from }: Wish): number | null {
  const found = /^release (\d+)$/.exec(from);
  return found ? Number(found[1]) : null;
}

/** An edit that takes what a lane shows, and what it is taken into. */
export interface Taking {
  readonly command: Command;
  readonly into: string;
}

/**
 * The edit that makes the brand what a lane shows: a release's theme or palette becomes so again; anything else is taken into what stands in
 * the first lane. null where there is nothing to take, or nothing to take it into.
 */
export function takeFrom(lane: Lane, first: Lane, brand: Brand, by: AlignedBy, newId: () => string): Taking | null {
  const isEarlier = releaseNumber(lane.wish) !== null;
  if (!isEarlier && (lane === first || first.wish.from !== 'now')) return null;
  const label = shortened(`Take ${lane.title}`, 200);
  if ('theme' in lane.of) {
    const { theme } = lane.of;
    const into = isEarlier ? brand.themes.find(({ id }) => id === theme.id) : 'theme' in first.of ? first.of.theme : undefined;
    if (!into) return null;
    const command = isEarlier ? takeEarlierTheme(brand, lane.brand, into, label) : takeTheme(brand, into, theme, label);
    return command && { command, into: into.name };
  }
  const target = isEarlier ? lane.of.id : 'palette' in first.of ? first.of.id : undefined;
  const into = brand.palettes.find(({ id }) => id === target);
  if (!into) return null;
  const command = takePalette(brand, into, laidBeside(colourOfSwatches(into.swatches), lane.colours, by), newId, label);
  return command && { command, into: into.name };
}

/** The brand and theme that a lane is drawn with: a palette's is the brand as it would be with it. */
export function drawnWith(lane: Lane, first: Lane, { brand, theme }: Material, by: AlignedBy): { brand: Brand; theme: string } {
  if ('theme' in lane.of) return { brand: lane.brand, theme: lane.of.theme.id };
  let next = 0;
  const taking = takeFrom(lane, first, brand, by, () => `tried-${next++}`);
  const applied = taking && apply(brand, taking.command);
  return { brand: applied?.ok ? applied.brand : brand, theme };
}

/** Every row of the first lane beside all the others, and after them what only one of the others has. */
export interface LaneRow {
  readonly key: string;
  readonly name: string;
  /** By lane, from the second. */
  readonly besides: readonly (Beside | null)[];
  readonly one: NamedColour | null;
}

export function laneRows(lanes: readonly Lane[], by: AlignedBy): LaneRow[] {
  const [first, ...others] = lanes;
  if (!first) return [];
  const compared = others.map(({ colours }) => laidBeside(first.colours, colours, by));
  const rows = first.colours.map((one, at): LaneRow => ({
    key: one.id,
    name: one.name,
    one,
    besides: compared.map((list) => list[at]!),
  }));
  const came = compared.flatMap((list, lane) =>
    list.slice(first.colours.length).map((beside): LaneRow => ({
      key: `${lane} ${beside.two!.id}`,
      name: beside.two!.name,
      one: null,
      besides: others.map((_, at) => (at === lane ? beside : null)),
    })),
  );
  return [...rows, ...came].sort((a, b) => weight(b) - weight(a));
}

/** The farther it moved the higher it stands; what came or went stands below what moved, and what stayed below that. */
function weight({ besides }: LaneRow): number {
  return Math.max(
    ...besides.map((each) => (!each ? 0 : each.fate === 'moved' ? 1 + each.distance! : each.fate === 'same' ? 0 : 1)),
    0,
  );
}
