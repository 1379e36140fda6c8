import { resolveTheme, swatchesOf, tokensUsing } from '@/core/brand/reading/resolve';
import { memo, useEffect, useMemo, useState } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { plainName } from '@/core/colour/plain-name';
import { notations } from '@/core/colour/notations';
import { contrastRatio, flatten } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { useBrand, useLiveSwatch } from '../store/brand-context';
import { Copyable } from './copyable';
import { History } from './history';
import { InkRows } from './ink-rows';
import { WhereUsed } from './uses';
import css from './readout.module.css';

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

export function SwatchReadout({ id }: { id: string }) {
  const brand = useBrand((state) => state.replica.brand);
  const users = useMemo(() => tokensUsing(brand.tokens, { swatch: id }), [brand.tokens, id]);
  const { swatch, palette } = swatchesOf(brand).get(id)!;
  const place = palette.swatches.indexOf(swatch);
  return (
    <>
      <Patch swatch={swatch} />
      <h2>{swatch.name}</h2>
      <p className={css.about}>
        A {plainName(readColour(swatch.value)!)}, {ORDINALS[place] ?? `number ${place + 1}`} of {palette.name};{' '}
        {users.length === 0 ? 'no token uses it' : `used by ${users.length} ${users.length === 1 ? 'token' : 'tokens'}`}
      </p>
      <LiveFigures swatch={swatch} />
      <WhereUsed target={{ swatch: id }} />
      <History entity={id} />
    </>
  );
}

function Patch({ swatch }: { swatch: Swatch }) {
  return <div className={css.patch} style={{ background: flatten(readColour(useLiveSwatch(swatch).value)!, PAPER) }} />;
}

/** How long a slider must rest before the figures follow it, in milliseconds: a list of moving digits cannot be read. */
const REST_MS = 80;

/** The figures of the swatch as it is shown, following a moving slider whenever it rests. */
function LiveFigures({ swatch }: { swatch: Swatch }) {
  const { value } = useLiveSwatch(swatch);
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), REST_MS);
    return () => clearTimeout(timer);
  }, [value]);
  // Another value of the swatch (typed, undone, somebody else's) is shown at once.
  return <Figures value={value === swatch.value ? value : rested} />;
}

const Figures = memo(function Figures({ value }: { value: string }) {
  const { brand, theme } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme }));
  const colour = readColour(value)!;
  const { print } = brand;
  // By a profile it stands below; the plain formula would be a second answer.
  const shown = notations(colour).filter(({ id }) => !print || id !== 'cmyk');
  const surfaces = [...resolveTheme(brand, theme).values()].filter(
    ({ token, colour: ground }) => token.role === 'surface' && ground,
  );
  return (
    <>
      <h3>Notations</h3>
      <ul className={css.rows} data-testid="notations">
        {value !== colour.hex && (
          <li>
            <span className={css.key}>Authored</span>
            <Copyable text={value} />
          </li>
        )}
        {shown.map((notation) => (
          <li key={notation.id}>
            <span className={css.key}>{notation.label}</span>
            <Copyable text={notation.text} />
          </li>
        ))}
        {print && <InkRows hex={colour.hex} />}
      </ul>
      {colour.clipped > 0 && (
        <p className={css.about}>Outside sRGB: screens show the nearest colour, {colour.clipped.toFixed(3)} ΔE-OK away.</p>
      )}
      {surfaces.length > 0 && (
        <>
          <h3>Contrast as text</h3>
          <ul className={css.rows}>
            {surfaces.slice(0, 4).map(({ token, colour: ground }) => {
              const ratio = contrastRatio(colour, ground!);
              return (
                <li key={token.id}>
                  <i data-sample className={css.chip} style={{ background: ground!.hex, color: colour.hex }}>
                    Aa
                  </i>
                  <span>{token.path}</span>
                  <code className={css.verdict}>{ratio.toFixed(2)}</code>
                  <small>{verdict(ratio)}</small>
                </li>
              );
            })}
          </ul>
        </>
      )}
    </>
  );
});

const PAPER = readColour('#ffffff')!;

/** WCAG 2.2, 1.4.3 and 1.4.11 at level AA, in words. */
function verdict(ratio: number): string {
  return ratio >= 4.5 ? 'any text' : ratio >= 3 ? 'large text' : 'not text';
}
