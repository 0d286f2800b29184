import { MARK_KINDS, OUTCOME_NAMES, OUTCOMES, twinDifferences } from '#core/survey/condition';
import { fateOf } from '#core/prepare/stages';
import { judgeReadings } from '#core/survey/paint';
import { takesPolish } from '#core/prepare/steps';
import { surfaceName } from '#formats/job';
import { changeDocument } from '#job/edit';
import { addressOf } from '../../../app/address-of';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { PhotoStrip } from '../../../photos/PhotoStrip';
import { PaperLink } from '../../../ui/PaperLink';
import { TextField } from '../../../ui/TextField';
import { um } from '../../../ui/measures';
import { AllOver } from '../../../bay/AllOver';
import { EvidenceForMany } from './EvidenceForMany';
import { pictureOf } from './MarkRow';

/** The walk-round of the whole item: what stays, where the sides differ, how it is reached. */
export function ConditionWhole() {
  const job = useJob('choose', 'document', 'edit', 'id', 'nameOf', 'prepared');
  const { document, choose, edit, nameOf, id } = job;
  const goes = new Map(job.prepared.preparation.panels.flatMap((panel) => panel.goes.map((own) => [own.mark, own])));
  const all = document.surfaces.flatMap((surface) =>
    (surface.marks ?? []).map((mark) => ({ surface, mark, fate: fateOf(mark, goes.get(mark.id)) })),
  );
  const judged = judgeReadings(document.surfaces);
  const twins = twinDifferences(
    document.surfaces.map((surface, index) => ({
      ...surface,
      marks: surface.marks ?? [],
      medianUm: judged[index]!.medianUm,
    })),
  );
  const item = document.item ?? { name: document.title };
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="figure text-xl">
          {all.length === 0 ? 'Nothing is marked yet' : all.length === 1 ? '1 mark' : `${all.length} marks`}
        </h2>
        {all.length > 0 && (
          <dl className="mt-2 grid grid-cols-4 gap-2 text-[14px]">
            {OUTCOMES.map((outcome) => (
              <div key={outcome}>
                <dt className="label">{OUTCOME_NAMES[outcome]}</dt>
                <dd className="figure text-xl">{all.filter(({ fate }) => fate.outcome === outcome).length}</dd>
              </div>
            ))}
          </dl>
        )}
        <div className="mt-3">
          <PaperLink href={addressOf('walkRoundPaper', { id })}>Walk-round sheet to sign</PaperLink>
        </div>
      </section>
      {document.surfaces.length > 1 && (
        <Part title="Evidence for many panels">
          <EvidenceForMany />
        </Part>
      )}
      {document.surfaces.some(({ substrate }) => takesPolish(substrate)) && (
        <Part title="All over the paint">
          <AllOver zoned surfaces={document.surfaces} />
        </Part>
      )}
      {twins.length > 0 && (
        <Part title="Left and right differ">
          <ul className="space-y-2 text-[14px]">
            {twins.map(({ left, right, onlyLeft, onlyRight, gapUm }) => (
              <li key={left} className="border-l-4 border-warn pl-3">
                <button type="button" className="font-semibold underline" onClick={() => choose(left)}>
                  {nameOf(left)}
                </button>{' '}
                and{' '}
                <button type="button" className="font-semibold underline" onClick={() => choose(right)}>
                  {nameOf(right)}
                </button>
                <span className="block text-ink-2">
                  {[
                    onlyLeft.length > 0 &&
                      `only left: ${onlyLeft.map((kind) => MARK_KINDS[kind].name.toLowerCase()).join(', ')}`,
                    onlyRight.length > 0 &&
                      `only right: ${onlyRight.map((kind) => MARK_KINDS[kind].name.toLowerCase()).join(', ')}`,
                    gapUm !== undefined && `${gapUm > 0 ? 'left' : 'right'} is ${um(Math.abs(gapUm))} thicker`,
                  ]
                    .filter(Boolean)
                    .join('; ')}
                </span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Part title="What stays, to be agreed before work begins">
        <ul className="space-y-1 text-[14px]">
          {all
            .filter(({ fate }) => fate.outcome === 'stays')
            .map(({ surface, mark }) => (
              <li key={mark.id}>
                <button type="button" className="underline" onClick={() => choose(surface.id)}>
                  {surfaceName(surface)}
                </button>
                : {MARK_KINDS[mark.kind].name.toLowerCase()}
              </li>
            ))}
          {all.every(({ fate }) => fate.outcome !== 'stays') && (
            <li className="text-ink-2">Nothing is marked that stays.</li>
          )}
        </ul>
      </Part>
      <Part title="Pictures of the whole">
        <PhotoStrip
          jobId={id}
          shows={(photo) => photo.surface === null && photo.role !== 'plan'}
          takes={{}}
          of={pictureOf(job)}
        />
      </Part>
      <Part title="How it is reached">
        <TextField
          long
          label="How it is raised, what is set or held open first; stays with the item"
          value={item.access ?? ''}
          onChange={(access) => edit(changeDocument({ item: { ...item, access: access || undefined } }))}
        />
        <p className="mt-1 text-[13px] text-warn">
          Lift at the maker’s points and on stands only; points differ between versions of one model.
        </p>
      </Part>
    </>
  );
}
