import { Camera } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import type { Photo } from '#formats/job';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { pictureAddress } from './usePhotos';

interface Props {
  /** What was seen before: it shows through, so that the second is taken from the same place. */
  readonly ghost: Photo;
  readonly onTaken: (file: File) => void;
}

/** Whether this device lends its camera to the page. */
export const hasCamera = (): boolean => typeof navigator.mediaDevices?.getUserMedia === 'function';

/** The camera, with the first picture showing through it. */
export function GhostCamera({ ghost, onTaken }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <Camera size={16} /> From the same place
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title="From the same place" wide>
        {open && (
          <Finder
            ghost={ghost}
            onTaken={(file) => {
              setOpen(false);
              onTaken(file);
            }}
          />
        )}
      </Dialog>
    </>
  );
}

function Finder({ ghost, onTaken }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const id = useId();
  const [trouble, setTrouble] = useState<string>();
  const [percent, setPercent] = useState(40);
  useEffect(() => {
    let stream: MediaStream | undefined;
    let gone = false;
    const stop = () => stream?.getTracks().forEach((track) => track.stop());
    void navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1920 }, height: { ideal: 1440 } } })
      .then((given) => {
        stream = given;
        if (gone) return stop();
        const shown = video.current;
        if (!shown) return undefined;
        shown.srcObject = given;
        return shown.play();
      })
      .catch((error: unknown) => {
        if (!gone) setTrouble(error instanceof Error ? error.message : 'no camera');
      });
    return () => {
      gone = true;
      stop();
    };
  }, []);
  const shoot = () => {
    const from = video.current;
    if (!from?.videoWidth) return;
    const canvas = document.createElement('canvas');
    canvas.width = from.videoWidth;
    canvas.height = from.videoHeight;
    canvas.getContext('2d')?.drawImage(from, 0, 0);
    canvas.toBlob((blob) => blob && onTaken(new File([blob], 'after.jpg', { type: 'image/jpeg' })), 'image/jpeg', 0.92);
  };
  if (trouble !== undefined)
    return (
      <p role="alert" className="text-stop">
        The camera gives no picture ({trouble}). Take it as a file instead.
      </p>
    );
  return (
    <>
      <div className="relative mx-auto w-fit bg-black">
        <video ref={video} muted playsInline className="block max-h-[56vh] max-w-full" />
        <img
          src={pictureAddress(ghost)}
          alt="What was seen before, showing through"
          className="pointer-events-none absolute inset-0 size-full object-cover"
          style={{ opacity: percent / 100 }}
        />
      </div>
      <div className="mt-3 flex items-end gap-4">
        <label htmlFor={id} className="label flex-1">
          How strongly the first picture shows through
          <input
            id={id}
            type="range"
            min={0}
            max={80}
            value={percent}
            className="mt-1 w-full accent-(--over)"
            onChange={({ target }) => setPercent(Number(target.value))}
          />
        </label>
        <Button look="main" glove onClick={shoot}>
          <Camera size={22} /> Take it
        </Button>
      </div>
    </>
  );
}
