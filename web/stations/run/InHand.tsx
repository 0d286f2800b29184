import isEqual from 'fast-deep-equal';
import { memo, useCallback, useMemo, useState } from 'react';
import { SUBSTRATES } from '#core/item/substrates';
import { MS_PER_MIN } from '#core/measures';
import { answerKey, cutInto, mayBeCut, patchKey, patchWindow, type SheetPatch, windowState } from '#core/lay/run';
import { useJob, useJobThen, useOfJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { AskFirst, type Question } from '../../bay/AskFirst';
import { bottleLine } from '#job/checklist';
import { m2 } from '../../ui/measures';
import { tooEarly } from './doubts';
import { LiveWindow } from '../../window/LiveWindow';
import { WindowDrawing } from '../../window/WindowDrawing';
import { windowTimes } from '../../window/window-times';
import { amountInHand } from '../../material/product-words';
import { SmallButtons, Then, TowelLoaded } from './BelowInHand';
import { batchInHand, Bottle } from './Bottle';
import { CountLine } from './CountLine';
import { FaultDialog } from './FaultDialog';
import { Feed } from '../../material/Feed';
import { FilmSteps } from './FilmSteps';
import { FirstCaution } from './FirstCaution';
import { Lesson } from './Lesson';
import { entryFor, instructionFor, signalsDue } from './instruction';
import { useSignals, useSpoken } from './signals';
import { useSound } from './sound';
import { useSteady } from '../../ui/useSteady';
import { ageAtTap, useAge } from './useAge';
import { useTap } from '../../bay/useTap';
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
  const [question, setQuestion] = useState<Question>();
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
  // Where a bottle is opened: until the first section of it lies.
  const isFirst = !laid && ![...record.patches.values()].some(({ start }) => start.product === product.id);
  // Before its turn, give or take, it is told that it is early.
  const ageMin = useAge(document.startAt, current.record?.layStartMin ?? current.startMin - EARLY_MIN, window);
  const state = windowState(window, laid ? ageMin : 0);
  const instruction = instructionFor(current.state, state, isFilm)!;
  useSignals(inHand, laid && current.state !== 'laying' ? signalsDue(state) : [], sound !== 'off');
  const times = useMemo(() => windowTimes(window), [window]);
  const early = !laid && ageMin < 0;
  const patch = useSteady(current.patch, isEqual);
  const onFault = useCallback(() => setFaulting(inHand), [inHand]);
  const where = partOf(job, current);
  const name = job.nameOf(patch.surface);
  useSpoken([instruction.verb, name, where].filter((each) => each !== '').join(', '), sound);
  /** What the large button does: asked once more where hands would regret it. */
  const go = () => {
    const then = jobThen();
    const batch = batchInHand(then, product.id);
    const does = () => tap(entryFor(instruction.logs, current, surface.surfaceC, batch));
    const line = bottleLine(product.id);
    const isAnswered = record.answers.has(answerKey('gate', line));
    const hasBottles = then.stock?.kinds.some(({ of, things }) => of === product.id && things.length > 0) === true;
    const soon =
      instruction.logs === 'level-start' ? tooEarly(window, ageAtTap(document.startAt, startMin), does) : undefined;
    if (instruction.logs === 'lay-start' && !isFilm && hasBottles && batch === undefined && !isAnswered)
      setQuestion({
        title: `No bottle of ${product.name} in hand`,
        says: 'Nobody will know which batch is on it, and the stock stays as it was.',
        not: 'Take one first',
        sure: 'Lay without',
        onSure: () => {
          tap({ type: 'answered', list: 'gate', line, answer: 'without' });
          does();
        },
      });
    else if (soon) setQuestion(soon);
    else does();
  };
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
        {isFirst && <FirstCaution product={product} />}
        {mayCut && !isFilm && <SectionsByHand first={current} onCut={(sections) => setCut({ of: inHand, sections })} />}
        {SUBSTRATES[surface.substrate].matte && !isFilm && (
          <p className="mt-1 text-lg text-warn">
            Satin or matte: one go, no seams, plenty of product. Never polish it.
          </p>
        )}
      </div>
      {/* Out of reach while a finger may bounce: as one, so that no button is drawn anew for it. */}
      <fieldset disabled={settling} className="contents">
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
          <Meanwhile current={current} others={others} onTap={tap} />
          <Lesson product={product.id} />
        </div>
        <div className="sticky bottom-0 shrink-0 bg-paper px-6 pb-4 pt-3">
          <Button
            look={instruction.due && !early ? 'main' : 'plain'}
            glove
            className={`w-full text-[2rem] ${crowded ? 'min-h-22' : 'min-h-28'}`}
            onClick={go}
          >
            {instruction.action}
          </Button>
          {current.state === 'laying' && document.crew.mode === 'pair' && (
            <Button glove className="mt-3 min-h-20 w-full text-2xl" onClick={() => tap({ type: 'level-start', patch })}>
              The second starts levelling
            </Button>
          )}
          <SmallButtons
            patch={patch}
            isFilm={isFilm}
            mayBeSeen={cueDue && current.record?.cueMin === undefined && !isFilm}
            mayBeFaulty={record.patches.size > 0}
            onTap={tap}
            onFault={onFault}
          />
          <TowelLoaded isFilm={isFilm} />
          <Then current={bySheet} crowded={crowded} />
        </div>
      </fieldset>
      {question && <AskFirst question={question} onClose={() => setQuestion(undefined)} />}
      {faulting === inHand && <FaultDialog current={current} onClose={() => setFaulting(undefined)} onTap={tap} />}
    </section>
  );
});
