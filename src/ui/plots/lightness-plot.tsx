'use client';

import { memo } from 'react';
import { Bar, BarChart, Cell, ReferenceLine, XAxis, YAxis } from 'recharts';
import { readColour } from '@/core/colour/read';
import type { Swatch } from '@/core/brand/document';
import css from './plots.module.css';

/** OKLCH lightness of each swatch, 0..1, in the palette's order: how it would print in grey. */
export const LightnessPlot = memo(function LightnessPlot({
  swatches,
  selected,
}: {
  swatches: readonly Swatch[];
  selected: string | null;
}) {
  const data = swatches.map((swatch, at) => ({ at: at + 1, lightness: readColour(swatch.value)!.oklch[0], swatch }));
  return (
    <BarChart
      className={css.plot}
      width={330}
      height={158}
      data={data}
      margin={{ top: 6, right: 0, bottom: 0, left: 0 }}
      barCategoryGap="28%"
      accessibilityLayer={false}
    >
      <XAxis dataKey="at" tickLine={false} axisLine={{ stroke: 'var(--ink)' }} interval="preserveStartEnd" height={20} />
      <YAxis domain={[0, 1]} ticks={[0, 0.5, 1]} width={26} tickLine={false} axisLine={false} />
      <ReferenceLine y={0.5} stroke="var(--line)" />
      <ReferenceLine y={1} stroke="var(--line)" />
      <Bar dataKey="lightness" isAnimationActive={false} minPointSize={1}>
        {data.map(({ swatch }) => (
          <Cell
            key={swatch.id}
            fill={readColour(swatch.value)!.hex}
            stroke={swatch.id === selected ? 'var(--ink)' : 'none'}
            strokeWidth={2}
          />
        ))}
      </Bar>
    </BarChart>
  );
});
