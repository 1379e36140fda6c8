'use client';

import { memo } from 'react';
import { Bar, BarChart, Line, LineChart, XAxis, YAxis } from 'recharts';
import { ciede2000 } from '@/core/colour/difference';
import { maxChroma } from '@/core/colour/gamut';
import { labOf } from '@/core/colour/lab';
import { readColour } from '@/core/colour/read';
import css from './plots.module.css';

const SIZE = { width: 236, height: 118, margin: { top: 6, right: 8, bottom: 0, left: 0 } } as const;

/** How a series runs: its lightness, its chroma below the most that sRGB has there, and the ΔE2000 of each step. */
export const SeriesPlot = memo(function SeriesPlot({ values }: { values: readonly string[] }) {
  const points = values.map((value, at) => {
    const {
      oklch: [l, c, h],
      hex,
    } = readColour(value)!;
    return { at: at + 1, lightness: l, chroma: c, most: maxChroma(l, h), fill: hex };
  });
  const steps = values
    .slice(1)
    .map((value, at) => ({ at: `${at + 1}–${at + 2}`, step: ciede2000(labOf(values[at]!), labOf(value)) }));
  const dots = values.length <= 32 && { r: 3, stroke: 'var(--ink)', strokeWidth: 1 };
  return (
    <div className={css.series}>
      <figure>
        <figcaption>Lightness</figcaption>
        <LineChart {...SIZE} data={points} className={css.plot} accessibilityLayer={false}>
          <XAxis dataKey="at" tickLine={false} axisLine={{ stroke: 'var(--line)' }} interval="preserveStartEnd" height={18} />
          <YAxis domain={[0, 1]} ticks={[0, 0.5, 1]} width={26} tickLine={false} axisLine={false} />
          <Line dataKey="lightness" stroke="var(--ink)" strokeWidth={1.5} dot={dots} isAnimationActive={false} />
        </LineChart>
      </figure>
      <figure>
        <figcaption>Chroma, below the most that sRGB has</figcaption>
        <LineChart {...SIZE} data={points} className={css.plot} accessibilityLayer={false}>
          <XAxis dataKey="at" tickLine={false} axisLine={{ stroke: 'var(--line)' }} interval="preserveStartEnd" height={18} />
          <YAxis domain={[0, 0.3]} ticks={[0, 0.15, 0.3]} width={30} tickLine={false} axisLine={false} allowDataOverflow />
          <Line dataKey="most" stroke="var(--soft)" strokeDasharray="3 3" dot={false} isAnimationActive={false} />
          <Line dataKey="chroma" stroke="var(--ink)" strokeWidth={1.5} dot={dots} isAnimationActive={false} />
        </LineChart>
      </figure>
      <figure>
        <figcaption>Each step, ΔE2000</figcaption>
        <BarChart {...SIZE} data={steps} className={css.plot} barCategoryGap="30%" accessibilityLayer={false}>
          <XAxis dataKey="at" tickLine={false} axisLine={{ stroke: 'var(--ink)' }} interval="preserveStartEnd" height={18} />
          <YAxis width={26} tickLine={false} axisLine={false} tickCount={3} />
          <Bar dataKey="step" fill="var(--ink)" isAnimationActive={false} />
        </BarChart>
      </figure>
    </div>
  );
});
