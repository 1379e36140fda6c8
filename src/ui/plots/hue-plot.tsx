'use client';

import { memo } from 'react';
import { ReferenceDot, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts';
import { readColour } from '@/core/colour/read';
import type { Swatch } from '@/core/brand/document';

/** Chroma at the plot's edge: more than any sRGB colour has (0.323, the purest magenta). */
const EDGE = 0.33;

interface Point {
  x: number;
  y: number;
  swatch: Swatch;
}

/** The swatches in the plane of hue (angle) and chroma (distance from the middle), OKLCH. */
export const HuePlot = memo(function HuePlot({ swatches, selected }: { swatches: readonly Swatch[]; selected: string | null }) {
  const points: Point[] = swatches.map((swatch) => {
    const [, c, h] = readColour(swatch.value)!.oklch;
    const angle = (h * Math.PI) / 180;
    return { x: Math.min(c, EDGE) * Math.cos(angle), y: Math.min(c, EDGE) * Math.sin(angle), swatch };
  });
  return (
    <ScatterChart width={164} height={158} margin={{ top: 2, right: 2, bottom: 2, left: 2 }} accessibilityLayer={false}>
      <XAxis type="number" dataKey="x" domain={[-EDGE, EDGE]} hide />
      <YAxis type="number" dataKey="y" domain={[-EDGE, EDGE]} hide />
      {[EDGE, EDGE / 2].map((radius) => (
        <ReferenceDot key={radius} x={0} y={0} r={(radius / EDGE) * 76} fill="none" stroke="var(--line)" />
      ))}
      <ReferenceLine x={0} stroke="var(--line)" />
      <ReferenceLine y={0} stroke="var(--line)" />
      <Scatter
        data={points}
        isAnimationActive={false}
        shape={(props: { cx?: number; cy?: number; payload?: Point }) => {
          const own = props.payload!.swatch;
          const chosen = own.id === selected;
          return (
            <circle
              cx={props.cx}
              cy={props.cy}
              r={chosen ? 7 : 5.5}
              fill={readColour(own.value)!.hex}
              stroke={chosen ? 'var(--ink)' : 'var(--ground)'}
              strokeWidth={chosen ? 2.5 : 1}
            />
          );
        }}
      />
    </ScatterChart>
  );
});
