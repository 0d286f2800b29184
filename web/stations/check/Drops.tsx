import { useState } from 'react';
import { angleFromTouches } from '#core/survey/water';
import { panelDrops } from '#job/check';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { TakePicture } from '../../photos/TakePicture';
import { PictureDot, type PictureAt, Touchable } from '../../photos/Touchable';
import { usePhotos } from '../../photos/usePhotos';
import { Button } from '../../ui/Button';
import { moment } from '../../ui/moments';
import { useTap } from '../../bay/useTap';

/** A finger finds a point of a picture so surely: a share of the picture's width. */
const TOUCH_SHARE = 0.006;
const TOUCHES = ['one foot of the drop', 'its other foot', 'its top'] as const;
const BESIDE_WORDS = {
  stands: 'stands clearly above bare',
  'like-bare': 'no higher than bare: nothing is told of a coat',
  unsure: 'too close to bare to say; read more drops',
} as const;

/** How high a drop stands, by three touches on a picture from its side; over time, and against a panel left bare. */
export function Drops() {
  const job = useJob('at', 'chosen', 'id', 'laid', 'nameOf', 'record');
  const { record, laid, chosen } = job;
  const { photos, take } = usePhotos(job.id);
  const { tap } = useTap(job.id);
  const [touches, setTouches] = useState<readonly PictureAt[]>([]);
  const [shown, setShown] = useState<string>();
  const photo = photos.find(({ id, role }) => id === shown && role === 'drop');
  const drops = panelDrops(record, laid);
  const angle =
    photo && touches.length === 3
      ? angleFromTouches(
          ...(touches.map(([x, y]) => [x * photo.widthPx, y * photo.heightPx]) as unknown as [
            PictureAt,
            PictureAt,
            PictureAt,
          ]),
          TOUCH_SHARE * photo.widthPx,
        )
      : undefined;
  const start = (files: readonly File[]) => {
    setTouches([]);
    void take(files.slice(0, 1), { role: 'drop', surface: chosen!.id }).then(([kept]) => kept && setShown(kept.id));
  };
  return (
    <Part title="A drop from its side">
      {chosen ? (
        <p className="mb-2">
          On <strong>{job.nameOf(chosen.id)}</strong>
          {!laid.has(chosen.id) && ', which is bare: it says what the others are told from'}. A few microlitres, level,
          the lens at its height.
        </p>
      ) : (
        <p className="mb-2">Choose the panel on the net; one left bare as well, as a control.</p>
      )}
      {photo && (
        <>
          <Touchable
            photo={photo}
            alt="A drop from its side"
            onTouch={(at) => setTouches(touches.length === 3 ? [at] : [...touches, at])}
          >
            {touches.map((at, nth) => (
              <PictureDot key={nth} at={at}>
                {nth + 1}
              </PictureDot>
            ))}
          </Touchable>
          <p className="mt-1 text-lg">
            {angle ? (
              <strong className="figure text-2xl">
                {angle.deg.toFixed(0)}° <span className="text-lg text-ink-2">± {angle.sigmaDeg.toFixed(0)}°</span>
              </strong>
            ) : touches.length === 3 ? (
              'These three points are no drop: touch them again.'
            ) : (
              `Touch ${TOUCHES[touches.length]}.`
            )}
          </p>
          {angle && photo.surface && (
            <Button
              glove
              look="main"
              className="mt-1"
              onClick={() => {
                tap({ type: 'bead', surface: photo.surface!, deg: angle.deg, sigmaDeg: angle.sigmaDeg });
                setShown(undefined);
                setTouches([]);
              }}
            >
              Note it
            </Button>
          )}
        </>
      )}
      {chosen && !photo && (
        <TakePicture label="Take a drop from its side" onFiles={start}>
          Take a drop from its side
        </TakePicture>
      )}
      {drops.length > 0 && (
        <ul className="mt-3" aria-label="Drops read">
          {drops.map(({ surface, isLaid, readings, beside, beads }) => {
            const last = readings.at(-1)!;
            return (
              <li key={surface} className="border-t py-1.5 first:border-t-0">
                <p className="flex items-baseline gap-2">
                  <strong className="flex-1">{job.nameOf(surface)}</strong>
                  <span className="figure text-lg">
                    {last.deg.toFixed(0)}° ± {last.sigmaDeg.toFixed(0)}°
                  </span>
                </p>
                <p className={`text-[15px] ${beside === 'like-bare' ? 'font-semibold text-warn' : 'text-ink-2'}`}>
                  {!isLaid
                    ? 'bare'
                    : beside
                      ? BESIDE_WORDS[beside]
                      : beads
                        ? 'beads; read a bare panel too'
                        : 'does not bead'}
                  {readings.length > 1 &&
                    ` · before: ${readings
                      .slice(0, -1)
                      .map(({ deg, atMin }) => `${deg.toFixed(0)}° on ${moment(job.at(atMin))}`)
                      .join(', ')}`}
                </p>
              </li>
            );
          })}
        </ul>
      )}
    </Part>
  );
}
