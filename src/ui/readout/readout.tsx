'use client';

import { usePathname } from 'next/navigation';
import { swatchesOf, tokensOf } from '@/core/brand/reading/resolve';
import { useBrand } from '../store/brand-context';
import { PaletteReadout } from './palette-readout';
import { SwatchReadout } from './swatch-readout';
import { ThemeReadout } from './theme-readout';
import { TokenReadout } from './token-readout';
import css from './readout.module.css';

/** All about the selected colour; with none, or one that is gone, about the palette or the theme in view. */
export function Readout() {
  return (
    <aside id="readout" className={css.readout} aria-label="Readout">
      <Shown />
    </aside>
  );
}

function Shown() {
  const { selection, palette } = useBrand(({ selection: chosen, palette: id, replica: { brand } }) => ({
    selection:
      chosen && ('swatch' in chosen ? swatchesOf(brand).has(chosen.swatch) : tokensOf(brand).has(chosen.token)) ? chosen : null,
    palette: brand.palettes.find((each) => each.id === id),
  }));
  const isMix = usePathname().split('/')[3] === 'mix';
  if (selection) return 'swatch' in selection ? <SwatchReadout id={selection.swatch} /> : <TokenReadout id={selection.token} />;
  if (!isMix) return <ThemeReadout />;
  return palette ? <PaletteReadout palette={palette} /> : <p className={css.nothing}>A palette is told about here.</p>;
}
