import { Eye, Flag, Layers2, Undo2 } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { SUBSTRATES } from '#core/item/substrates';
import { MS_PER_MIN } from '#core/measures';
import {
  cutInto,
  mayBeCut,
  patchKey,
  patchWindow,
  type RunEntry,
  type SheetPatch,
  towelLoad,
  windowState,
} from '#core/lay/run';
import { useJob, useJobThen, useOfJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { m2 } from '../../ui/measures';
import { entryInWords } from '../../outbox/tap-words';
import { useMe } from '../../people/api';
import { LiveWindow } from '../../window/LiveWindow';
import { WindowDrawing } from '../../window/WindowDrawing';
import { windowTimes } from '../../window/window-times';
import { amountInHand } from '../../material/product-words';
import { AirButton } from './AirButton';
import { batchInHand, Bottle } from './Bottle';
import { CountLine } from './CountLine';
import { FaultDialog } from './FaultDialog';
import { Feed } from '../../material/Feed';
import { FilmSteps } from './FilmSteps';
import { Lesson } from './Lesson';
import { entryFor, instructionFor, signalsDue } from './instruction';
import { useSignals, useSpoken } from './signals';
import { useSound } from './sound';
import { useAge } from './useAge';
import { useTap } from '../../bay/useTap';
import { useUndoable } from '../../bay/hand';
import { Meanwhile } from './Meanwhile';
import { SectionsByHand } from './SectionsByHand';
import { partOf } from './words';

/** So much before its turn a patch is not early, minutes. */
const EARLY_MIN = 0.5;

interface InHandProps {
  readonly current: SheetPatch;
  /** What others have in hand. */
  readonly others: readonly SheetPatch[];
}

/** The patch in hand: what to do, until when. It stays while patches come and go, so that a finger that bounces meets no fresh button. */
export const InHand = memo(function InHand({ current: bySheet, others }: InHandProps) {
  const job = useJob('document', 'id', 'nameOf', 'planned', 'record');
  const jobThen = useJobThen();
  const startMin = useOfJob(({ nowMin }) => bySheet.record?.layStartMin ?? nowMin);
  const mayCut = useOfJob(({ sheet }) => mayBeCut(bySheet, sheet.patches));
  // Where more is wet than what is shown large, it is told in the room there is.
  const crowded = useOfJob(
    ({ sheet }) => others.length > 0 || sheet.wet.some(({ patch }) => patchKey(patch) !== patchKey(bySheet.patch)),
  );
  const inHand = patchKey(bySheet.patch);
  const [cut, setCut] = useState<{ readonly of: string; readonly sections: number }>();
  const current = mayCut && cut?.of === inHand ? cutInto(bySheet, cut.sections) : bySheet;
  const { planned, record, document } = job;
  const { tap, settling } = useTap(job.id);
  const [faulting, setFaulting] = useState<string>();
  const [sound] = useSound();
  // A new start is a new window; while it runs, only taps and readings move it.
  const { window, rewetByMin } = useMemo(
    () => patchWindow(planned, record, bySheet, startMin),
    [planned, record, bySheet, startMin],
  );
  const surface = document.surfaces.find(({ id }) => id === current.patch.surface)!;
  const product = document.products.find(({ id }) => id === current.coat.product)!;
  const isFilm = product.family === 'film';
  const laid = current.record !== undefined;
  // Before its turn, give or take, it is told that it is early.
  const ageMin = useAge(document.startAt, current.record?.layStartMin ?? current.startMin - EARLY_MIN, window);
  const state = windowState(window, laid ? ageMin : 0);
  const instruction = instructionFor(current.state, state, isFilm)!;
  useSignals(inHand, laid && current.state !== 'laying' ? signalsDue(state) : [], sound !== 'off');
  const times = useMemo(() => windowTimes(window), [window]);
  const early = !laid && ageMin < 0;
  const { patch } = current;
  const where = partOf(job, current);
  const name = job.nameOf(patch.surface);
  useSpoken([instruction.verb, name, where].filter((each) => each !== '').join(', '), sound);
  const windowPx = crowded ? 60 : 118;
  const cueDue = current.state === 'waiting' || current.state === 'laying';

  return (
    <section aria-label="In hand" className="flex min-h-0 flex-col overflow-auto">
      <div className="px-6 pt-4">
        <p className={`text-2xl ${state === 'closed' && laid ? 'font-semibold text-stop' : 'text-ink-2'}`}>
          {instruction.verb}
        </p>
        <h2 className="figure text-[clamp(2rem,4.2vw,3.4rem)] leading-[1.05]" style={{ fontStretch: '105%' }}>
          {name}
        </h2>
        <p className="mt-1 text-xl">
          {where !== '' && <>{where} · </>}
          {m2(current.areaM2)} · <strong>{amountInHand(product, current.coat.method, current.amount)}</strong>{' '}
          {product.name}
        </p>
        <Feed product={product} method={current.coat.method} amount={current.amount} areaM2={current.areaM2} />
        {isFilm ? (
          <FilmSteps film={product.film} state={current.state} />
        ) : (
          <Bottle product={product} amount={current.amount} />
        )}
        {mayCut && !isFilm && <SectionsByHand first={current} onCut={(sections) => setCut({ of: inHand, sections })} />}
        {SUBSTRATES[surface.substrate].matte && !isFilm && (
          <p className="mt-1 text-lg text-warn">
            Satin or matte: one go, no seams, plenty of product. Never polish it.
          </p>
        )}
      </div>
      <div className="mt-2 flex flex-[1_0_auto] flex-col justify-center px-6">
        {times ? (
          <>
            <CountLine
              state={state}
              laid={laid}
              early={early}
              current={current}
              ageMin={ageMin}
              times={times}
              rewetByMin={rewetByMin}
            />
            {!isFilm && (
              <div className="mt-2 border border-line-strong">
                {laid ? (
                  <LiveWindow
                    times={times}
                    startMs={Date.parse(document.startAt) + current.record.layStartMin * MS_PER_MIN}
                    heightPx={windowPx}
                  />
                ) : (
                  <WindowDrawing times={times} heightPx={windowPx} />
                )}
              </div>
            )}
          </>
        ) : (
          <p className="text-xl text-stop">The window stays closed in this air.</p>
        )}
        <Meanwhile current={current} others={others} disabled={settling} onTap={tap} />
        <Lesson product={product.id} />
      </div>
      <div className="sticky bottom-0 shrink-0 bg-paper px-6 pb-4 pt-3">
        <Button
          look={instruction.due && !early ? 'main' : 'plain'}
          glove
          className={`w-full text-[2rem] ${crowded ? 'min-h-22' : 'min-h-28'}`}
          disabled={settling}
          onClick={() =>
            tap(entryFor(instruction.logs, current, surface.surfaceC, batchInHand(jobThen(), current.coat.product)))
          }
        >
          {instruction.action}
        </Button>
        {current.state === 'laying' && document.crew.mode === 'pair' && (
          <Button
            glove
            className="mt-3 min-h-20 w-full text-2xl"
            disabled={settling}
            onClick={() => tap({ type: 'level-start', patch })}
          >
            The second starts levelling
          </Button>
        )}
        <div className="mt-3 grid grid-cols-5 gap-2 [&_button]:px-1 [&_button]:gap-1.5 [&_svg]:shrink-0">
          <Button
            glove
            disabled={settling || !cueDue || current.record?.cueMin !== undefined || isFilm}
            onClick={() => tap({ type: 'cue-seen', patch })}
          >
            <Eye size={22} className="max-xl:hidden" /> Cue seen
          </Button>
          <Button glove onClick={() => setFaulting(inHand)} disabled={record.patches.size === 0}>
            <Flag size={22} /> Fault
          </Button>
          <UndoButton disabled={settling} onTap={tap} />
          <AirButton disabled={settling} onTap={tap} />
          <TowelButton isFilm={isFilm} disabled={settling} onTap={tap} />
        </div>
        <TowelLoaded isFilm={isFilm} />
        <Then current={bySheet} crowded={crowded} />
      </div>
      {faulting === inHand && <FaultDialog current={current} onClose={() => setFaulting(undefined)} onTap={tap} />}
    </section>
  );
});

interface Tapped {
  readonly disabled: boolean;
  readonly onTap: (entry: RunEntry) => void;
}

function UndoButton({ disabled, onTap }: Tapped) {
  const job = useJob('log', 'nameOf', 'record');
  const last = useUndoable(job);
  return (
    <Button
      glove
      title={last && `Takes back: ${entryInWords(last.entry, job.nameOf)}`}
      disabled={disabled || !last}
      onClick={() => last && onTap({ type: 'undo', entry: last.id })}
    >
      <Undo2 size={22} /> Undo
    </Button>
  );
}

/** How much has been levelled with the towel in these hands. */
function useTowel() {
  const me = useMe()?.person?.id;
  return useOfJob(({ record, byOf }) => towelLoad(record, byOf, me));
}

function TowelButton({ isFilm, disabled, onTap }: Tapped & { readonly isFilm: boolean }) {
  const towel = useTowel();
  return (
    <Button
      glove
      look={towel.isLoaded && !isFilm ? 'main' : 'plain'}
      aria-label="Fresh towel"
      title={`Levelled since the last fresh one: ${m2(towel.m2)}`}
      disabled={disabled || isFilm || towel.m2 === 0}
      onClick={() => onTap({ type: 'fresh-towel' })}
    >
      <Layers2 size={22} /> Towel
    </Button>
  );
}

function TowelLoaded({ isFilm }: { readonly isFilm: boolean }) {
  const towel = useTowel();
  if (!towel.isLoaded || isFilm) return null;
  return (
    <p role="status" className="mt-2 text-lg font-semibold text-warn">
      The towel is loaded: {m2(towel.m2)} levelled with it. Take a fresh one.
    </p>
  );
}

/** What comes after the patch in hand. */
function Then({ current, crowded }: { readonly current: SheetPatch; readonly crowded: boolean }) {
  const text = useOfJob(({ sheet, nameOf, productName }) => {
    const next = sheet.patches.find(
      ({ state, patch }) => state === 'todo' && patchKey(patch) !== patchKey(current.patch),
    );
    if (!next) return 'The last patch.';
    const section = next.sections > 1 ? `, section ${next.patch.section} of ${next.sections}` : '';
    return `Then ${nameOf(next.patch.surface)}${section}, with ${productName(next.coat.product)}`;
  });
  return <p className={`mt-3 truncate text-ink-2 ${crowded ? 'max-lg:hidden' : ''}`}>{text}</p>;
}
