import type { ColouredCell } from '@/core/data/cells';
import type { Sums } from '@/core/data/sums';
import { Chart, type ChartLook } from './chart';

interface HeatMapProps extends ChartLook {
  sums: Sums;
  cells: readonly ColouredCell[];
  width: number;
}

/** Where the names of the categories end and the cells begin, in pixels. */
const NAMES = 104;

/** How much each category comes to at each place along, as colours. */
export function HeatMap({ sums: { categories, places }, cells, width, ground, ink }: HeatMapProps) {
  const height = Math.max(160, Math.min(420, categories.length * 22 + 30));
  const [w, h] = [(width - NAMES - 6) / Math.max(1, places.length), (height - 24) / categories.length];
  return (
    <Chart title="Heat map" ground={ground} ink={ink}>
      <svg width={width} height={height} role="img" aria-label="Heat map">
        {cells.map(({ row, column, hex, name, value }) => (
          <rect
            key={`${row} ${column}`}
            x={NAMES + column * w}
            y={4 + row * h}
            width={w}
            height={h}
            fill={hex}
            data-value={value}
          >
            <title>{`${name}, ${places[column] ?? ''}: ${value}`}</title>
          </rect>
        ))}
        {categories.map(({ name }, row) => (
          <text
            key={name}
            x={NAMES - 6}
            y={4 + (row + 0.5) * h}
            fill={ink}
            fontSize={10}
            textAnchor="end"
            dominantBaseline="middle"
          >
            {name.length > 17 ? `${name.slice(0, 16)}…` : name}
          </text>
        ))}
      </svg>
    </Chart>
  );
}
