import { CircleCheck } from 'lucide-react';
import { useState } from 'react';
import { useTap } from '../../bay/useTap';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { moment } from '../../ui/moments';
import { Signed, SignHere } from './SignHere';

/** On an aircraft a licensed engineer signs that static ports, vents and gaps are clear again, with their licence. */
export function LicensedEngineer() {
  const job = useJob('at', 'id', 'record');
  const { tap, settling } = useTap(job.id);
  const [name, setName] = useState('');
  const [licence, setLicence] = useState('');
  const [strokes, setStrokes] = useState<number[][]>([]);
  const [again, setAgain] = useState(false);
  const last = job.record.releases.at(-1);
  if (last && !again)
    return (
      <Part title="Licensed engineer">
        <p className="mb-2 flex items-center gap-3">
          <CircleCheck size={28} className="shrink-0 text-ok" aria-hidden />
          <span>
            <strong>{last.name}</strong>, licence {last.licence}, signed {moment(job.at(last.atMin))}.
          </span>
        </p>
        <Signed strokes={last.strokes} by={last.name} />
        <Button look="quiet" className="mt-2" onClick={() => setAgain(true)}>
          Sign again
        </Button>
      </Part>
    );
  return (
    <Part title="Licensed engineer">
      <p className="mb-3 border-l-4 border-warn bg-warn-soft px-3 py-2">
        Before it flies: every cover and streamer is counted off, and static ports, pitot, vents and control gaps are
        clear. What was done is within the aircraft maker’s approval. The licensed engineer signs for that.
      </p>
      <div className="grid gap-3">
        <TextField label="Name" value={name} onChange={setName} />
        <TextField label="Licence number" value={licence} onChange={setLicence} />
      </div>
      <div className="mt-2">
        <SignHere onSigned={setStrokes} />
      </div>
      <Button
        look="main"
        className="mt-2 w-full"
        disabled={settling || strokes.length === 0 || name.trim() === '' || licence.trim() === ''}
        onClick={() => {
          tap({ type: 'released', name: name.trim(), licence: licence.trim(), strokes });
          setAgain(false);
        }}
      >
        Keep the signature
      </Button>
    </Part>
  );
}
