import { memo } from 'react';
import type { LaneRow } from './lanes';
import css from './beside.module.css';

const [WIDTH, HEIGHT, EDGE] = [230, 300, 24] as const;

/**
 * Each colour that moved as a line in OKLCH, from a ring where it was to a dot where it is: lightness up, chroma to the right.
 * @param hot key of the row that is pointed at
 */
export const MovesPlot = memo(function MovesPlot({ rows, hot }: { rows: readonly LaneRow[]; hot: string | null }) {
  const moves = rows.flatMap(({ key, name, one, besides }) =>
    besides.flatMap((beside, lane) =>
      one?.colour && beside?.two?.colour && beside.fate === 'moved'
        ? [{ key: `${key} ${lane}`, row: key, name, lane, from: one.colour, to: beside.two.colour, distance: beside.distance! }]
        : [],
    ),
  );
  const most = Math.max(0.1, ...moves.flatMap(({ from, to }) => [from.oklch[1], to.oklch[1]]));
  const at = ([l, c]: readonly [number, number, number]) => ({
    x: EDGE + (c / most) * (WIDTH - EDGE - 10),
    y: 8 + (1 - l) * (HEIGHT - EDGE - 8),
  });
  return (
    <figure className={css.plot} data-hot={moves.some(({ row }) => row === hot) || undefined}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`${moves.length} moves in lightness and chroma`}>
        <path d={`M${EDGE} 8 V${HEIGHT - EDGE} H${WIDTH - 10}`} fill="none" stroke="var(--line)" />
        {moves.map(({ key, row, name, from, to, distance }) => {
          const [a, b] = [at(from.oklch), at(to.oklch)];
          return (
            <g key={key} data-move={name} data-hot={row === hot || undefined}>
              <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--soft)" />
              <circle cx={a.x} cy={a.y} r="3.5" fill={from.hex} stroke="var(--ink)" />
              <circle cx={b.x} cy={b.y} r="5" fill={to.hex} stroke="var(--line)" />
              <title>{`${name}: ΔE ${distance.toFixed(1)}`}</title>
            </g>
          );
        })}
        <text x={EDGE} y={HEIGHT - 8}>
          chroma, to {most.toFixed(2)}
        </text>
        <text transform={`rotate(-90) translate(${-(HEIGHT - EDGE)} 14)`}>lightness, 0 to 1</text>
      </svg>
      <figcaption>{moves.length > 0 ? 'A ring is the first lane, a dot the other.' : 'Nothing moved.'}</figcaption>
    </figure>
  );
});
