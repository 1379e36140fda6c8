'use client';

import { useEffect, useRef } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { swatchesOf } from '@/core/brand/reading/resolve';
import { readColour, type ReadColour } from '@/core/colour/read';
import { useBrandStore } from '../store/brand-context';
import css from './plots.module.css';

/**
 * From so many swatches on a plot is painted as one picture: a browser restyles some ten elements in the time it paints
 * hundreds of shapes, and a slider that moves all of them moves them in every frame.
 */
export const PAINTED_FROM = 49;

interface PaintedProps {
  width: number;
  height: number;
  swatches: readonly Swatch[];
  /** Draws one colour; `at` is its place in the list. Stable, or everything is set up anew. */
  paint: (context: CanvasRenderingContext2D, colour: ReadColour, at: number) => void;
}

/** Swatches as they are this moment, painted; follows every trial. For the eye only. */
export function Painted({ width, height, swatches, paint }: PaintedProps) {
  const store = useBrandStore();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    const sharpness = window.devicePixelRatio;
    canvas.current!.width = width * sharpness;
    canvas.current!.height = height * sharpness;
    context.scale(sharpness, sharpness);
    const draw = () => {
      const live = swatchesOf(store.getState().brand);
      context.clearRect(0, 0, width, height);
      swatches.forEach((swatch, at) => paint(context, readColour((live.get(swatch.id)?.swatch ?? swatch).value)!, at));
    };
    draw();
    return store.subscribe((state, before) => {
      if (state.brand !== before.brand) draw();
    });
  }, [store, width, height, swatches, paint]);
  return <canvas ref={canvas} className={css.painted} style={{ width, height }} aria-hidden />;
}
