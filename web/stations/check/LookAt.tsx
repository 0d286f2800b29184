import { Check, Undo2 } from 'lucide-react';
import { type CheckProgress, HOT_REASONS, type HotPlace, type Look, SIDE_WORDS } from '#core/check/checks';
import { CHECK_LIGHTS, type CheckLight } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { useUndoable } from '../../bay/hand';
import { useTap } from '../../bay/useTap';
import { SecondPair } from './SecondPair';
import { LIGHT_WORDS } from './words';

interface Props {
  readonly light: CheckLight;
  /** What to look at now; undefined: all of it was looked at by this light. */
  readonly look: Look | undefined;
  readonly check: CheckProgress;
  readonly onNextLight: (light: CheckLight) => void;
}

/** The one thing to look at now, with the places on it; one tap says that nothing was found. */
export function LookAt({ light, look, check, onNextLight }: Props) {
  const job = useJob('id', 'log', 'nameOf', 'record');
  const { tap, settling } = useTap(job.id);
  const last = useUndoable(job);
  if (!look) {
    const next = CHECK_LIGHTS.find((each) => check.looks[each].some(({ seen }) => !seen));
    return (
      <section className="border-b px-5 py-5" aria-label="Look at">
        <h2 className="figure text-2xl">
          {next ? `${LIGHT_WORDS[light].name}: all looked at` : 'Looked at by every light'}
        </h2>
        {next && (
          <Button look="main" glove className="mt-4 min-h-20 w-full text-xl" onClick={() => onNextLight(next)}>
            Go on: {LIGHT_WORDS[next].name.toLowerCase()}
          </Button>
        )}
      </section>
    );
  }
  const isPanel = light === 'hand-light';
  return (
    <section className="border-b px-5 py-4" aria-label="Look at">
      <p className="text-lg text-ink-2">{LIGHT_WORDS[light].how}</p>
      <h2 className="figure mt-2 text-[2rem] leading-tight">
        {isPanel ? job.nameOf(look.surfaces[0]!) : look.side ? SIDE_WORDS[look.side] : 'What lies apart'}
      </h2>
      <SecondPair surfaces={look.surfaces} />
      {isPanel ? (
        <ul className="mt-2 text-lg">
          {look.places.map((place) => (
            <li key={place.key} className="border-t py-1 first:border-t-0">
              {placeInWords(job, place)}
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-1 text-lg text-ink-2">
          {look.places.length} places on {look.surfaces.length} {look.surfaces.length === 1 ? 'panel' : 'panels'}
        </p>
      )}
      <Button
        look="main"
        glove
        className="mt-3 min-h-24 w-full text-2xl"
        disabled={settling}
        onClick={() => tap({ type: 'looked', place: look.key, light })}
      >
        <Check size={28} /> Nothing found
      </Button>
      <div className="mt-2 flex items-center gap-3">
        <p className="flex-1 text-ink-2">A fault? Touch its place on the map.</p>
        <Button
          glove
          aria-label="Undo the last tap"
          disabled={settling || !last}
          onClick={() => last && tap({ type: 'undo', entry: last.id })}
        >
          <Undo2 size={22} /> Undo
        </Button>
      </div>
    </section>
  );
}

function placeInWords(job: Pick<JobView, 'nameOf'>, { why, beside }: HotPlace): string {
  const names = beside.map((id) => job.nameOf(id));
  return names.length === 0 ? HOT_REASONS[why] : `${HOT_REASONS[why]}: ${names.join(' and ')}`;
}
