import { useEffect, useRef } from 'react';
import { VISIONS, type Vision } from '@/core/colour/vision';
import { VISION_WORDS } from '@/ui/vision-words';
import { PictureChoice } from '../picture/picture-choice';
import { usePicture, type Opened } from '../picture/use-picture';
import css from './vision.module.css';

/** One's own picture, such as a screenshot, with each kind of eyes. It stays in this page. */
export function PictureSeen({ severity }: { severity: number }) {
  const own = usePicture();
  return (
    <PictureChoice of={own} hint="such as a screenshot">
      {own.opened && (
        <div className={css.panels}>
          {VISIONS.map((vision) => (
            <Panel key={vision} opened={own.opened!} vision={vision} severity={severity} />
          ))}
        </div>
      )}
    </PictureChoice>
  );
}

function Panel({ opened, vision, severity }: { opened: Opened; vision: Vision; severity: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { picture, width, height, name } = opened;
  useEffect(() => {
    let current = true;
    void picture.remote.seen(vision, severity).then((bitmap) => {
      if (current) canvas.current?.getContext('2d')?.drawImage(bitmap, 0, 0);
      bitmap.close();
    });
    return () => {
      current = false;
    };
  }, [picture, vision, severity]);
  return (
    <figure data-vision={vision}>
      <canvas ref={canvas} width={width} height={height} role="img" aria-label={`${name} ${VISION_WORDS[vision]}`} />
      <figcaption>{VISION_WORDS[vision]}</figcaption>
    </figure>
  );
}
