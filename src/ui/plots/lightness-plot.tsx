'use client';

import { memo, useCallback } from 'react';
import { Bar, BarChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { readColour, type ReadColour } from '@/core/colour/read';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { useLiveSwatch } from '../store/brand-context';
import { Painted, PAINTED_FROM } from './painted';
import css from './plots.module.css';

interface BarProps {
  x?: number;
  width?: number;
  /** The whole column the bar may fill, lightness 0 to 1. */
  background?: { y?: number | null; height?: number | null };
  swatch?: Swatch;
  chosen?: boolean;
}

const [WIDTH, HEIGHT, BELOW] = [330, 158, 20];
/** Where the bars stand in the chart, in pixels, and the share of its place that each takes. */
const PLOT = { left: 26, top: 6, width: WIDTH - 26, height: HEIGHT - 6 - BELOW } as const;
const BAR_SHARE = 0.72;
/** Grey enough to be seen on paper and on ink, so that a bar of the ground's own colour has an edge. */
const EDGE = 'rgb(128 128 128 / 0.7)';

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
  const many = swatches.length >= PAINTED_FROM;
  const paint = useCallback(
    (context: CanvasRenderingContext2D, { oklch: [l], hex }: ReadColour, at: number) => {
      const step = PLOT.width / swatches.length;
      const height = Math.max(1, PLOT.height * Math.min(1, l));
      context.fillStyle = hex;
      const bar = [
        PLOT.left + (at + (1 - BAR_SHARE) / 2) * step,
        PLOT.top + PLOT.height - height,
        step * BAR_SHARE,
        height,
      ] as const;
      context.fillRect(...bar);
      // Among very many, edges would be all there is to see.
      if (bar[2] < 4) return;
      context.strokeStyle = EDGE;
      context.strokeRect(...bar);
    },
    [swatches.length],
  );
  const chart = (
    <BarChart
      className={css.plot}
      width={WIDTH}
      height={HEIGHT}
      data={data}
      margin={{ top: PLOT.top, right: 0, bottom: 0, left: 0 }}
      barCategoryGap={`${(1 - BAR_SHARE) * 100}%`}
      accessibilityLayer={false}
    >
      <XAxis dataKey="at" tickLine={false} axisLine={{ stroke: 'var(--ink)' }} interval="preserveStartEnd" height={BELOW} />
      <YAxis domain={[0, 1]} ticks={[0, 0.5, 1]} width={PLOT.left} tickLine={false} axisLine={false} />
      <ReferenceLine y={0.5} stroke="var(--line)" />
      <ReferenceLine y={1} stroke="var(--line)" />
      <Bar
        dataKey="lightness"
        isAnimationActive={false}
        shape={(props: BarProps) => (many && !props.chosen ? null : <LiveBar {...props} />)}
      />
    </BarChart>
  );
  if (!many) return chart;
  return (
    <div className={css.over}>
      <Painted width={WIDTH} height={HEIGHT} swatches={swatches} paint={paint} />
      {chart}
    </div>
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
      stroke={chosen ? 'var(--ink)' : EDGE}
      strokeWidth={chosen ? 2 : 1}
    />
  );
}
