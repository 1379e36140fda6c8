import { useEffect, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { LookedAtPicture } from '@/workers/looked-at';

/** No wider than it can be seen here, so that every move of a slider is followed. */
const MOST_WIDE = 1_280;
const LARGEST = 50 * 1024 * 1024;

export interface Opened {
  readonly name: string;
  readonly picture: LookedAtPicture;
  readonly width: number;
  readonly height: number;
}

/** A picture of one's own, chosen or dropped, kept in a worker of this page and sent nowhere. */
export function usePicture() {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState('');
  const open = async (file: File) => {
    if (file.size > LARGEST) return setProblem(`${file.name} is larger than 50 MB; make it smaller.`);
    const picture = new LookedAtPicture();
    const size = await picture.remote.open(file, MOST_WIDE);
    if (!size) {
      picture.close();
      return setProblem(`${file.name} is no picture that can be read here, or it is damaged.`);
    }
    setProblem('');
    setOpened({ name: file.name, picture, ...size });
  };
  useEffect(() => () => opened?.picture.close(), [opened]);
  const dropzone = useDropzone({
    onDrop: ([file]) => void (file && open(file)),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  return { opened, problem, dropzone };
}
