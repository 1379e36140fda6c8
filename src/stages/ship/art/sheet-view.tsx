import { useEffect, useRef, type PointerEvent } from 'react';
import type { Art } from '@/core/brand/document/art-shape';
import { tileAt, tilePlace, tilesBetween } from '@/core/art/tiles';
import { LIMITS } from '@/core/brand/document/fields';
import type { Area } from '@/core/image/pixels';
import { tilesOf } from '@/core/image/tile-grid';
import css from './art.module.css';

interface Props {
  art: Art;
  /** Which sheet, from 0, and its picture as it is or as it comes out. */
  sheet: number;
  picture: ImageBitmap | null;
  zoom: number;
  chosen: ReadonlySet<number>;
  onChoose: (tiles: ReadonlySet<number>) => void;
}

/** A sheet, pixel by pixel, with its tiles: chosen by click, by dragging over them, and with Shift on from the last. */
export function SheetView({ art, sheet, picture, zoom, chosen, onChoose }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const start = useRef<{ tile: number; kept: ReadonlySet<number> } | null>(null);
  const last = useRef<number | null>(null);
  const { width, height } = art.sheets[sheet]!;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !picture) return;
    context.clearRect(0, 0, width, height);
    context.drawImage(picture, 0, 0);
  }, [picture, width, height]);
  const { grid } = art;
  const { across, down } = tilesOf(art.sheets[sheet]!, grid);
  const under = ({ clientX, clientY }: PointerEvent) => {
    const box = canvas.current!.getBoundingClientRect();
    return tileAt(art, sheet, ((clientX - box.left) / box.width) * width, ((clientY - box.top) / box.height) * height);
  };
  /** Adds the tiles of the rectangle that two of them span, unless they are more than a group can have. */
  const span = (kept: Iterable<number>, one: number, two: number) => {
    const tiles = tilesBetween(art, sheet, one, two, LIMITS.tiles);
    if (tiles) onChoose(new Set([...kept, ...tiles]));
  };
  /** A line within a tile. */
  const inside = (area: Area) => ({
    x: area.x + 0.5 / zoom,
    y: area.y + 0.5 / zoom,
    width: area.width - 1 / zoom,
    height: area.height - 1 / zoom,
  });
  const lines = `tiles-of-${art.id}-${sheet}`;
  return (
    <div className={css.sheet} data-testid="sheet">
      <div
        style={{ width: width * zoom, height: height * zoom }}
        onPointerDown={(event) => {
          const tile = under(event);
          if (tile === null) return onChoose(new Set());
          event.currentTarget.setPointerCapture(event.pointerId);
          if (event.shiftKey && last.current !== null) return span(chosen, last.current, tile);
          const kept = event.ctrlKey || event.metaKey ? chosen : new Set<number>();
          start.current = { tile, kept };
          last.current = tile;
          const without = kept.has(tile);
          onChoose(without ? new Set([...kept].filter((one) => one !== tile)) : new Set([...kept, tile]));
        }}
        onPointerMove={(event) => {
          const tile = start.current && under(event);
          if (tile === null || tile === last.current) return;
          last.current = tile;
          span(start.current!.kept, start.current!.tile, tile);
        }}
        onPointerUp={() => (start.current = null)}
      >
        <canvas
          ref={canvas}
          width={width}
          height={height}
          aria-label={`${art.sheets[sheet]!.name}, ${across * down} tiles`}
          role="img"
        />
        <svg viewBox={`0 0 ${width} ${height}`} aria-hidden>
          <defs>
            <pattern
              id={lines}
              patternUnits="userSpaceOnUse"
              x={grid.margin}
              y={grid.margin}
              width={grid.width + grid.spacing}
              height={grid.height + grid.spacing}
            >
              <rect {...inside({ x: 0, y: 0, ...grid })} strokeWidth={1 / zoom} />
            </pattern>
          </defs>
          <rect
            x={grid.margin}
            y={grid.margin}
            width={across * (grid.width + grid.spacing)}
            height={down * (grid.height + grid.spacing)}
            style={{ fill: `url(#${lines})`, stroke: 'none' }}
          />
          {[...chosen].map((tile) => {
            const place = tilePlace(art, tile);
            if (place?.sheet !== sheet) return null;
            return <rect key={tile} {...inside(place.area)} data-chosen strokeWidth={2 / zoom} />;
          })}
        </svg>
      </div>
    </div>
  );
}
