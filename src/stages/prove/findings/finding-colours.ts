import type { Brand } from '@/core/brand/document/document';
import { resolveTheme, swatchesOf } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';
import type { Finding } from '@/core/findings/finding';

/** A colour that a finding is about. */
export interface FindingColour {
  readonly id: string;
  readonly name: string;
  readonly hex: string;
}

/** The colours that a finding is about, in its theme or else the first. */
export function coloursOf(brand: Brand, { subject }: Finding): FindingColour[] {
  const theme = brand.themes.find(({ id }) => id === subject.theme) ?? brand.themes[0]!;
  const resolved = resolveTheme(brand, theme.id);
  const swatches = swatchesOf(brand);
  return [
    ...(subject.tokens ?? []).flatMap((id): FindingColour[] => {
      const found = resolved.get(id);
      return found?.colour ? [{ id, name: found.token.path, hex: found.colour.hex }] : [];
    }),
    ...(subject.swatches ?? []).flatMap((id): FindingColour[] => {
      const place = swatches.get(id);
      return place ? [{ id, name: place.swatch.name, hex: readColour(place.swatch.value)!.hex }] : [];
    }),
  ];
}
