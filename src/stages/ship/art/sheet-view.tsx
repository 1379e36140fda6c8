import { useEffect, useRef, type PointerEvent } from 'react';
import type { Art } from '@/core/brand/art-shape';
import { tilePlaces } from '@/core/art/write-art';
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
  const places = tilePlaces(art);
  const here = places.flatMap(({ sheet: of, area }, tile) => (of === sheet ? [{ tile, area }] : []));
  const tileAt = ({ clientX, clientY }: PointerEvent) => {
    const box = canvas.current!.getBoundingClientRect();
    const [x, y] = [((clientX - box.left) / box.width) * width, ((clientY - box.top) / box.height) * height];
    return here.find(({ area }) => x >= area.x && x < area.x + area.width && y >= area.y && y < area.y + area.height)?.tile;
  };
  /** The tiles of the rectangle that two of them span. */
  const between = (one: number, two: number): number[] => {
    const [a, b] = [places[one]!.area, places[two]!.area];
    const inside = (from: number, to: number, value: number) => value >= Math.min(from, to) && value <= Math.max(from, to);
    return here.filter(({ area }) => inside(a.x, b.x, area.x) && inside(a.y, b.y, area.y)).map(({ tile }) => tile);
  };
  return (
    <div className={css.sheet} data-testid="sheet">
      <div
        style={{ width: width * zoom, height: height * zoom }}
        onPointerDown={(event) => {
          const tile = tileAt(event);
          if (tile === undefined) return onChoose(new Set());
          event.currentTarget.setPointerCapture(event.pointerId);
          if (event.shiftKey && last.current !== null) return onChoose(new Set([...chosen, ...between(last.current, tile)]));
          const kept = event.ctrlKey || event.metaKey ? chosen : new Set<number>();
          start.current = { tile, kept };
          last.current = tile;
          const without = kept.has(tile);
          onChoose(without ? new Set([...kept].filter((one) => one !== tile)) : new Set([...kept, tile]));
        }}
        onPointerMove={(event) => {
          const tile = start.current && tileAt(event);
          if (typeof tile === 'number' && tile !== last.current) {
            last.current = tile;
            onChoose(new Set([...start.current!.kept, ...between(start.current!.tile, tile)]));
          }
        }}
        onPointerUp={() => (start.current = null)}
      >
        <canvas
          ref={canvas}
          width={width}
          height={height}
          aria-label={`${art.sheets[sheet]!.name}, ${here.length} tiles`}
          role="img"
        />
        <svg viewBox={`0 0 ${width} ${height}`} aria-hidden>
          {here.map(({ tile, area }) => (
            <rect
              key={tile}
              x={area.x + 0.5 / zoom}
              y={area.y + 0.5 / zoom}
              width={area.width - 1 / zoom}
              height={area.height - 1 / zoom}
              data-chosen={chosen.has(tile) || undefined}
              strokeWidth={(chosen.has(tile) ? 2 : 1) / zoom}
            />
          ))}
        </svg>
      </div>
    </div>
  );
}
