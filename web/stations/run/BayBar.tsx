import { ArrowLeft, Speech, Volume2, VolumeX } from 'lucide-react';
import { memo } from 'react';
import { Link, useLocation } from 'react-router';
import { LazyThemeMenu } from '../../app/LazyThemeMenu';
import { LazyWhoChip } from '../../people/LazyWhoChip';
import type { JobView } from '../../job/useJobView';
import { moment } from '../../ui/moments';
import { HandMenu } from './HandMenu';
import { PauseButton } from './PauseButton';
import { give } from './signals';
import { SOUND_WORDS, speak, useSound } from './sound';

export const BayBar = memo(function BayBar({ job }: { readonly job: JobView }) {
  const { search } = useLocation();
  const [sound, nextSound] = useSound();
  const { sheet, plan, document, at } = job;
  const done = sheet.patches.filter(({ state }) => state === 'done').length;
  return (
    <header className="flex h-16 shrink-0 items-center gap-3 border-b bg-sheet pr-2">
      <Link
        to={{ pathname: `/jobs/${job.id}/time`, search }}
        className="flex h-16 items-center gap-2 px-5 text-ink-2 hover:bg-tint-1"
        aria-label="Back to the desk"
      >
        <ArrowLeft size={24} /> <span className="hidden sm:inline">Desk</span>
      </Link>
      <h1 className="figure min-w-0 flex-1 truncate text-lg">{document.title}</h1>
      <p className="hidden text-right leading-tight md:block">
        {sheet.patches.length > 0 && (
          <span className="block">
            {done} of {sheet.patches.length} patches
          </span>
        )}
        {plan.handoverMin !== null && (
          <span className={`block text-sm ${plan.meetsNeed === false ? 'font-semibold text-stop' : 'text-ink-2'}`}>
            ready {moment(at(plan.handoverMin))}
            {plan.meetsNeed === false && ', too late'}
          </span>
        )}
      </p>
      <button
        type="button"
        className="flex size-16 items-center justify-center text-ink-2 hover:bg-tint-1"
        aria-label={`Sound: ${SOUND_WORDS[sound]}`}
        onClick={() => {
          const chosen = nextSound();
          if (chosen === 'tones') give('opens', true);
          if (chosen === 'voice') speak('Spoken as well');
        }}
      >
        {sound === 'off' ? <VolumeX size={26} /> : sound === 'tones' ? <Volume2 size={26} /> : <Speech size={26} />}
      </button>
      {/* A stage is paused where it stands; what is all laid is not paused any more. */}
      {job.begun && sheet.current && <PauseButton job={job} />}
      <HandMenu job={job} />
      <LazyWhoChip glove />
      <LazyThemeMenu glove />
    </header>
  );
});
