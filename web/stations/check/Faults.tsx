import { LAYING_FAULTS } from '#core/lay/faults';
import type { FoundFault } from '#core/lay/run';
import { remediesFor } from '#job/check';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { TakePicture } from '../../photos/TakePicture';
import { pictureAddress, thumbAddress, usePhotos } from '../../photos/usePhotos';
import { Button } from '../../ui/Button';
import { um } from '../../ui/measures';
import { clock, moment, span } from '../../ui/moments';
import { useTap } from '../../bay/useTap';
import { REMEDY_WORDS } from './words';

/** What was found, the latest first: what can be done about it at its age, and what was. */
export function Faults() {
  const job = useJob('at', 'nameOf', 'record');
  const { record } = job;
  const found = [...record.faults.values()].reverse();
  if (found.length === 0) return null;
  return (
    <Part title="Found">
      <ul className="space-y-3">
        {found.map((fault) => (
          <li key={fault.entry} aria-label={`${LAYING_FAULTS[fault.fault].name}, ${job.nameOf(fault.patch.surface)}`}>
            <p className="text-lg">
              <strong>{LAYING_FAULTS[fault.fault].name}</strong> · {job.nameOf(fault.patch.surface)}{' '}
              <span className="text-ink-2">
                {fault.remedy
                  ? `· ${REMEDY_WORDS[fault.remedy.how].toLowerCase()} at ${clock(job.at(fault.remedy.atMin))}`
                  : `· found at ${clock(job.at(fault.atMin))}`}
              </span>
            </p>
            <FaultPictures fault={fault} />
            {fault.note && <p className="text-ink-2">{fault.note}</p>}
            {!fault.remedy && <Ways fault={fault} />}
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Pictures of a fault in its place, kept with the panel. */
function FaultPictures({ fault }: { readonly fault: FoundFault }) {
  const job = useJob('id', 'nameOf');
  const { photos, take, waiting, faults } = usePhotos(job.id);
  const own = photos.filter(({ mark }) => mark === fault.entry);
  const name = `${LAYING_FAULTS[fault.fault].name}, ${job.nameOf(fault.patch.surface)}`;
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2">
      {own.map((photo) => (
        <a key={photo.id} href={pictureAddress(photo)} target="_blank" rel="noreferrer">
          <img src={thumbAddress(photo)} alt={name} className="h-16 border" />
        </a>
      ))}
      <TakePicture
        label={`Picture of ${name}`}
        onFiles={(files) => void take(files, { surface: fault.patch.surface, mark: fault.entry })}
      >
        {waiting > 0 ? 'Being kept …' : 'Picture'}
      </TakePicture>
      {faults.map((each) => (
        <p key={each} role="alert" className="w-full text-stop">
          {each}
        </p>
      ))}
    </div>
  );
}

function Ways({ fault }: { readonly fault: FoundFault }) {
  const job = useJob('at', 'id', 'nowMin', 'planned', 'prepared', 'record', 'sheet');
  const { tap, settling } = useTap(job.id);
  const { planned, record, sheet, prepared, nowMin } = job;
  const ways = remediesFor({ planned, record, sheet, prepared }, fault, nowMin);
  return (
    <div className="mt-1 space-y-2">
      {ways.map(({ how, step, minutes, clearUm, untilMin, never, steps, dryForMin }) => (
        <div
          key={how}
          className={`border-l-4 pl-3 ${never ? 'border-stop' : untilMin !== undefined ? 'border-over' : 'border-line-strong'}`}
        >
          {untilMin !== undefined && (
            <p className="figure text-2xl text-over" role="timer">
              within {span(Math.max(0, untilMin - nowMin))}, until {clock(job.at(untilMin))}
            </p>
          )}
          <p className={never ? 'text-stop' : ''}>{never ?? step}</p>
          {!never && steps && (
            <ol className="ml-5 list-decimal">
              {steps.map((each, nth) => (
                <li key={each}>
                  {each}
                  {nth === steps.length - 1 && typeof dryForMin === 'number' && (
                    <strong>
                      {' '}
                      for {span(dryForMin)}, until {moment(job.at(nowMin + dryForMin))}
                    </strong>
                  )}
                </li>
              ))}
            </ol>
          )}
          {!never && (minutes > 0 || clearUm > 0) && (
            <p className="text-[14px] text-ink-2">
              {minutes} min of work{clearUm > 0 ? `, up to ${um(clearUm)} of clear` : ', no clear'}
            </p>
          )}
          {!never && (
            <Button
              glove
              className="mt-1"
              disabled={settling}
              onClick={() => tap({ type: 'remedied', fault: fault.entry, how })}
            >
              {REMEDY_WORDS[how]}
            </Button>
          )}
        </div>
      ))}
    </div>
  );
}
