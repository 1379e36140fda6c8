import { useEffect, useRef, useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react';
import { around, meanColour, pixelAt, type Area, type Pixels } from '@/core/image/pixels';
import { readColour, type ReadColour } from '@/core/colour/read';
import { inkOn } from '@/core/colour/contrast';
import type { Preview } from '@/workers/picture.worker';
import css from './gather.module.css';

/** A place in the picture and the colour taken there. */
export interface Sample {
  readonly x: number;
  readonly y: number;
  readonly colour: ReadColour;
  /** What it is, in words. */
  readonly text: string;
}

interface Props {
  /** What is shown of it. The canvas takes the bitmap over. */
  preview: Preview;
  /** The square of pixels about a place of the picture. */
  around: (x: number, y: number, reach: number) => Promise<Pixels | null>;
  samples: readonly Sample[];
  area: Area | null;
  /** Pixels on each side of a point whose mean it takes; 0 takes the pixel itself. */
  radius: number;
  onArea: (area: Area | null) => void;
  onMove: (at: number, x: number, y: number, colour: string) => void;
}

/** The tallest a picture is shown. */
const HEIGHT = '42vh';

/** Pixels on each side that the loupe shows. */
const LOUPE = 5;

/** The picture with its sample points: a point is dragged or nudged by arrow keys; a drag beside them draws the area. */
export function PictureView({ preview: { bitmap, width, height }, around: look, samples, area, radius, onArea, onMove }: Props) {
  const [held, setHeld] = useState<number | null>(null);
  const [seen, setSeen] = useState<Pixels | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const corner = useRef<{ x: number; y: number } | null>(null);
  useEffect(() => {
    canvas.current!.getContext('bitmaprenderer')!.transferFromImageBitmap(bitmap);
  }, [bitmap]);

  const reach = Math.max(LOUPE, radius + 2);
  const placeOf = ({ clientX, clientY }: PointerEvent) => {
    const box = frame.current!.getBoundingClientRect();
    const inside = (value: number, size: number) => Math.min(size - 1, Math.max(0, Math.floor(value * size)));
    return { x: inside((clientX - box.left) / box.width, width), y: inside((clientY - box.top) / box.height, height) };
  };
  const take = async (at: number, x: number, y: number) => {
    const pixels = await look(x, y, reach);
    if (!pixels) return;
    setSeen(pixels);
    const colour = radius === 0 ? pixelAt(pixels, reach, reach) : meanColour(around(pixels, reach, reach, radius));
    // A transparent place has no colour of its own; the point stays where it was.
    if (colour && readColour(colour)!.alpha > 0.5) onMove(at, x, y, colour.slice(0, 7));
  };
  const hold = (at: number) => {
    const { x, y } = samples[at]!;
    setHeld(at);
    setSeen(null);
    void look(x, y, reach).then(setSeen);
  };
  const nudge = (event: KeyboardEvent, at: number) => {
    const step = event.shiftKey ? 10 : 1;
    const [dx, dy] = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key] ?? [
      0, 0,
    ];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    const { x, y } = samples[at]!;
    void take(at, Math.min(width - 1, Math.max(0, x + dx!)), Math.min(height - 1, Math.max(0, y + dy!)));
  };
  /** The corner away from a point, so that the loupe does not cover it. */
  const farFrom = ({ x, y }: Sample) => ({ [x > width / 2 ? 'left' : 'right']: 8, [y > height / 2 ? 'top' : 'bottom']: 8 });
  const percent = (value: number, size: number) => `${(value / size) * 100}%`;
  return (
    <div
      ref={frame}
      className={css.picture}
      style={{ aspectRatio: `${width} / ${height}`, width: `min(100%, calc(${HEIGHT} * ${width / height}))` }}
      data-testid="picture"
      onPointerDown={(event) => {
        if (event.target !== canvas.current) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        corner.current = placeOf(event);
      }}
      onPointerMove={(event) => {
        const at = placeOf(event);
        if (held !== null) void take(held, at.x, at.y);
        else if (corner.current) {
          const [x, y] = [Math.min(at.x, corner.current.x), Math.min(at.y, corner.current.y)];
          const drawn = { x, y, width: Math.abs(at.x - corner.current.x) + 1, height: Math.abs(at.y - corner.current.y) + 1 };
          if (drawn.width * drawn.height > 16) onArea(drawn);
        }
      }}
      onPointerUp={() => {
        setHeld(null);
        corner.current = null;
      }}
    >
      <canvas ref={canvas} />
      {area && (
        <i
          className={css.area}
          style={{
            left: percent(area.x, width),
            top: percent(area.y, height),
            width: percent(area.width, width),
            height: percent(area.height, height),
          }}
        />
      )}
      {samples.map(({ x, y, colour }, at) => (
        <button
          key={at}
          className={css.point}
          aria-label={`Point ${at + 1}, ${colour.hex}`}
          data-held={held === at || undefined}
          style={{
            left: percent(x + 0.5, width),
            top: percent(y + 0.5, height),
          }}
          onPointerDown={(event) => {
            frame.current!.setPointerCapture(event.pointerId);
            hold(at);
          }}
          onKeyDown={(event) => nudge(event, at)}
        >
          <i style={{ background: colour.hex, borderColor: inkOn(colour) }} />
        </button>
      ))}
      {held !== null && seen && samples[held] && (
        <Loupe seen={seen} far={farFrom(samples[held])} hex={samples[held].colour.hex} radius={radius} />
      )}
    </div>
  );
}

interface LoupeProps {
  seen: Pixels;
  /** Where it stands. */
  far: CSSProperties;
  hex: string;
  radius: number;
}

/** The pixels about a point, large. */
function Loupe({ seen, far, hex, radius }: LoupeProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const side = seen.width;
  useEffect(() => {
    canvas.current!.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(seen.data), side, side), 0, 0);
  }, [seen, side]);
  return (
    <div className={css.loupe} style={far}>
      <div>
        <canvas ref={canvas} width={side} height={side} />
        <i style={{ inset: `${(((side - 1) / 2 - radius) / side) * 100}%`, borderColor: inkOn(readColour(hex)!) }} />
      </div>
      <code>{hex}</code>
    </div>
  );
}
