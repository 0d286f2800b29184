/** Below what is to be done: the small buttons, the towel, and what comes after. */
import { Eye, Flag, Layers2, Undo2 } from 'lucide-react';
import { memo } from 'react';
import { patchKey, type Patch, type RunEntry, type SheetPatch, towelLoad } from '#core/lay/run';
import { useUndoable } from '../../bay/hand';
import { useJob, useOfJob } from '../../job/job-context';
import { entryInWords } from '../../outbox/tap-words';
import { useMe } from '../../people/api';
import { Button } from '../../ui/Button';
import { m2 } from '../../ui/measures';
import { AirButton } from './AirButton';

interface Tapped {
  readonly onTap: (entry: RunEntry) => void;
}

interface SmallButtonsProps extends Tapped {
  readonly patch: Patch;
  readonly isFilm: boolean;
  readonly mayBeSeen: boolean;
  readonly mayBeFaulty: boolean;
  readonly onFault: () => void;
}

/** What is rarer than the large button, in one row below it. */
export const SmallButtons = memo(function SmallButtons({
  patch,
  isFilm,
  mayBeSeen,
  mayBeFaulty,
  onTap,
  onFault,
}: SmallButtonsProps) {
  return (
    <div className="mt-3 grid grid-cols-5 gap-2 [&_button]:px-1 [&_button]:gap-1.5 [&_svg]:shrink-0">
      <Button glove disabled={!mayBeSeen} onClick={() => onTap({ type: 'cue-seen', patch })}>
        <Eye size={22} className="max-xl:hidden" /> Cue seen
      </Button>
      <Button glove disabled={!mayBeFaulty} onClick={onFault}>
        <Flag size={22} /> Fault
      </Button>
      <UndoButton onTap={onTap} />
      <AirButton onTap={onTap} />
      <TowelButton isFilm={isFilm} onTap={onTap} />
    </div>
  );
});

const UndoButton = memo(function UndoButton({ onTap }: Tapped) {
  const job = useJob('log', 'nameOf', 'record');
  const last = useUndoable(job);
  return (
    <Button
      glove
      title={last && `Takes back: ${entryInWords(last.entry, job.nameOf)}`}
      disabled={!last}
      onClick={() => last && onTap({ type: 'undo', entry: last.id })}
    >
      <Undo2 size={22} /> Undo
    </Button>
  );
});

/** How much has been levelled with the towel in these hands. */
function useTowel() {
  const me = useMe()?.person?.id;
  return useOfJob(({ record, byOf }) => towelLoad(record, byOf, me));
}

const TowelButton = memo(function TowelButton({ isFilm, onTap }: Tapped & { readonly isFilm: boolean }) {
  const towel = useTowel();
  return (
    <Button
      glove
      look={towel.isLoaded && !isFilm ? 'main' : 'plain'}
      aria-label="Fresh towel"
      title={`Levelled since the last fresh one: ${m2(towel.m2)}`}
      disabled={isFilm || towel.m2 === 0}
      onClick={() => onTap({ type: 'fresh-towel' })}
    >
      <Layers2 size={22} /> Towel
    </Button>
  );
});

export const TowelLoaded = memo(function TowelLoaded({ isFilm }: { readonly isFilm: boolean }) {
  const towel = useTowel();
  if (!towel.isLoaded || isFilm) return null;
  return (
    <p role="status" className="mt-2 text-lg font-semibold text-warn">
      The towel is loaded: {m2(towel.m2)} levelled with it. Take a fresh one.
    </p>
  );
});

/** What comes after the patch in hand. */
export const Then = memo(function Then({
  current,
  crowded,
}: {
  readonly current: SheetPatch;
  readonly crowded: boolean;
}) {
  const text = useOfJob(({ sheet, nameOf, productName }) => {
    const next = sheet.patches.find(
      ({ state, patch }) => state === 'todo' && patchKey(patch) !== patchKey(current.patch),
    );
    if (!next) return 'The last patch.';
    const section = next.sections > 1 ? `, section ${next.patch.section} of ${next.sections}` : '';
    return `Then ${nameOf(next.patch.surface)}${section}, with ${productName(next.coat.product)}`;
  });
  return <p className={`mt-3 truncate text-ink-2 ${crowded ? 'max-lg:hidden' : ''}`}>{text}</p>;
});
