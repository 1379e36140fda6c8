import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { ReadSwatch } from '@/core/formats/format';
import { meanColour, pixelAt, type Area, type Pixels } from '@/core/image/pixels';
import { readColour } from '@/core/colour/read';
import { inkOn } from '@/core/colour/contrast';
import type { OpenedPicture } from './use-intake';
import css from './gather.module.css';

/** A place in the picture and the colour taken there. */
export interface Sample {
  readonly x: number;
  readonly y: number;
  readonly swatch: ReadSwatch;
}

interface Props {
  picture: OpenedPicture;
  samples: readonly Sample[];
  area: Area | null;
  /** Pixels on each side of a point whose mean it takes; 0 takes the pixel itself. */
  radius: number;
  onArea: (area: Area | null) => void;
  onMove: (at: number, x: number, y: number, colour: string) => void;
}

/** The tallest a picture is shown. */
const HEIGHT = '42vh';
/** Pixels across at which it is drawn. */
const WIDTH = 720;

/** Pixels on each side that the loupe shows. */
const LOUPE = 5;

/** The picture with its sample points: a point is dragged or nudged by arrow keys; a drag beside them draws the area. */
export function PictureView({ picture, samples, area, radius, onArea, onMove }: Props) {
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const [shown, setShown] = useState<ImageBitmap | null>(null);
  const [held, setHeld] = useState<number | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const corner = useRef<{ x: number; y: number } | null>(null);
  useEffect(() => {
    let current = true;
    const { file, size } = picture;
    const resizeWidth = Math.min(WIDTH, size.width);
    // Made small by the browser's decoder, which works beside the page; drawing the whole picture here would stop it.
    Promise.all([createImageBitmap(file), createImageBitmap(file, { resizeWidth, resizeQuality: 'high' })]).then(
      ([whole, small]) => {
        if (!current) return;
        setBitmap(whole);
        setShown(small);
      },
      // Damage is told where the picture is opened.
      () => current && setBitmap(null),
    );
    return () => {
      current = false;
    };
  }, [picture]);
  useEffect(() => {
    if (shown) canvas.current?.getContext('bitmaprenderer')!.transferFromImageBitmap(shown);
  }, [shown]);
  if (!bitmap || !shown) return <div className={css.picture} />;

  const { width, height } = bitmap;
  const placeOf = ({ clientX, clientY }: PointerEvent) => {
    const box = frame.current!.getBoundingClientRect();
    const inside = (value: number, size: number) => Math.min(size - 1, Math.max(0, Math.floor(value * size)));
    return { x: inside((clientX - box.left) / box.width, width), y: inside((clientY - box.top) / box.height, height) };
  };
  const take = (at: number, x: number, y: number) => {
    const colour = radius === 0 ? pixelAt(around(bitmap, x, y, 0), 0, 0) : meanColour(around(bitmap, x, y, radius));
    // A transparent place has no colour of its own; the point stays where it was.
    if (colour && readColour(colour)!.alpha > 0.5) onMove(at, x, y, colour.slice(0, 7));
  };
  const nudge = (event: KeyboardEvent, at: number) => {
    const step = event.shiftKey ? 10 : 1;
    const [dx, dy] = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key] ?? [
      0, 0,
    ];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    const { x, y } = samples[at]!;
    take(at, Math.min(width - 1, Math.max(0, x + dx!)), Math.min(height - 1, Math.max(0, y + dy!)));
  };
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
        if (held !== null) take(held, at.x, at.y);
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
      {samples.map(({ x, y, swatch }, at) => (
        <button
          key={at}
          className={css.point}
          aria-label={`Point ${at + 1}, ${swatch.hex}`}
          data-held={held === at || undefined}
          style={{
            left: percent(x + 0.5, width),
            top: percent(y + 0.5, height),
            background: swatch.hex,
            borderColor: inkOn(readColour(swatch.hex)!),
          }}
          onPointerDown={(event) => {
            frame.current!.setPointerCapture(event.pointerId);
            setHeld(at);
          }}
          onKeyDown={(event) => nudge(event, at)}
        />
      ))}
      {held !== null && samples[held] && <Loupe bitmap={bitmap} sample={samples[held]} radius={radius} />}
    </div>
  );
}

/** The pixels about a point, large; in the corner away from it. */
function Loupe({ bitmap, sample: { x, y, swatch }, radius }: { bitmap: ImageBitmap; sample: Sample; radius: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const reach = Math.max(LOUPE, radius + 2);
  const side = reach * 2 + 1;
  useEffect(() => {
    const { data } = around(bitmap, x, y, reach);
    canvas.current!.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), side, side), 0, 0);
  }, [bitmap, x, y, reach, side]);
  const far = { [x > bitmap.width / 2 ? 'left' : 'right']: 8, [y > bitmap.height / 2 ? 'top' : 'bottom']: 8 };
  return (
    <div className={css.loupe} style={far}>
      <div>
        <canvas ref={canvas} width={side} height={side} />
        <i style={{ inset: `${((reach - radius) / side) * 100}%`, borderColor: inkOn(readColour(swatch.hex)!) }} />
      </div>
      <code>{swatch.hex}</code>
    </div>
  );
}

/** The square of pixels about a place; beyond the picture's edge they are transparent. */
function around(bitmap: ImageBitmap, x: number, y: number, reach: number): Pixels {
  const side = reach * 2 + 1;
  const context = new OffscreenCanvas(side, side).getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingEnabled = false;
  context.drawImage(bitmap, reach - x, reach - y);
  return context.getImageData(0, 0, side, side);
}
