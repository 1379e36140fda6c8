import { useDeferredValue, useMemo } from 'react';
import { isDarkTheme } from '@/core/brand/reading/elevation';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { textPairs } from '@/core/findings/contrast';
import { useBrand } from '../store/brand-context';
import css from './readout.module.css';

/** The theme in view, when no token is chosen. */
export function ThemeReadout() {
  const { newest, themeId, select } = useBrand((state) => ({
    newest: state.replica.brand,
    themeId: state.theme,
    select: state.select,
  }));
  const brand = useDeferredValue(newest);
  // A theme that was made just now is not in it yet.
  const theme = brand.themes.find(({ id }) => id === themeId) ?? brand.themes[0]!;
  const figures = useMemo(() => {
    const resolved = [...resolveTheme(brand, theme.id).values()];
    const pairs = textPairs(brand, [theme]);
    return {
      surfaces: resolved.filter(({ token, colour }) => token.role === 'surface' && colour),
      without: resolved.filter(({ colour }) => !colour).length,
      pairs,
      failing: pairs.filter(({ passes }) => !passes).length,
    };
  }, [brand, theme]);
  const { surfaces, without, pairs, failing } = figures;
  const from = brand.themes.find(({ id }) => id === theme.derived?.from);
  const worst = pairs[0];
  return (
    <>
      <div className={css.patches}>
        {surfaces.slice(0, 12).map(({ token, colour }) => (
          <div key={token.id} style={{ background: colour!.hex }} />
        ))}
      </div>
      <h2>{theme.name}</h2>
      <p className={css.about}>
        A {isDarkTheme(brand, theme.id) ? 'dark' : 'light'} theme{from && `, derived from ${from.name}`}. Choose a token to read
        everything about it.
      </p>
      <ul className={css.rows}>
        <li>
          <span className={css.key}>Tokens</span>
          <span>
            {brand.tokens.length}
            {without > 0 && `, ${without} without a colour`}
          </span>
        </li>
        <li>
          <span className={css.key}>Readable</span>
          <span>
            {pairs.length === 0 ? 'nothing to measure yet' : `${pairs.length - failing} of ${pairs.length} texts on surfaces`}
          </span>
        </li>
        {worst && (
          <li>
            <span className={css.key}>Hardest</span>
            <button className={css.link} onClick={() => select({ token: worst.text.id })}>
              {worst.text.path} on {worst.surface.path}
            </button>
            <code className={css.verdict}>{(Math.floor(worst.ratio * 100) / 100).toFixed(2)}</code>
          </li>
        )}
      </ul>
    </>
  );
}
