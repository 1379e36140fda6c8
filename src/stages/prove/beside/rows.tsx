import type { Beside, Fate, NamedColour } from '@/core/brand/reading/beside';
import type { Lane, LaneRow } from './lanes';
import { useState } from 'react';
import { MovesPlot } from './moves-plot';
import css from './beside.module.css';

/** Below the changes as many that stayed are drawn as one looks through. */
const MOST_ROWS = 300;

const WORDS: Readonly<Record<Fate, string>> = { same: 'same', moved: 'moved', came: '+ came', went: '− went' };

/** The colours of all lanes row by row, those that moved farthest on top, and how they moved in lightness and chroma. */
export function Rows({ lanes, rows }: { lanes: readonly Lane[]; rows: readonly LaneRow[] }) {
  const counts = lanes.slice(1).map((_, lane) => counted(rows.flatMap(({ besides }) => besides[lane]?.fate ?? [])));
  const shown = rows.slice(0, MOST_ROWS);
  const [hot, setHot] = useState<string | null>(null);
  return (
    <div className={css.both}>
      <div className={css.scroll} tabIndex={0} role="group" aria-label="Colours side by side">
        <table className={css.rows}>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">{lanes[0]!.title}</th>
              {lanes.slice(1).map(({ title }, lane) => (
                <th key={lane} scope="col">
                  {title}
                  <small>{counts[lane]}</small>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map(({ key, name, one, besides }) => (
              <tr
                key={key}
                onPointerEnter={() => setHot(key)}
                onPointerLeave={() => setHot(null)}
                data-fate={besides.find((beside) => beside && beside.fate !== 'same')?.fate ?? 'same'}
              >
                <th scope="row">{name}</th>
                <td>
                  <Patch colour={one} />
                </td>
                {besides.map((beside, lane) => (
                  <td key={lane}>
                    <Patch colour={beside?.two ?? null} />
                    <small>{beside && <FateWords beside={beside} />}</small>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {rows.length > shown.length && <p className={css.more}>and {rows.length - shown.length} more, which moved less</p>}
      </div>
      <MovesPlot rows={rows} hot={hot} />
    </div>
  );
}

function Patch({ colour }: { colour: NamedColour | null }) {
  const hex = colour?.colour?.hex;
  return (
    <i
      className={css.patch}
      style={{ background: hex }}
      data-none={hex === undefined || undefined}
      title={colour ? `${colour.name}: ${hex ?? 'no colour'}` : 'none'}
    />
  );
}

function FateWords({ beside: { fate, distance, one, two } }: { beside: Beside }) {
  const other = one && two && one.name.toLowerCase() !== two.name.toLowerCase() ? two.name : '';
  return (
    <>
      {fate === 'moved' ? <code>ΔE {distance!.toFixed(1)}</code> : WORDS[fate]} {other}
    </>
  );
}

function counted(fates: readonly Fate[]): string {
  const parts = (['moved', 'came', 'went', 'same'] as const).flatMap((fate) => {
    const count = fates.filter((each) => each === fate).length;
    return count > 0 ? [`${count} ${fate}`] : [];
  });
  return parts.join(', ');
}
