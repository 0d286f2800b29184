import { ArrowLeft, Speech, Volume2, VolumeX } from 'lucide-react';
import { memo } from 'react';
import { Link, useLocation } from 'react-router';
import { LazyThemeMenu } from '../../app/LazyThemeMenu';
import { LazyWhoChip } from '../../people/LazyWhoChip';
import { useJob, useOfJob } from '../../job/job-context';
import { moment } from '../../ui/moments';
import { HandMenu } from './HandMenu';
import { PauseButton } from './PauseButton';
import { give } from './signals';
import { SOUND_WORDS, speak, useSound } from './sound';

export const BayBar = memo(function BayBar() {
  const { id } = useJob('id');
  const title = useOfJob(({ document }) => document.title);
  // A stage is paused where it is; what is all laid is not paused any more.
  const mayPause = useOfJob(({ begun, sheet }) => begun && sheet.current !== undefined);
  const { search } = useLocation();
  const [sound, nextSound] = useSound();
  return (
    <header className="flex h-16 shrink-0 items-center gap-3 border-b bg-sheet pr-2">
      <Link
        to={{ pathname: `/jobs/${id}/time`, search }}
        className="flex h-16 items-center gap-2 px-5 text-ink-2 hover:bg-tint-1"
        aria-label="Back to the desk"
      >
        <ArrowLeft size={24} /> <span className="hidden sm:inline">Desk</span>
      </Link>
      <h1 className="figure min-w-0 flex-1 truncate text-lg">{title}</h1>
      <Progress />
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
      {mayPause && <PauseButton />}
      <HandMenu />
      <LazyWhoChip glove />
      <LazyThemeMenu glove />
    </header>
  );
});

/** How far it has come, and when it is ready. */
function Progress() {
  const { patches, done, ready, isLate } = useOfJob(({ sheet, days, at }) => ({
    patches: sheet.patches.length,
    done: sheet.patches.filter(({ state }) => state === 'done').length,
    ready: days.readyMin === null ? undefined : moment(at(days.readyMin)),
    isLate: (days.spareMin ?? 0) < 0,
  }));
  return (
    <p className="hidden text-right leading-tight md:block">
      {patches > 0 && (
        <span className="block">
          {done} of {patches} patches
        </span>
      )}
      {ready !== undefined && (
        <span className={`block text-sm ${isLate ? 'font-semibold text-stop' : 'text-ink-2'}`}>
          ready {ready}
          {isLate && ', too late'}
        </span>
      )}
    </p>
  );
}
