import type { Brand } from '@/core/brand/document/document';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { sought } from '@/core/colour/asked';
import { ciede2000 } from '@/core/colour/difference';
import { labD65, labOf, type LabD65 } from '@/core/colour/lab';
import { STAGES, type StageId } from '../frame/stages';
import { ribbon } from '../ribbon';

/** What can be done at a press, besides going somewhere. */
export interface Act {
  readonly words: string;
  readonly key: string;
  readonly run: () => void;
}

/** Where something that was found leads. */
export type Lead =
  | { readonly stage: StageId }
  | { readonly act: Act }
  | { readonly theme: string }
  | { readonly token: string }
  | { readonly palette: string }
  | { readonly swatch: string; readonly palette: string }
  | { readonly elsewhere: FoundElsewhere };

/** A swatch of another brand of the organisation, as the server found it. */
export interface FoundElsewhere {
  readonly brand: string;
  readonly brandName: string;
  readonly paletteName: string;
  readonly id: string;
  readonly name: string;
  readonly hex: string;
  /** ΔE2000; null where a name was looked for. */
  readonly distance: number | null;
}

export interface Found {
  readonly key: string;
  readonly label: string;
  /** What it is, and where. */
  readonly about: string;
  /** What is painted beside it, as a CSS background; null where it has no colour. */
  readonly paint: string | null;
  /** ΔE2000 from the colour that is looked for; null where none is. */
  readonly distance: number | null;
  readonly lead: Lead;
}

/** Of each kind, so many are shown. */
const SHOWN = 8;

const labs = new WeakMap<object, LabD65>();

function labOfSwatch(swatch: { readonly value: string }): LabD65 {
  let lab = labs.get(swatch);
  if (!lab) labs.set(swatch, (lab = labOf(swatch.value)));
  return lab;
}

/** Everything of this page that fits what is typed: what can be done, stages, themes, tokens, palettes, swatches by colour and by name. */
export function foundHere(brand: Brand, theme: string, acts: readonly Act[], typed: string): Found[] {
  const { colour, name } = sought(typed);
  const near = colour ? nearest(brand, labD65(colour)) : [];
  if (name === null) return near;
  const words = name.toLowerCase();
  const fits = (text: string) => text.toLowerCase().includes(words);
  const plain = { paint: null, distance: null };
  const doing = acts
    .filter((act) => fits(act.words))
    .map((act): Found => ({ ...plain, key: `do ${act.words}`, label: act.words, about: act.key, lead: { act } }));
  const stages = STAGES.filter(({ label }) => fits(label)).map(({ id, label, first }): Found => ({
    ...plain,
    key: `stage ${id}`,
    label: `Go to ${label}`,
    about: first,
    lead: { stage: id },
  }));
  // Nothing typed yet asks for what can be done, and not for all there is.
  if (words === '') return [...doing, ...stages];
  return [...near, ...doing, ...stages, ...partsNamed(brand, theme, fits)];
}

function partsNamed(brand: Brand, theme: string, fits: (text: string) => boolean): Found[] {
  const resolved = resolveTheme(brand, theme);
  const themes = brand.themes
    .filter((each) => fits(each.name))
    .map(({ id, name }): Found => ({
      key: `theme ${id}`,
      label: name,
      about: 'theme',
      paint: null,
      distance: null,
      lead: { theme: id },
    }));
  const tokens = brand.tokens
    .filter(({ path }) => fits(path))
    .map(({ id, path }): Found => ({
      key: `token ${id}`,
      label: path,
      about: 'token',
      paint: resolved.get(id)?.colour?.hex ?? null,
      distance: null,
      lead: { token: id },
    }));
  const palettes = brand.palettes
    .filter(({ name }) => fits(name))
    .map(({ id, name, swatches }): Found => ({
      key: `palette ${id}`,
      label: name,
      about: `palette of ${swatches.length}`,
      paint: ribbon(swatches.map(({ value }) => value)),
      distance: null,
      lead: { palette: id },
    }));
  const swatches = brand.palettes.flatMap((palette) =>
    palette.swatches.filter(({ name }) => fits(name)).map((swatch) => foundSwatch(palette, swatch, null)),
  );
  return [themes, palettes, tokens, swatches].flatMap((list) => list.slice(0, SHOWN));
}

function foundSwatch(palette: Palette, { id, name, value }: Swatch, distance: number | null): Found {
  return {
    key: `${distance === null ? 'swatch' : 'near'} ${id}`,
    label: name,
    about: `${distanceWords(distance)}${palette.name}`,
    paint: value,
    distance,
    lead: { swatch: id, palette: palette.id },
  };
}

function distanceWords(distance: number | null): string {
  return distance === null ? '' : `ΔE ${distance.toFixed(1)}, `;
}

/** Swatches by how near they are, the nearest first. */
function nearest({ palettes }: Brand, lab: LabD65): Found[] {
  return palettes
    .flatMap((palette) => palette.swatches.map((swatch) => ({ palette, swatch, distance: ciede2000(labOfSwatch(swatch), lab) })))
    .sort((one, two) => one.distance - two.distance)
    .slice(0, SHOWN)
    .map(({ palette, swatch, distance }) => foundSwatch(palette, swatch, distance));
}

/** What the server found in other brands beside what was found here: swatches near a colour are told in one order. */
export function together(here: readonly Found[], swatches: readonly FoundElsewhere[], brand: string): Found[] {
  const others = swatches
    .filter((swatch) => swatch.brand !== brand)
    .slice(0, 2 * SHOWN)
    .map((swatch): Found => ({
      key: `elsewhere ${swatch.brand} ${swatch.id} ${swatch.distance === null ? 'named' : 'near'}`,
      label: swatch.name,
      about: `${distanceWords(swatch.distance)}${swatch.paletteName} of ${swatch.brandName}`,
      paint: swatch.hex,
      distance: swatch.distance,
      lead: { elsewhere: swatch },
    }));
  const all = [...here, ...others];
  const near = all.filter(({ distance }) => distance !== null).sort((one, two) => one.distance! - two.distance!);
  return [...near, ...all.filter(({ distance }) => distance === null)];
}
