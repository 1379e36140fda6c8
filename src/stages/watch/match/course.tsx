import { Line, LineChart, Tooltip, YAxis } from 'recharts';
import type { Figure } from '@/core/screens/screen';
import css from './match.module.css';

/** How the share of what was identical went from release to release. */
export function Course({ figures }: { figures: readonly Figure[] }) {
  if (figures.length < 2) return null;
  const shares = figures.map(({ release, same, differing }) => ({ release, share: (100 * same) / (same + differing || 1) }));
  const { share, release } = shares.at(-1)!;
  return (
    <figure className={css.course} aria-label={`Identical, release by release; ${share.toFixed(0)} % of release ${release}`}>
      <LineChart width={96} height={26} data={shares} margin={{ top: 4, right: 4, bottom: 4, left: 4 }}>
        <YAxis hide domain={[0, 100]} />
        <Tooltip
          isAnimationActive={false}
          formatter={(value) => [`${Number(value).toFixed(1)} %`, 'identical']}
          labelFormatter={(_label, [point]) => `release ${(point?.payload as { release?: number } | undefined)?.release ?? ''}`}
        />
        <Line
          dataKey="share"
          stroke="currentColor"
          strokeWidth={1.5}
          dot={{ r: 2, fill: 'currentColor' }}
          isAnimationActive={false}
        />
      </LineChart>
      <figcaption>{share.toFixed(share === 100 ? 0 : 1)} %</figcaption>
    </figure>
  );
}
