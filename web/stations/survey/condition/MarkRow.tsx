import { Trash2 } from 'lucide-react';
import {
  INSPECTION_LIGHTS,
  type InspectionLight,
  LIGHT_NAMES,
  MARK_KINDS,
  MARK_SEVERITIES,
  type MarkSeverity,
  type Outcome,
  OUTCOME_NAMES,
  outcomePossible,
  OUTCOMES,
  seenSeverity,
} from '#core/survey/condition';
import { fateInWords, fateOf } from '#core/prepare/stages';
import type { Photo, Surface, SurfaceMark } from '#formats/job';
import { changeMark, removeMark } from '#job/edit';
import { useJob } from '../../../job/job-context';
import type { JobView } from '../../../job/useJobView';
import { TakePicture } from '../../../photos/TakePicture';
import { usePhotos } from '../../../photos/usePhotos';
import { NumberField } from '../../../ui/NumberField';
import { TextField } from '../../../ui/TextField';

/** What a picture is of: its mark, its panel, or the item. */
export const pictureOf = (job: Pick<JobView, 'document' | 'nameOf'>) => (photo: Photo) => {
  if (photo.surface === null) return job.document.item?.name ?? job.document.title;
  const surface = job.document.surfaces.find(({ id }) => id === photo.surface);
  const mark = surface?.marks?.find(({ id }) => id === photo.mark);
  const where = job.nameOf(photo.surface);
  return mark ? `${MARK_KINDS[mark.kind].name}, ${where.toLowerCase()}` : where;
};

interface MarkProps {
  readonly surface: Surface;
  readonly mark: SurfaceMark;
}

export function MarkRow({ surface, mark }: MarkProps) {
  const job = useJob('edit', 'id', 'prepared');
  const { name, sign, say } = MARK_KINDS[mark.kind];
  const photos = usePhotos(job.id);
  const panel = job.prepared.preparation.panels.find(({ id }) => id === surface.id);
  const planned = fateOf(
    { outcome: undefined },
    panel?.goes.find((each) => each.mark === mark.id),
  );
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
        {mark.hiddenBefore && (
          <strong className="block text-ink">Filled at an earlier visit: it shows again when that comes off.</strong>
        )}
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
          value={mark.outcome ?? ''}
          onChange={({ target }) => change({ outcome: (target.value || undefined) as Outcome | undefined })}
        >
          <option value="">{fateInWords(planned, OUTCOME_NAMES)}, by the plan</option>
          {OUTCOMES.filter((each) => outcomePossible(mark.kind, each, surface.substrate)).map((each) => (
            <option key={each} value={each}>
              {OUTCOME_NAMES[each]}, as agreed
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
