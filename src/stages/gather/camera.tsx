import { Button } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { PhoneCode } from './phone-code';
import css from './gather.module.css';

interface CameraProps {
  /** Whether this is the page that the code led to, which needs no code. */
  onPhone: boolean;
  onFrame: (frame: File) => void;
  onClose: () => void;
}

/** The device's camera: shows what it sees, and hands a still frame on as a picture. */
export function Camera({ onPhone, onFrame, onClose }: CameraProps) {
  const video = useRef<HTMLVideoElement>(null);
  const photograph = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let left = false;
    const end = () => stream?.getTracks().forEach((track) => track.stop());
    openCamera().then(
      (opened) => {
        stream = opened;
        if (left) return end();
        video.current!.srcObject = opened;
      },
      (error: Error) =>
        setProblem(
          error.name === 'NotAllowedError'
            ? 'The camera was not allowed; allow it in the browser’s address bar, or drop a photograph here.'
            : error.name === 'SecurityError'
              ? 'This browser shows a live picture only over TLS; take a photograph instead.'
              : 'There is no camera that can be used; drop a photograph here instead.',
        ),
    );
    return () => {
      left = true;
      end();
    };
  }, []);
  const freeze = () => {
    const { videoWidth, videoHeight } = video.current!;
    const canvas = new OffscreenCanvas(videoWidth, videoHeight);
    canvas.getContext('2d')!.drawImage(video.current!, 0, 0);
    void canvas.convertToBlob({ type: 'image/png' }).then((blob) => onFrame(new File([blob], 'Camera.png', { type: blob.type })));
  };
  return (
    <>
      {problem ? (
        <p role="alert">{problem}</p>
      ) : (
        <video ref={video} className={css.video} autoPlay muted playsInline onLoadedData={() => setReady(true)} />
      )}
      <div className={css.under}>
        <Button size="xs" disabled={!ready} onClick={freeze}>
          Freeze this frame
        </Button>
        <Button size="xs" variant="outline" onClick={() => photograph.current!.click()}>
          Take a photograph…
        </Button>
        <Button size="xs" variant="outline" onClick={onClose}>
          Close the camera
        </Button>
        <input
          ref={photograph}
          type="file"
          hidden
          aria-label="Photograph"
          accept="image/*"
          capture="environment"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) onFrame(file);
          }}
        />
      </div>
      {!onPhone && <PhoneCode />}
    </>
  );
}

/** @throws SecurityError where the address is one to which browsers give no live picture: without TLS, and not this machine itself */
async function openCamera(): Promise<MediaStream> {
  if (!(navigator.mediaDevices as MediaDevices | undefined)) throw new DOMException('No live picture.', 'SecurityError');
  return navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1920 } } });
}
