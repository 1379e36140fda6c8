import { useMemo } from 'react';
import type { Palette } from '@/core/brand/document/palette-shape';
import { tokensUsing } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';
import { closestPairs } from '@/core/findings/closest';
import { GREY_CHROMA } from '@/core/colour/grey';
import { useBrand } from '../store/brand-context';
import css from './readout.module.css';

/** The pairs of more than this many are not compared while somebody edits. */
const MOST_COMPARED = 150;

/** The palette in view, when nothing of it is chosen. */
export function PaletteReadout({ palette }: { palette: Palette }) {
  const { tokens, select } = useBrand((state) => ({ tokens: state.replica.brand.tokens, select: state.select }));
  const { swatches } = palette;
  const figures = useMemo(() => {
    const colours = swatches.map(({ value }) => readColour(value)!);
    const lightness = colours.map(({ oklch }) => oklch[0]);
    const [least, most] = [Math.min(...lightness), Math.max(...lightness)];
    const greys = colours.filter(({ oklch }) => oklch[1] < GREY_CHROMA).length;
    const used = swatches.filter(({ id }) => tokensUsing(tokens, { swatch: id }).length > 0).length;
    const [pair] = swatches.length <= MOST_COMPARED ? closestPairs(swatches, 1) : [];
    return { least, most, greys, used, pair };
  }, [swatches, tokens]);
  const { least, most, greys, used, pair } = figures;
  return (
    <>
      <div className={css.patches}>
        {swatches.slice(0, 24).map(({ id, value }) => (
          <div key={id} style={{ background: readColour(value)!.hex }} />
        ))}
      </div>
      <h2>{palette.name}</h2>
      <p className={css.about}>
        A {palette.kind} palette of {swatches.length} {swatches.length === 1 ? 'colour' : 'colours'}
        {greys > 0 && `, ${greys} of them grey`}. Choose one to read everything about it.
      </p>
      {palette.note && <p className={css.about}>{palette.note}</p>}
      {swatches.length > 0 && (
        <ul className={css.rows}>
          <li>
            <span className={css.key}>Lightness</span>
            <span>
              {least.toFixed(2)} to {most.toFixed(2)}
            </span>
          </li>
          <li>
            <span className={css.key}>Used</span>
            <span>
              {used} by tokens, {swatches.length - used} by none
            </span>
          </li>
          {pair && (
            <li>
              <span className={css.key}>Closest</span>
              <button className={css.link} onClick={() => select({ swatch: pair.one.id, also: [pair.one.id, pair.two.id] })}>
                {pair.one.name}, {pair.two.name}
              </button>
              <code className={css.verdict}>ΔE {pair.distance.toFixed(1)}</code>
            </li>
          )}
        </ul>
      )}
    </>
  );
}
