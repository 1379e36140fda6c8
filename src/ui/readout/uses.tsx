import { useMemo } from 'react';
import { usesOf } from '@/core/brand/reading/where-used';
import { useBrand } from '../store/brand-context';
import { useTokensWritten } from '../asked/formats';
import { useMatch } from '../store/match-store';
import { StageLink } from '../stage-link';
import css from './readout.module.css';

const SHOWN = 12;
/** Until the formats are there, no destination is known to write anything. */
const nothingWritten = () => [];

/** Where a swatch or a token is used, from the tokens that come to it to the screens that show them, and what it would break to delete it. */
export function WhereUsed({ target }: { target: { readonly swatch: string } | { readonly token: string } }) {
  const { brand, select } = useBrand((state) => ({ brand: state.replica.brand, select: state.select }));
  const shows = useMatch((state) => state.shows);
  const written = useTokensWritten();
  const key = 'swatch' in target ? target.swatch : target.token;
  const { tokens, destinations, fields, grafts, art, screens } = useMemo(() => {
    const uses = usesOf(brand, 'swatch' in target ? { swatch: key } : { token: key }, written ?? nothingWritten);
    const tokenPath = 'token' in target ? brand.tokens.find(({ id }) => id === key)?.path : undefined;
    const paths = new Set([...uses.tokens.map(({ path }) => path), ...(tokenPath === undefined ? [] : [tokenPath])]);
    const found = [...shows].filter(([, shown]) => [...shown].some((path) => paths.has(path))).map(([title]) => title);
    return { ...uses, screens: found };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says which target it is
  }, [brand, key, shows, written]);
  const straight = tokens.filter(({ values, rule }) =>
    'swatch' in target
      ? Object.values(values).some((value) => 'swatch' in value && value.swatch === key)
      : rule?.of === key || Object.values(values).some((value) => 'token' in value && value.token === key),
  ).length;
  return (
    <section data-testid="uses">
      <h3>Used by</h3>
      <ul className={css.rows}>
        {tokens.slice(0, SHOWN).map((token) => (
          <li key={token.id}>
            <button className={css.link} onClick={() => select({ token: token.id })}>
              <code>{token.path}</code>
            </button>
          </li>
        ))}
        {tokens.length > SHOWN && <li className={css.about}>and {tokens.length - SHOWN} more tokens</li>}
        {fields.map(({ id, name }) => (
          <li key={id}>Values of {name}</li>
        ))}
        {[...grafts, ...art].map(({ id, path }) => (
          <li key={id}>
            <StageLink stage="ship">{path}</StageLink>
          </li>
        ))}
        {destinations.map(({ id, name }) => (
          <li key={id}>
            <StageLink stage="ship">{name}</StageLink>
          </li>
        ))}
        {screens.map((title) => (
          <li key={title}>
            <StageLink stage="watch">{title}</StageLink>
          </li>
        ))}
        {tokens.length + destinations.length + fields.length + grafts.length + art.length === 0 && (
          <li className={css.about}>Nothing uses it.</li>
        )}
      </ul>
      {straight > 0 && (
        <p className={css.about}>
          Deleted, it would be missed by {straight} {straight === 1 ? 'token' : 'tokens'}: they would keep its colour and lose the
          tie.
        </p>
      )}
    </section>
  );
}
