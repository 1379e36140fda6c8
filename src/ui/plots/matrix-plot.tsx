'use client';

import { memo, useMemo, useState } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { differences } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { readColour } from '@/core/colour/read';
import css from './plots.module.css';

const SIDE = 300;
/** ΔE2000 from which on a pair is drawn as blank: nobody takes one for the other. */
const CLEAR = 40;

/** ΔE2000 of every pair: the darker a square, the nearer its two colours. Each can be gone to with the arrow keys. */
export const MatrixPlot = memo(function MatrixPlot({ swatches }: { swatches: readonly Swatch[] }) {
  const count = swatches.length;
  const [at, setAt] = useState<readonly [number, number]>([1, 0]);
  const distances = useMemo(() => differences(swatches.map(({ value }) => labOf(readColour(value)!.hex))), [swatches]);
  const edge = SIDE / (count + 1);
  const [row, column] = [Math.min(at[0], count - 1), Math.min(at[1], count - 1)];
  const patch = (index: number, x: number, y: number) => (
    <rect x={x} y={y} width={edge} height={edge} fill={readColour(swatches[index]!.value)!.hex} />
  );
  return (
    <div className={css.matrix}>
      <svg
        width={SIDE}
        height={SIDE}
        role="application"
        tabIndex={0}
        aria-label={`Differences of all pairs. ${words()}`}
        onKeyDown={(event) => {
          const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
          if (!step) return;
          event.preventDefault();
          const within = (value: number) => Math.min(count - 1, Math.max(0, value));
          setAt([within(row + step[0]!), within(column + step[1]!)]);
        }}
        onPointerMove={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const place = [event.clientY - box.top, event.clientX - box.left].map((value) => Math.floor(value / edge) - 1);
          if (place.every((value) => value >= 0 && value < count)) setAt(place as [number, number]);
        }}
      >
        {swatches.map((swatch, index) => (
          <g key={swatch.id}>
            {patch(index, 0, (index + 1) * edge)}
            {patch(index, (index + 1) * edge, 0)}
          </g>
        ))}
        {Array.from(distances, (distance, at) => {
          const [x, y] = [at % count, Math.floor(at / count)];
          return x === y ? null : (
            <rect
              key={at}
              x={(x + 1) * edge}
              y={(y + 1) * edge}
              width={edge}
              height={edge}
              fill="var(--ink)"
              fillOpacity={Math.max(0.03, 1 - distance / CLEAR) ** 1.5}
            />
          );
        })}
        <rect
          x={(column + 1) * edge}
          y={(row + 1) * edge}
          width={edge}
          height={edge}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      </svg>
      <p>{words()}</p>
    </div>
  );

  function words(): string {
    if (row === column) return swatches[row]!.name;
    return `${swatches[row]!.name} and ${swatches[column]!.name}: ΔE ${distances[row * count + column]!.toFixed(1)}`;
  }
});
