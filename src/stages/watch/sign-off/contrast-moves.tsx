import { useMemo } from 'react';
import type { Brand } from '@/core/brand/document/document';
import type { TextPair } from '@/core/findings/contrast';
import { contrastMoves, hasFailed } from '@/core/release/contrast-moves';
import css from './sign-off.module.css';

const MOST_SHOWN = 40;

/** Texts that can be read better or worse than in the last release, in every theme. */
export function ContrastMoves({ before, after }: { before: Brand | null; after: Brand }) {
  const moves = useMemo(() => contrastMoves(before, after), [before, after]);
  if (moves.length === 0) return <p className={css.note}>Every text stands out just as it did.</p>;
  const failed = moves.filter(hasFailed).length;
  return (
    <>
      <p className={css.note}>
        {failed === 0 ? 'No text became too weak to read' : `${failed} of these fell below 4.5`}; {moves.length} stand out
        otherwise than before.
      </p>
      <ul className={css.moves} aria-label="Contrast before and now">
        {moves.slice(0, MOST_SHOWN).map((move) => (
          <li key={`${move.now.theme.id} ${move.now.text.id} ${move.now.surface.id}`}>
            <Specimen pair={move.before} />
            <Specimen pair={move.now} />
            <span>
              {move.now.text.path} on {move.now.surface.path}
            </span>
            <small>
              {move.now.theme.name}
              {hasFailed(move) && <b>, cannot be read</b>}
            </small>
          </li>
        ))}
        {moves.length > MOST_SHOWN && <li>and {moves.length - MOST_SHOWN} more</li>}
      </ul>
    </>
  );
}

function Specimen({ pair }: { pair: TextPair | null }) {
  if (!pair) return <i className={css.none}>none</i>;
  return (
    <i style={{ background: pair.surfaceColour.hex, color: pair.textColour.hex }}>
      Aa <code>{(Math.floor(pair.ratio * 100) / 100).toFixed(2)}</code>
    </i>
  );
}
