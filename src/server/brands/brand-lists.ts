import type { Brand } from '@/core/brand/document/document';
import { readColour } from '@/core/colour/read';
import type { BrandRow } from '../database/rows';

/** Colours by which a brand is known at a glance. */
const RIBBON = 12;

/** What lists need of a brand; it is kept beside the log, as of the last change. */
export function listsOf({
  name,
  palettes,
  destinations,
  house,
}: Brand): Pick<BrandRow, 'name' | 'shelf' | 'templates' | 'ribbon' | 'house'> {
  return {
    name,
    house: house ?? null,
    ribbon: palettes
      .flatMap(({ swatches }) => swatches.slice(0, RIBBON))
      .slice(0, RIBBON)
      .map(({ value }) => readColour(value)!.hex),
    shelf: palettes.flatMap(({ source }) => (source && 'shelf' in source ? [source.shelf] : [])),
    templates: destinations.flatMap(({ name: called, format, options: { source } }) =>
      format === 'template' && typeof source === 'string' ? [{ name: called, source }] : [],
    ),
  };
}
