import { useId, useState } from 'react';
import type { Photo } from '#formats/job';
import { pictureAddress } from './usePhotos';

interface Props {
  readonly before: Photo;
  readonly after: Photo;
}

/** Two pictures of one place, one wiped over the other. */
export function Compare({ before, after }: Props) {
  const id = useId();
  const [percent, setPercent] = useState(50);
  return (
    <div>
      <div className="relative mx-auto w-fit overflow-hidden">
        <img src={pictureAddress(before)} alt="Before" className="block max-h-[52vh] max-w-full" />
        <img
          src={pictureAddress(after)}
          alt="After"
          className="absolute inset-0 size-full object-cover"
          style={{ clipPath: `inset(0 0 0 ${percent}%)` }}
        />
        <span
          className="pointer-events-none absolute inset-y-0 w-0.5 bg-over"
          style={{ left: `${percent}%` }}
          aria-hidden
        />
        <span className="absolute left-2 top-2 bg-sheet px-2 text-[13px]" aria-hidden>
          before
        </span>
        <span className="absolute right-2 top-2 bg-sheet px-2 text-[13px]" aria-hidden>
          after
        </span>
      </div>
      <label htmlFor={id} className="label mt-2 block">
        Wipe from after to before
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={100}
        value={percent}
        className="w-full accent-(--over)"
        onChange={({ target }) => setPercent(Number(target.value))}
      />
    </div>
  );
}
