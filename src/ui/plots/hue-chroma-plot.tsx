'use client';

import { memo } from 'react';
import { ReferenceDot, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from 'recharts';
import { readColour } from '@/core/colour/read';
import type { Swatch } from '@/core/brand/document';
import { useLiveSwatch } from '../brand-context';

/** Chroma at the plot's edge: more than any sRGB colour has (0.323, the purest magenta). */
const EDGE = 0.33;
const [WIDTH, HEIGHT, MARGIN] = [164, 158, 2];

/** Where a colour stands in the plane of hue (angle) and chroma (distance from the middle), each -EDGE..EDGE. */
function place(swatch: Swatch): { x: number; y: number; hex: string } {
  const {
    oklch: [, c, h],
    hex,
  } = readColour(swatch.value)!;
  const angle = (h * Math.PI) / 180;
  return { x: Math.min(c, EDGE) * Math.cos(angle), y: Math.min(c, EDGE) * Math.sin(angle), hex };
}

/** The swatches in the plane of hue (angle) and chroma (distance from the middle), OKLCH. */
export const HueChromaPlot = memo(function HueChromaPlot({
  swatches,
  selected,
}: {
  swatches: readonly Swatch[];
  selected: string | null;
}) {
  const points = swatches.map((swatch) => ({ ...place(swatch), swatch }));
  return (
    <ScatterChart
      width={WIDTH}
      height={HEIGHT}
      margin={{ top: MARGIN, right: MARGIN, bottom: MARGIN, left: MARGIN }}
      accessibilityLayer={false}
    >
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
        shape={(props: { payload?: { swatch: Swatch } }) => (
          <LiveDot swatch={props.payload!.swatch} chosen={props.payload!.swatch.id === selected} />
        )}
      />
    </ScatterChart>
  );
});

/** One dot, drawn from the swatch as it is this moment, so that a moving slider redraws this dot and no chart. */
function LiveDot({ swatch, chosen }: { swatch: Swatch; chosen: boolean }) {
  const { x, y, hex } = place(useLiveSwatch(swatch));
  const along = (share: number, size: number) => MARGIN + ((share / EDGE + 1) / 2) * (size - 2 * MARGIN);
  return (
    <circle
      cx={along(x, WIDTH)}
      cy={along(-y, HEIGHT)}
      r={chosen ? 7 : 5.5}
      fill={hex}
      stroke={chosen ? 'var(--ink)' : 'var(--ground)'}
      strokeWidth={chosen ? 2.5 : 1}
    />
  );
}
