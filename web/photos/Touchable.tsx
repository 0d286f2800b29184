import type { MouseEvent, ReactNode } from 'react';
import type { Photo } from '#formats/job';
import { pictureAddress } from './usePhotos';

/** A place in a picture, as shares of its width and height. */
export type PictureAt = readonly [across: number, down: number];

interface Props {
  readonly photo: Photo;
  readonly alt: string;
  readonly onTouch?: ((at: PictureAt) => void) | undefined;
  /** Drawn over it: in shares of the picture, on a square of one by one. */
  readonly children?: ReactNode;
}

/** A picture whose places are touched. */
export function Touchable({ photo, alt, onTouch, children }: Props) {
  const touch = (event: MouseEvent<HTMLElement>) => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    const share = (part: number, whole: number) => Math.min(1, Math.max(0, part / whole));
    onTouch?.([share(event.clientX - left, width), share(event.clientY - top, height)]);
  };
  return (
    <figure
      className={`relative w-full ${onTouch ? 'cursor-crosshair' : ''}`}
      style={{ aspectRatio: `${photo.widthPx} / ${photo.heightPx}` }}
      onClick={touch}
    >
      <img src={pictureAddress(photo)} alt={alt} draggable={false} className="block size-full select-none" />
      {children}
    </figure>
  );
}

/** A mark on a picture, with its number. */
export function PictureDot({ at: [x, y], children }: { readonly at: PictureAt; readonly children?: ReactNode }) {
  return (
    <span
      className="pointer-events-none absolute grid size-7 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-2 border-white bg-over text-[14px] font-semibold text-over-ink"
      style={{ left: `${100 * x}%`, top: `${100 * y}%` }}
      aria-hidden
    >
      {children}
    </span>
  );
}
