'use client';

import { memo, type PointerEvent } from 'react';
import { readColour, type ReadColour } from '@/core/colour/read';
import type { Swatch } from '@/core/brand/document/palette-shape';
import type { Command } from '@/core/brand/commands/commands';
import { oklchText } from '@/core/colour/notations';
import { useBrandStore, useLiveSwatch, useMayEdit } from '../store/brand-context';
import { Painted, PAINTED_FROM } from './painted';
import css from './plots.module.css';

/** Chroma at the plot's edge: more than any sRGB colour has (0.323, the purest magenta). */
const EDGE = 0.33;
const [WIDTH, HEIGHT, MARGIN] = [164, 158, 2];

/** Where a colour stands in the plane of hue (angle) and chroma (distance from the middle), each -EDGE..EDGE. */
function place({ oklch: [, c, h], hex }: ReadColour): { x: number; y: number; hex: string } {
  const angle = (h * Math.PI) / 180;
  return { x: Math.min(c, EDGE) * Math.cos(angle), y: Math.min(c, EDGE) * Math.sin(angle), hex };
}

/**
 * The swatches in the plane of hue (angle) and chroma (distance from the middle), OKLCH. Drawn by hand: a dot must stay the
 * same element while its colour changes, or it would lose the focus and the pointer.
 */
export const HueChromaPlot = memo(function HueChromaPlot({
  swatches,
  selected,
}: {
  swatches: readonly Swatch[];
  selected: string | null;
}) {
  const [x, y] = [WIDTH / 2, HEIGHT / 2];
  const many = swatches.length >= PAINTED_FROM;
  const plane = (
    <svg width={WIDTH} height={HEIGHT} role="group" aria-label="Hue and chroma">
      {[1, 0.5].map((share) => (
        <circle key={share} cx={x} cy={y} r={share * 76} fill="none" stroke="var(--line)" />
      ))}
      <path d={`M${x} ${MARGIN}V${HEIGHT - MARGIN}M${MARGIN} ${y}H${WIDTH - MARGIN}`} stroke="var(--line)" />
      {swatches.map(
        (swatch) =>
          (!many || swatch.id === selected) && <LiveDot key={swatch.id} swatch={swatch} chosen={swatch.id === selected} />,
      )}
    </svg>
  );
  if (!many) return plane;
  return (
    <div className={css.over}>
      {plane}
      <Painted width={WIDTH} height={HEIGHT} swatches={swatches} paint={paintDot} />
    </div>
  );
});

/** A place of the plane, -EDGE..EDGE, in pixels. */
function along(share: number, size: number): number {
  return MARGIN + ((share / EDGE + 1) / 2) * (size - 2 * MARGIN);
}

function paintDot(context: CanvasRenderingContext2D, colour: ReadColour): void {
  const { x, y, hex } = place(colour);
  context.fillStyle = hex;
  context.beginPath();
  context.arc(along(x, WIDTH), along(-y, HEIGHT), 4, 0, 2 * Math.PI);
  context.fill();
}

/** Degrees of hue and chroma (OKLCH) that an arrow key moves a dot by. */
const KEY_STEP = { hue: 2, chroma: 0.005 } as const;

/**
 * One dot, drawn from the swatch as it is this moment, so that a moving slider redraws this dot and no chart. It can be
 * dragged, or moved with the arrow keys: round in hue, outward in chroma; lightness stays.
 */
function LiveDot({ swatch, chosen }: { swatch: Swatch; chosen: boolean }) {
  const store = useBrandStore();
  const movable = useMayEdit() && !swatch.locked;
  const { x, y, hex } = place(readColour(useLiveSwatch(swatch).value)!);
  const edit = (c: number, h: number): Command => {
    const { oklch, alpha } = readColour(swatch.value)!;
    const value = oklchText([oklch[0], Math.min(EDGE, Math.max(0, c)), (h + 360) % 360], alpha);
    return { label: `Move ${swatch.name} on the wheel`, steps: [{ do: 'swatch.edit', id: swatch.id, set: { value } }] };
  };
  const pointed = (event: PointerEvent<SVGCircleElement>): Command => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    const share = (at: number, start: number, size: number) => (((at - start - MARGIN) / (size - 2 * MARGIN)) * 2 - 1) * EDGE;
    const [a, b] = [share(event.clientX, box.left, WIDTH), -share(event.clientY, box.top, HEIGHT)];
    return edit(Math.hypot(a, b), (Math.atan2(b, a) * 180) / Math.PI);
  };
  return (
    <circle
      className={movable ? css.dot : undefined}
      cx={along(x, WIDTH)}
      cy={along(-y, HEIGHT)}
      r={chosen ? 7 : 5.5}
      fill={hex}
      stroke={chosen ? 'var(--ink)' : 'var(--ground)'}
      strokeWidth={chosen ? 2.5 : 1}
      role={movable ? 'button' : 'img'}
      tabIndex={movable && chosen ? 0 : -1}
      aria-label={movable ? `${swatch.name} on the wheel: arrows change hue and chroma` : `${swatch.name} on the wheel`}
      data-dot={swatch.id}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        store.getState().select({ swatch: swatch.id });
      }}
      onPointerMove={(event) => {
        if (movable && event.buttons > 0) store.getState().tryOut(pointed(event));
      }}
      onPointerUp={(event) => {
        if (movable && store.getState().brand !== store.getState().replica.brand) store.getState().run(pointed(event));
      }}
      onKeyDown={(event) => {
        const [, c, h] = readColour(swatch.value)!.oklch;
        const to = {
          ArrowLeft: [c, h + KEY_STEP.hue],
          ArrowRight: [c, h - KEY_STEP.hue],
          ArrowUp: [c + KEY_STEP.chroma, h],
          ArrowDown: [c - KEY_STEP.chroma, h],
        }[event.key];
        if (!movable || !to) return;
        event.preventDefault();
        store.getState().run(edit(to[0]!, to[1]!));
      }}
    />
  );
}
