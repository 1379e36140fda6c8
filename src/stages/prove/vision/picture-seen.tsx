import { Button } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { VISIONS, type Vision } from '@/core/colour/vision';
import { VISION_WORDS } from '@/ui/vision-words';
import { SeenPicture } from '@/workers/vision';
import css from './vision.module.css';

/** No wider than it can be seen here, so that every move of the slider is followed. */
const MOST_WIDE = 1_280;
const LARGEST = 50 * 1024 * 1024;

interface Opened {
  readonly name: string;
  readonly picture: SeenPicture;
  readonly width: number;
  readonly height: number;
}

/** One's own picture, such as a screenshot, with each kind of eyes. It stays in this page. */
export function PictureSeen({ severity }: { severity: number }) {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState('');
  const open = async (file: File) => {
    if (file.size > LARGEST) return setProblem(`${file.name} is larger than 50 MB; make it smaller.`);
    const picture = new SeenPicture();
    const size = await picture.remote.open(file, MOST_WIDE);
    if (!size) {
      picture.close();
      return setProblem(`${file.name} is no picture that can be read here, or it is damaged.`);
    }
    setProblem('');
    setOpened({ name: file.name, picture, ...size });
  };
  useEffect(() => () => opened?.picture.close(), [opened]);
  const {
    getRootProps,
    getInputProps,
    open: choose,
    isDragActive,
  } = useDropzone({
    onDrop: ([file]) => void (file && open(file)),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  return (
    <div {...getRootProps()} className={css.picture} data-dropping={isDragActive || undefined}>
      <input {...getInputProps()} data-testid="own-picture" />
      <div className={css.choose}>
        <Button size="xs" variant="outline" onClick={choose}>
          {opened ? 'Another picture…' : 'Choose a picture…'}
        </Button>
        <span>{problem || (opened ? opened.name : 'or drop one here, such as a screenshot. It is not sent anywhere.')}</span>
      </div>
      {opened && (
        <div className={css.panels}>
          {VISIONS.map((vision) => (
            <Panel key={vision} opened={opened} vision={vision} severity={severity} />
          ))}
        </div>
      )}
    </div>
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
