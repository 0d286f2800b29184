import { Droplets, Umbrella } from 'lucide-react';
import { keepDryUntilMin } from '#job/check';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { TakePicture } from '../../photos/TakePicture';
import { PictureDot, Touchable } from '../../photos/Touchable';
import { thumbAddress } from '../../photos/usePhotos';
import { Button } from '../../ui/Button';
import { mm } from '../../ui/measures';
import { moment, span } from '../../ui/moments';
import { Drops } from './Drops';
import type { useWetPicture } from './useWetPicture';

interface Props {
  readonly picture: ReturnType<typeof useWetPicture>;
}

/** What water says of the finished work. Only once it may get wet: until then it says when. */
export function Water({ picture }: Props) {
  const job = useJob('nowMin', 'planned', 'record', 'sheet');
  const dryUntilMin = keepDryUntilMin(job);
  if (dryUntilMin === null || job.nowMin < dryUntilMin) return <KeepDry untilMin={dryUntilMin} />;
  const { wet, photo, match, mode, ask, pending, beside, choose, touchPicture, take, forget, faults } = picture;
  const matched = photo?.matched ?? [];
  const said = !photo
    ? 'Wet one side evenly, from above, and take a picture while the water stands or runs off.'
    : mode === 'match'
      ? pending
        ? 'Now touch the same point on the net.'
        : `Touch a point on the picture that you know on the net: a corner, a badge.${matched.length === 0 ? ' Two lay it over the net, four hold it better.' : ''}`
      : 'Touch each patch where water lies flat: nothing, or too little, lies there.';
  return (
    <>
      <Part title="Where it sheets">
        <p className="text-lg">{said}</p>
        {beside && <p className="mt-1 font-semibold text-warn">That is beside the item.</p>}
        {photo && (
          <div className="mt-3">
            <Touchable photo={photo} alt={`Wet picture, ${moment(photo.takenAt)}`} onTouch={touchPicture}>
              {matched.map(({ at }, nth) => (
                <PictureDot key={nth} at={at}>
                  {nth + 1}
                </PictureDot>
              ))}
              {pending && <PictureDot at={pending}>?</PictureDot>}
            </Touchable>
            {match && (
              <p className={`mt-1 ${match.offMm > OFF_MM ? 'font-semibold text-warn' : 'text-ink-2'}`}>
                Held by {matched.length} points
                {matched.length > 2 && `, off by ${mm(match.offMm)}`}
                {match.offMm > OFF_MM && ': too much. Match again, on one panel or one side only.'}
              </p>
            )}
            <div className="mt-2 flex flex-wrap gap-2">
              {match && (
                <Button glove onClick={() => ask(mode === 'match' ? 'spot' : 'match')}>
                  {mode === 'match' ? 'Mark dry patches' : 'One more point'}
                </Button>
              )}
              {matched.length > 0 && (
                <Button glove look="quiet" onClick={forget}>
                  Match anew
                </Button>
              )}
            </div>
          </div>
        )}
        {wet.length > 1 && (
          <ul className="mt-2 flex gap-2 overflow-x-auto" aria-label="Wet pictures">
            {wet.map((each) => (
              <li key={each.id} className="shrink-0">
                <button
                  type="button"
                  aria-pressed={each.id === photo?.id}
                  className={`block border-2 ${each.id === photo?.id ? 'border-over' : 'border-line-strong'}`}
                  onClick={() => choose(each.id)}
                >
                  <img src={thumbAddress(each)} alt={moment(each.takenAt)} className="h-16 w-24 object-cover" />
                </button>
              </li>
            ))}
          </ul>
        )}
        <div className="mt-3">
          <TakePicture label="Take a wet picture" onFiles={take}>
            {photo ? 'Another wet picture' : 'Take a wet picture'}
          </TakePicture>
        </div>
        {faults.map((fault) => (
          <p key={fault} role="alert" className="mt-2 text-stop">
            {fault}
          </p>
        ))}
      </Part>
      <Drops />
    </>
  );
}

/** Further off than this a patch is not found again, mm. */
const OFF_MM = 60;

function KeepDry({ untilMin }: { readonly untilMin: number | null }) {
  const job = useJob('at', 'nowMin');

  return (
    <section className="px-5 py-5" aria-label="Keep it dry">
      <h2 className="figure flex items-center gap-3 text-2xl">
        <Umbrella size={30} className="shrink-0 text-stop" aria-hidden /> Keep it dry
      </h2>
      {untilMin === null ? (
        <p className="mt-2 text-lg">In this air what lies on it never sets far enough to get wet: warm it first.</p>
      ) : (
        <>
          <p className="figure mt-3 text-[2.6rem] leading-none text-over" role="timer">
            {span(untilMin - job.nowMin)}
          </p>
          <p className="mt-2 text-lg">
            Not a drop before <strong>{moment(job.at(untilMin))}</strong>. Wetted sooner, water spots in it for good.
          </p>
        </>
      )}
      <p className="mt-3 flex items-start gap-2 text-ink-2">
        <Droplets size={20} className="mt-0.5 shrink-0" aria-hidden />
        Then a wet picture shows where water sheets, and a drop from its side how high it stands.
      </p>
    </section>
  );
}
