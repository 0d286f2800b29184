import { useState } from 'react';
import type { Photo } from '#formats/job';
import { useBringPhotoBackMutation } from '../app/api';
import { Button } from '../ui/Button';
import { PhotoDialog } from './PhotoDialog';
import { TakePicture } from './TakePicture';
import { ROLE_NAMES } from './roles';
import { type PhotoLabels, thumbAddress, usePhotos } from './usePhotos';

interface Props {
  readonly jobId: string;
  /** Which of the job's pictures are shown here. */
  readonly shows: (photo: Photo) => boolean;
  /** What a picture taken here is of. */
  readonly takes: PhotoLabels;
  /** What a picture is of, in words. */
  readonly of: (photo: Photo) => string;
}

/** Small pictures in a row; each opens. */
export function PhotoStrip({ jobId, shows, takes, of }: Props) {
  const { photos, take, waiting, faults } = usePhotos(jobId);
  const [open, setOpen] = useState<string>();
  const [gone, setGone] = useState<Photo>();
  const [bringBack] = useBringPhotoBackMutation();
  const shown = photos.filter(shows);
  const opened = photos.find(({ id }) => id === open);
  return (
    <>
      {shown.length > 0 && (
        <ul className="mb-2 grid grid-cols-3 gap-2">
          {shown.map((photo) => (
            <li key={photo.id}>
              <button
                type="button"
                className="block w-full border border-line-strong bg-sheet text-left hover:outline-2 hover:outline-over"
                onClick={() => setOpen(photo.id)}
              >
                <img
                  src={thumbAddress(photo)}
                  alt={`${ROLE_NAMES[photo.role]}: ${of(photo)}${photo.note ? `, ${photo.note}` : ''}`}
                  loading="lazy"
                  className="aspect-4/3 w-full object-cover"
                />
                <span className="block truncate px-1.5 py-0.5 text-[12.5px] text-ink-2">{ROLE_NAMES[photo.role]}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <TakePicture several onFiles={(files) => void take(files, takes)}>
        {waiting > 0 ? `Taking in ${waiting} …` : 'Add pictures'}
      </TakePicture>
      {faults.length > 0 && (
        <ul role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2 text-[14px]">
          {faults.map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
        </ul>
      )}
      {gone && (
        <p role="status" className="mt-2 flex items-center justify-between gap-2 text-[14px]">
          The picture is taken away.
          <Button
            look="quiet"
            onClick={() => {
              void bringBack({ id: gone.id });
              setGone(undefined);
            }}
          >
            Bring it back
          </Button>
        </p>
      )}
      {opened && (
        <PhotoDialog
          photo={opened}
          photos={photos}
          of={of}
          onClose={() => setOpen(undefined)}
          onRemoved={() => {
            setGone(opened);
            setOpen(undefined);
          }}
          onTakeAfter={(file) => {
            const where = opened.surface === null ? {} : { surface: opened.surface };
            void take([file], { role: 'after', pairOf: opened.id, ...where });
          }}
        />
      )}
    </>
  );
}
