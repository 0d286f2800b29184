import { Trash2 } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import type { Job } from '#formats/job';
import { changeDocument } from '#job/edit';
import { addressOf } from '../../../app/address-of';
import { errorText, useRemoveJobMutation } from '../../../app/api';
import { useDraft } from '../../../draft/useDraft';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/TextField';

const FILES = [
  ['netSvg', 'net as SVG'],
  ['netDxf', 'net as DXF'],
  ['surfacesCsv', 'areas as CSV'],
] as const;

/** What the job is called and whose item it is; and taking the whole of it away while nothing was done. */
export function JobForm() {
  const job = useJob('document', 'edit', 'id', 'log');
  const { document, edit, log } = job;
  const version = useDraft(job.id).current?.version ?? 0;
  const [remove, { error }] = useRemoveJobMutation();
  const navigate = useNavigate();
  const item: NonNullable<Job['item']> = document.item ?? { name: document.title };
  const takeAway = async () => {
    await remove({ id: job.id, version }).unwrap();
    await navigate('/', { state: { takenAway: { id: job.id, title: document.title } } });
  };
  return (
    <Part title="The job">
      <div className="space-y-3">
        <TextField label="Job" required value={document.title} onChange={(title) => edit(changeDocument({ title }))} />
        <TextField
          label="Item"
          required
          value={item.name}
          onChange={(name) => edit(changeDocument({ item: { ...item, name } }))}
        />
        <TextField
          label="Owner"
          value={item.ownerName ?? ''}
          onChange={(ownerName) => edit(changeDocument({ item: { ...item, ownerName: ownerName || undefined } }))}
        />
        <TextField
          label="Plate, hull or registration number"
          value={item.plate ?? ''}
          onChange={(plate) => edit(changeDocument({ item: { ...item, plate: plate || undefined } }))}
        />
        {item.id && (
          <p className="text-[14px]">
            <Link className="underline" to={`/items/${item.id}`}>
              All its visits
            </Link>
          </p>
        )}
        <p className="flex flex-wrap gap-x-4 gap-y-1 text-[14px]">
          <span className="text-ink-2">Take it along:</span>
          {FILES.map(([route, name]) => (
            <a key={route} className="underline" href={addressOf(route, { id: job.id })} download>
              {name}
            </a>
          ))}
        </p>
        <Button look="danger" disabled={log.length > 0} onClick={() => void takeAway().catch(() => undefined)}>
          <Trash2 size={16} /> Take this job away
        </Button>
        {log.length > 0 && <p className="text-[13px] text-ink-2">Work has been logged at it; its record stays.</p>}
        {error && (
          <p role="alert" className="text-[13px] text-stop">
            {errorText(error)}
          </p>
        )}
      </div>
    </Part>
  );
}
