'use client';

import { useBrand } from '../brand-context';
import { SwatchReadout } from './swatch-readout';
import { TokenReadout } from './token-readout';
import css from './readout.module.css';

/** All about the selected colour. */
export function Readout() {
  const selection = useBrand((state) => state.selection);
  return (
    <aside className={css.readout} aria-label="Readout">
      {selection === null && <p className={css.nothing}>Choose a swatch or a token to read everything about it here.</p>}
      {selection && 'swatch' in selection && <SwatchReadout id={selection.swatch} />}
      {selection && 'token' in selection && <TokenReadout id={selection.token} />}
    </aside>
  );
}
