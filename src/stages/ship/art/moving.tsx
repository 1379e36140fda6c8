import { useEffect, useRef } from 'react';
import type { Art } from '@/core/brand/document/art-shape';
import { tilePlace } from '@/core/art/tiles';
import css from './art.module.css';

/** A group's tiles one after the other, as an animation; still where the person wants nothing to move. */
export function Moving({
  art,
  tiles,
  pictures,
}: {
  art: Art;
  tiles: readonly number[];
  pictures: readonly ImageBitmap[] | null;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height } = art.grid;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !pictures) return;
    const draw = (at: number) => {
      const place = tilePlace(art, tiles[at % tiles.length]!);
      context.clearRect(0, 0, width, height);
      if (place && pictures[place.sheet])
        context.drawImage(pictures[place.sheet]!, place.area.x, place.area.y, width, height, 0, 0, width, height);
    };
    draw(0);
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    let at = 0;
    const timer = setInterval(() => draw(++at), art.pace);
    return () => clearInterval(timer);
  }, [art, tiles, pictures, width, height]);
  return <canvas ref={canvas} className={css.moving} width={width} height={height} />;
}
