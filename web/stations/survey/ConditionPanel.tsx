import { um } from '../../ui/measures';
import { Trash2 } from 'lucide-react';
import {
  INSPECTION_LIGHTS,
  IRON_TESTS,
  MARK_KINDS,
  MARK_SEVERITIES,
  type MarkSeverity,
  outcomeOf,
  outcomePossible,
  OUTCOMES,
  seenSeverity,
  TOUCHES,
  twinDifferences,
  WATER_BEHAVIOURS,
  whatFollows,
  OUTCOME_NAMES,
  LIGHT_NAMES,
  type Outcome,
  type InspectionLight,
} from '#core/item/condition';
import { judgeReadings } from '#core/item/paint';
import { type Photo, type Surface, type SurfaceMark, surfaceName } from '#formats/job';
import { changeDocument, changeMark, changeSurface, removeMark } from '#job/edit';
import { PanelHead, Part } from '../../job/Station';
import type { JobView } from '../../job/useJobView';
import { PhotoStrip } from '../../photos/PhotoStrip';
import { TakePicture } from '../../photos/TakePicture';
import { usePhotos } from '../../photos/usePhotos';
import { NumberField } from '../../ui/NumberField';
import { PaperLink } from '../../ui/PaperLink';
import { Segmented } from '../../ui/Segmented';
import { TextField } from '../../ui/TextField';

/** What was seen and tried on one panel, and what becomes of it. */
export function ConditionPanel({ job, surface }: { readonly job: JobView; readonly surface: Surface }) {
  const { edit } = job;
  const { marks = [] } = surface;
  const change = (changes: Partial<Surface>) => edit(changeSurface(surface.id, changes));
  const follows = whatFollows({ ...surface, tone: surface.colour?.tone });
  return (
    <>
      <PanelHead />
      <Part title="Tried on it">
        <div className="space-y-2">
          <Try label="Fingertip">
            <Segmented
              optional
              label="Fingertip"
              value={surface.touch}
              options={TOUCHES.map((id) => [id, id === 'smooth' ? 'Smooth' : 'Rough'] as const)}
              onChange={(touch) => change({ touch })}
            />
          </Try>
          <Try label="Iron test">
            <Segmented
              optional
              label="Iron test"
              value={surface.iron}
              options={IRON_TESTS.map((id) => [id, id === 'clear' ? 'Clear' : 'Bleeds purple'] as const)}
              onChange={(iron) => change({ iron })}
            />
          </Try>
          <Try label="Water">
            <Segmented
              optional
              label="Water"
              value={surface.water}
              options={WATER_BEHAVIOURS.map((id) => [id, id === 'sheets' ? 'Sheets' : 'Beads'] as const)}
              onChange={(water) => change({ water })}
            />
          </Try>
        </div>
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
          <p className="text-[14px] text-ink-2">Choose what you see over the net, then tap where it is.</p>
        )}
        <ul className="space-y-3">
          {marks.map((mark) => (
            <MarkRow key={mark.id} job={job} surface={surface} mark={mark} />
          ))}
        </ul>
      </Part>
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

/** What a picture is of: its mark, its panel, or the item. */
const pictureOf = (job: JobView) => (photo: Photo) => {
  if (photo.surface === null) return job.document.item?.name ?? job.document.title;
  const surface = job.document.surfaces.find(({ id }) => id === photo.surface);
  const mark = surface?.marks?.find(({ id }) => id === photo.mark);
  const where = job.nameOf(photo.surface);
  return mark ? `${MARK_KINDS[mark.kind].name}, ${where.toLowerCase()}` : where;
};

function Try({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-3">
      <span className="text-[14px]">{label}</span>
      {children}
    </div>
  );
}

interface MarkProps {
  readonly job: JobView;
  readonly surface: Surface;
  readonly mark: SurfaceMark;
}

function MarkRow({ job, surface, mark }: MarkProps) {
  const { name, sign, say, usually } = MARK_KINDS[mark.kind];
  const photos = usePhotos(job.id);
  const outcome = outcomeOf(mark, surface.substrate);
  const seen = seenSeverity(mark, surface.colour?.tone);
  const change = (changes: Partial<SurfaceMark>) => job.edit(changeMark(surface.id, mark.id, changes));
  const select = 'field min-h-8 w-auto py-0 text-[13.5px]';
  return (
    <li className="border bg-sheet px-3 py-2">
      <p className="flex items-center justify-between">
        <strong>
          <span className="text-over">{sign}</span> {name}
        </strong>
        <span className="ml-auto">
          <TakePicture
            look="quiet"
            label={`Picture of ${name}`}
            onFiles={(files) => void photos.take(files, { surface: surface.id, mark: mark.id })}
          >
            {photos.photos.filter((photo) => photo.mark === mark.id).length || ''}
          </TakePicture>
        </span>
        <button
          type="button"
          className="flex size-8 items-center justify-center rounded text-ink-2 hover:bg-tint-2"
          aria-label={`Take ${name} away`}
          onClick={() => job.edit(removeMark(surface.id, mark.id))}
        >
          <Trash2 size={16} />
        </button>
      </p>
      <p className="text-[13px] text-ink-2">
        {say}
        {seen !== mark.severity && <strong className="text-ink"> On this colour the eye finds it {seen}.</strong>}
      </p>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        <select
          aria-label={`How grave: ${name}`}
          className={select}
          value={mark.severity}
          onChange={({ target }) => change({ severity: target.value as MarkSeverity })}
        >
          {MARK_SEVERITIES.map((severity) => (
            <option key={severity}>{severity}</option>
          ))}
        </select>
        <select
          aria-label={`What becomes of it: ${name}`}
          className={select}
          value={outcome}
          onChange={({ target }) => change({ outcome: target.value as Outcome })}
        >
          {OUTCOMES.filter((each) => outcomePossible(mark.kind, each, surface.substrate)).map((each) => (
            <option key={each} value={each}>
              {OUTCOME_NAMES[each]}
              {each === usually && mark.outcome === undefined ? ' (usual)' : ''}
            </option>
          ))}
        </select>
        <select
          aria-label={`Seen under: ${name}`}
          className={select}
          value={mark.light ?? ''}
          onChange={({ target }) => change({ light: (target.value || undefined) as InspectionLight | undefined })}
        >
          <option value="">light not said</option>
          {INSPECTION_LIGHTS.map((light) => (
            <option key={light} value={light}>
              {LIGHT_NAMES[light]}
            </option>
          ))}
        </select>
      </div>
      {photos.faults.map((fault) => (
        <p key={fault} role="alert" className="mt-1 text-[13px] text-stop">
          {fault}
        </p>
      ))}
      <details className="mt-1.5 text-[14px]" open={mark.sizeMm !== undefined || mark.note !== undefined}>
        <summary className="cursor-pointer text-ink-2">Size and note</summary>
        <div className="mt-1.5 grid grid-cols-[7rem_1fr] gap-2">
          <NumberField
            optional
            label="Across"
            unit="mm"
            value={mark.sizeMm}
            check={(value) => (value > 0 && value <= 5000 ? undefined : 'more than 0, at most 5000 mm')}
            onChange={(sizeMm) => change({ sizeMm })}
          />
          <TextField label="Note" value={mark.note ?? ''} onChange={(note) => change({ note: note || undefined })} />
        </div>
      </details>
    </li>
  );
}

/** The walk-round of the whole item: what stays, where the sides differ, how it is reached. */
export function ConditionWhole({ job }: { readonly job: JobView }) {
  const { document, choose, edit, nameOf, id } = job;
  const all = document.surfaces.flatMap((surface) => (surface.marks ?? []).map((mark) => ({ surface, mark })));
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
                <dd className="figure text-xl">
                  {all.filter(({ surface, mark }) => outcomeOf(mark, surface.substrate) === outcome).length}
                </dd>
              </div>
            ))}
          </dl>
        )}
        <div className="mt-3">
          <PaperLink href={`/api/jobs/${id}/walk-round.pdf`}>Walk-round sheet to sign</PaperLink>
        </div>
      </section>
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
            .filter(({ surface, mark }) => outcomeOf(mark, surface.substrate) === 'stays')
            .map(({ surface, mark }) => (
              <li key={mark.id}>
                <button type="button" className="underline" onClick={() => choose(surface.id)}>
                  {surfaceName(surface)}
                </button>
                : {MARK_KINDS[mark.kind].name.toLowerCase()}
              </li>
            ))}
          {all.every(({ surface, mark }) => outcomeOf(mark, surface.substrate) !== 'stays') && (
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
