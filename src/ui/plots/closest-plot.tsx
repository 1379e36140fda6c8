'use client';

import { memo } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { closestPairs } from '@/core/findings/closest';
import { readColour } from '@/core/colour/read';
import css from './plots.module.css';

/** The pairs that are hardest to tell apart, touching, with their distance. */
export const ClosestPlot = memo(function ClosestPlot({ swatches }: { swatches: readonly Swatch[] }) {
  return (
    <ul className={css.closest}>
      {closestPairs(swatches, 4).map(({ one, two, distance }) => (
        <li key={`${one.id}/${two.id}`}>
          <span style={{ background: readColour(one.value)!.hex }} />
          <span style={{ background: readColour(two.value)!.hex }} />
          <b>
            {one.name}, {two.name}
          </b>
          <code>ΔE {distance.toFixed(1)}</code>
        </li>
      ))}
    </ul>
  );
});
