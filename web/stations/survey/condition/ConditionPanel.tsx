import { whatFollows } from '#core/survey/condition';
import { takesPolish } from '#core/prepare/steps';
import type { Surface } from '#formats/job';
import { changeSurface } from '#job/edit';
import { PanelHead, Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { PhotoStrip } from '../../../photos/PhotoStrip';
import { AllOver } from '../../../bay/AllOver';
import { MarkRow, pictureOf } from './MarkRow';
import { TriedFields } from './TriedFields';

/** What was seen and tried on one panel, and what becomes of it. */
export function ConditionPanel({ surface }: { readonly surface: Surface }) {
  const job = useJob('document', 'edit', 'id', 'nameOf');
  const { edit } = job;
  const { marks = [] } = surface;
  const change = (changes: Partial<Surface>) => edit(changeSurface(surface.id, changes));
  const follows = whatFollows({ ...surface, tone: surface.colour?.tone });
  return (
    <>
      <PanelHead />
      <Part title="Evidence on it">
        <TriedFields evidence={surface} onChange={change} />
        {follows.length > 0 && (
          <ul className="mt-3 space-y-1 border-l-4 border-warn pl-3 text-[14px]">
            {follows.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        )}
      </Part>
      <Part title={marks.length === 0 ? 'No marks on it' : `Marks: ${marks.length}`}>
        {marks.length === 0 && (
          <p className="text-[14px] text-ink-2">
            {surface.faultless
              ? 'Looked at, nothing to correct.'
              : 'Choose what you see over the net, then tap where it is.'}{' '}
            {surface.faultless && (
              <button type="button" className="underline" onClick={() => change({ faultless: undefined })}>
                Not said after all
              </button>
            )}
          </p>
        )}
        <ul className="space-y-3">
          {marks.map((mark) => (
            <MarkRow key={mark.id} surface={surface} mark={mark} />
          ))}
        </ul>
      </Part>
      {takesPolish(surface.substrate) && (
        <Part title="All over this panel">
          <AllOver surfaces={[surface]} />
        </Part>
      )}
      <Part title="Pictures">
        <PhotoStrip
          jobId={job.id}
          shows={(photo) => photo.surface === surface.id}
          takes={{ surface: surface.id }}
          of={pictureOf(job)}
        />
      </Part>
    </>
  );
}
