'use client';

import { memo } from 'react';
import { Bar, BarChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { readColour } from '@/core/colour/read';
import type { Swatch } from '@/core/brand/document';
import { useLiveSwatch } from '../brand-context';
import css from './plots.module.css';

interface BarProps {
  x?: number;
  width?: number;
  /** The whole column the bar may fill, lightness 0 to 1. */
  background?: { y?: number | null; height?: number | null };
  swatch?: Swatch;
  chosen?: boolean;
}

/** OKLCH lightness of each swatch, 0..1, in the palette's order: how it would print in grey. */
export const LightnessPlot = memo(function LightnessPlot({
  swatches,
  selected,
}: {
  swatches: readonly Swatch[];
  selected: string | null;
}) {
  const data = swatches.map((swatch, at) => ({
    at: at + 1,
    lightness: readColour(swatch.value)!.oklch[0],
    swatch,
    chosen: swatch.id === selected,
  }));
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
      <Bar dataKey="lightness" isAnimationActive={false} shape={(props: BarProps) => <LiveBar {...props} />} />
    </BarChart>
  );
});

/** One bar, drawn from the swatch as it is this moment, so that a moving slider redraws this bar and no chart. */
function LiveBar({ x = 0, width = 0, background, swatch, chosen }: BarProps) {
  const colour = readColour(useLiveSwatch(swatch!).value)!;
  const height = Math.max(1, (background?.height ?? 0) * Math.min(1, colour.oklch[0]));
  const bottom = (background?.y ?? 0) + (background?.height ?? 0);
  return (
    <rect
      x={x}
      y={bottom - height}
      width={width}
      height={height}
      fill={colour.hex}
      stroke={chosen ? 'var(--ink)' : 'none'}
      strokeWidth={2}
    />
  );
}
