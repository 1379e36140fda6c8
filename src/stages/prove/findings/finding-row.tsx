import { ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import { resolveTheme, swatchesOf } from '@/core/brand/resolve';
import type { Brand } from '@/core/brand/document';
import { readColour } from '@/core/colour/read';
import type { Finding } from '@/core/findings/finding';
import { useBrand } from '@/ui/brand-context';
import { FindingDetail } from './finding-detail';
import css from './findings.module.css';

/** One finding: its colours and its sentence; opened, what can be done about it. */
export function FindingRow({ finding, open, onOpen }: { finding: Finding; open: boolean; onOpen: () => void }) {
  const brand = useBrand((state) => state.replica.brand);
  const colours = useMemo(() => coloursOf(brand, finding), [brand, finding]);
  return (
    <li data-rule={finding.rule} data-open={open || undefined}>
      <button className={css.row} aria-expanded={open} onClick={onOpen}>
        <ChevronRight size={14} aria-hidden />
        <span className={css.patches} aria-hidden>
          {colours.map(({ id, hex }) => (
            <i key={id} style={{ background: hex }} />
          ))}
        </span>
        <span>{finding.message}</span>
      </button>
      {open && <FindingDetail finding={finding} colours={colours} />}
    </li>
  );
}

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
