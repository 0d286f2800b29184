import { Activity, Gauge, Upload } from 'lucide-react';
import { useEffect, useId, useState } from 'react';
import { gaugeReads } from '#core/survey/paint';
import { type GaugeAnswer, type Surface, surfaceName } from '#formats/job';
import { readReadingsCsv } from '#formats/tables';
import type { Fault } from '#formats/values';
import { addReadings } from '#job/edit';
import { addressOf } from '../../../app/address-of';
import { listenWhileVisible } from '../../../app/event-source';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';

interface Props {
  readonly armed: boolean;
  readonly onArm: (armed: boolean) => void;
  /** What the gauge last said, in words. */
  readonly said: string | undefined;
}

/** The gauge in hand: every tap on a panel takes one reading there; or a file of readings. */
export function GaugeTools({ armed, onArm, said }: Props) {
  const job = useJob('chosen', 'edit');
  const [pasting, setPasting] = useState(false);
  const [streaming, setStreaming] = useState<string>();
  const { chosen, edit } = job;
  const walked = chosen && streaming === chosen.id ? chosen : undefined;
  const readable = chosen && gaugeReads(chosen);
  const address = walked && streamAddress(walked);
  const walkedId = walked?.id;
  useEffect(() => {
    if (!address || walkedId === undefined) return undefined;
    return listenWhileVisible(address, {
      reading: (data) => {
        const { um, simulated } = JSON.parse(data) as GaugeAnswer;
        const source = simulated ? 'simulated' : 'instrument';
        if (um !== null) edit(addReadings([{ surface: walkedId, um, source }]));
      },
    });
    // The address holds how many readings there were when it was opened: it is not to be opened anew at each.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [walkedId]);
  return (
    <>
      <Button look={armed ? 'main' : 'plain'} aria-pressed={armed} onClick={() => onArm(!armed)}>
        <Gauge size={17} /> Gauge in hand
      </Button>
      <Button
        look={walked ? 'main' : 'plain'}
        aria-pressed={walked !== undefined}
        disabled={!readable}
        onClick={() => setStreaming(walked ? undefined : chosen?.id)}
      >
        <Activity size={17} /> {walked ? 'Stop streaming' : 'Stream to the panel'}
      </Button>
      <Button onClick={() => setPasting(true)}>
        <Upload size={16} /> Readings from a file
      </Button>
      <p className="min-w-40 flex-1 text-[14px] leading-tight text-ink-2" aria-live="polite">
        {walked
          ? `The probe walks over ${surfaceName(walked)}: ${walked.readingsUm.length} readings.`
          : (said ?? (armed ? 'Tap a panel: each tap is one reading.' : 'Readings can also be typed at each panel.'))}
      </p>
      <ReadingsDialog open={pasting} onClose={() => setPasting(false)} />
    </>
  );
}

const streamAddress = ({ id: panel, substrate, body, paint, readingsUm }: Surface) =>
  addressOf('thicknessWalk', { panel, substrate, body, paint, nth: readingsUm.length + 1 });

interface DialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

function ReadingsDialog({ open, onClose }: DialogProps) {
  const job = useJob('document', 'edit');
  const id = useId();
  const [text, setText] = useState('');
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const take = () => {
    const { readings, faults: unread } = readReadingsCsv(text);
    const matched = readings.map((reading) => ({
      ...reading,
      surface: surfaceCalled(reading.panel, job.document.surfaces),
    }));
    const unknown = [...new Set(matched.filter(({ surface }) => !surface).map(({ panel }) => panel))];
    const all = [
      ...unread,
      ...unknown.map((panel) => ({ path: panel, message: 'no surface of this job is called that' })),
    ];
    setFaults(all);
    // All of it or nothing: what was left out would be missed later.
    if (all.length > 0) return;
    job.edit(addReadings(matched.map(({ surface, um }) => ({ surface: surface!.id, um }))));
    setText('');
    onClose();
  };
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Readings from a file"
      description="A panel and a number a line, such as “Bonnet;112,5”. Micrometres, or thousandths of an inch under the heading mil."
    >
      <label htmlFor={id} className="label block">
        Paste them here, or choose a file
      </label>
      <textarea
        id={id}
        rows={8}
        className="field py-2 font-mono text-[13px]"
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <input
        type="file"
        accept=".csv,.txt,text/csv"
        aria-label="File of readings"
        className="mt-2 text-[14px]"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) void file.text().then(setText);
        }}
      />
      {faults.length > 0 && (
        <div role="alert" className="mt-3 border-l-4 border-stop bg-stop-soft px-3 py-2 text-[14px]">
          <p className="font-semibold">Nothing was taken in:</p>
          <ul>
            {faults.slice(0, 8).map(({ path, message }) => (
              <li key={`${path} ${message}`}>
                <strong>{path}</strong>: {message}
              </li>
            ))}
            {faults.length > 8 && <li>and {faults.length - 8} more</li>}
          </ul>
        </div>
      )}
      <Button look="main" className="mt-4" disabled={text.trim() === ''} onClick={take}>
        Take them in
      </Button>
    </Dialog>
  );
}

/** By id or by name, however it is written. */
function surfaceCalled(panel: string, surfaces: readonly Surface[]): Surface | undefined {
  const wanted = panel.trim().toLowerCase();
  return surfaces.find(
    (surface) => surface.id.toLowerCase() === wanted || surfaceName(surface).toLowerCase() === wanted,
  );
}
