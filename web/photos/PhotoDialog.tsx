import { type MouseEvent, useState } from 'react';
import type { Photo, PhotoChanges, PhotoRole } from '#formats/job';
import { errorText, useChangePhotoMutation, useRemovePhotoMutation } from '../app/api';
import { Button } from '../ui/Button';
import { ConfirmButton } from '../ui/ConfirmButton';
import { Dialog } from '../ui/Dialog';
import { SelectField } from '../ui/SelectField';
import { TextField } from '../ui/TextField';
import { Compare } from './Compare';
import { GhostCamera, hasCamera } from './GhostCamera';
import { TakePicture } from './TakePicture';
import { ROLE_NAMES } from './roles';
import { pictureAddress } from './usePhotos';

interface Props {
  readonly photo: Photo;
  readonly photos: readonly Photo[];
  readonly of: (photo: Photo) => string;
  readonly onClose: () => void;
  readonly onRemoved: () => void;
  readonly onTakeAfter: (file: File) => void;
}

/** One picture large, and what is said of it: before and after side by side, or a line of tape across it. */
export function PhotoDialog({ photo, photos, of, onClose, onRemoved, onTakeAfter }: Props) {
  const [change, { error }] = useChangePhotoMutation();
  const [remove] = useRemovePhotoMutation();
  const [from, setFrom] = useState<readonly [number, number]>();
  const [taping, setTaping] = useState(false);
  const put = (changes: PhotoChanges) => void change({ id: photo.id, body: changes });
  const before = photo.role === 'after' ? photos.find(({ id }) => id === photo.pairOf) : undefined;
  const after = photo.role === 'before' ? photos.find(({ pairOf }) => pairOf === photo.id) : undefined;
  const pair = before ? { before, after: photo } : after && { before: photo, after };
  const touch = (event: MouseEvent<HTMLElement>) => {
    if (!taping) return;
    const box = event.currentTarget.getBoundingClientRect();
    const at = [share(event.clientX - box.left, box.width), share(event.clientY - box.top, box.height)] as const;
    if (!from) return setFrom(at);
    put({ tape: [...from, ...at], role: 'half-and-half' });
    setFrom(undefined);
    setTaping(false);
  };
  return (
    <Dialog open wide onClose={onClose} title={of(photo)}>
      {pair ? (
        <Compare before={pair.before} after={pair.after} />
      ) : (
        <figure className={`relative mx-auto w-fit ${taping ? 'cursor-crosshair' : ''}`} onClick={touch}>
          <img src={pictureAddress(photo)} alt={photo.note || of(photo)} className="block max-h-[52vh] max-w-full" />
          <TapeLine tape={photo.tape} from={from} />
        </figure>
      )}
      <div className="mt-4 grid gap-3 sm:grid-cols-[12rem_1fr]">
        <SelectField
          label="It shows"
          value={photo.role}
          options={Object.entries(ROLE_NAMES) as [PhotoRole, string][]}
          onChange={(role) => put({ role, ...(role !== 'half-and-half' && { tape: null }) })}
        />
        <TextField label="Note" value={photo.note} onChange={(note) => put({ note })} />
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {photo.role === 'half-and-half' && (
          <Button
            aria-pressed={taping}
            look={taping ? 'main' : 'plain'}
            onClick={() => {
              setFrom(undefined);
              setTaping(!taping);
            }}
          >
            {taping ? (from ? 'Now touch its other end' : 'Touch one end of the tape') : 'Draw the tape line'}
          </Button>
        )}
        {photo.role === 'before' && (
          <TakePicture label="Take the after" onFiles={([file]) => file && onTakeAfter(file)}>
            {after ? 'Take the after again' : 'Take the after'}
          </TakePicture>
        )}
        {photo.role === 'before' && hasCamera() && <GhostCamera ghost={photo} onTaken={onTakeAfter} />}
        {photo.role === 'after' && (
          <SelectField
            label="Laid beside"
            value={photo.pairOf ?? ''}
            options={[
              ['', 'no picture'],
              ...photos
                .filter(({ role }) => role === 'before')
                .map((one) => [one.id, `${of(one)}${one.note ? `, ${one.note}` : ''}`] as const),
            ]}
            onChange={(id) => put({ pairOf: id || null })}
          />
        )}
        <ConfirmButton
          action="Take this picture away"
          consequence="It leaves the walk-round and its sheet. For thirty days it can be brought back."
          onConfirm={() =>
            void remove({ id: photo.id })
              .unwrap()
              .then(onRemoved, () => undefined)
          }
        />
      </div>
      {error && (
        <p role="alert" className="mt-3 text-[14px] text-stop">
          {errorText(error)}
        </p>
      )}
    </Dialog>
  );
}

const share = (part: number, whole: number) => Math.min(1, Math.max(0, part / whole));

/** The tape across a picture: what was done on one side of it, and what was left on the other. */
function TapeLine({ tape, from }: { tape: Photo['tape']; from: readonly [number, number] | undefined }) {
  if (!tape && !from) return null;
  const percent = (value: number) => `${(100 * value).toFixed(2)}%`;
  return (
    <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
      {from && <circle cx={percent(from[0])} cy={percent(from[1])} r={6} fill="var(--over)" />}
      {tape &&
        (['#ffffff', 'var(--over)'] as const).map((stroke, index) => (
          <line
            key={stroke}
            x1={percent(tape[0])}
            y1={percent(tape[1])}
            x2={percent(tape[2])}
            y2={percent(tape[3])}
            stroke={stroke}
            strokeWidth={index === 0 ? 7 : 3}
            strokeDasharray={index === 0 ? undefined : '10 6'}
          />
        ))}
    </svg>
  );
}
