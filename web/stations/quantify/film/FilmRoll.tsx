import { useMemo, useState } from 'react';
import { offcutsOf } from '#core/film/cut-plan';
import type { FilmWork } from '#job/film';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { Segmented } from '../../../ui/Segmented';
import { SelectField } from '../../../ui/SelectField';
import { ViewSwitch } from '../ViewSwitch';
import { RollDrawing } from './RollDrawing';
import { RollSide } from './RollSide';
import { rollName } from './roll-words';
import { useFilmWork } from './useFilmWork';
import { useRolls } from './useRolls';

/** How long each roll is tried at a time, s. */
const TRIES = [
  ['10', '10 s'],
  ['30', '30 s'],
  ['120', '2 min'],
] as const;
type Seconds = (typeof TRIES)[number][0];

/** The blanks on the roll: nested as long as one cares to wait, moved by hand, and cut. */
export function FilmRoll() {
  const job = useJob('document');
  const work = useFilmWork(job);
  const [wanted, setWanted] = useState<string>();
  const shown = work.find(({ product }) => product.id === wanted) ?? work[0];
  return (
    <main className="flex h-full min-h-0 flex-col">
      <div className="flex shrink-0 flex-wrap items-end gap-4 border-b bg-sheet px-4 py-2">
        <ViewSwitch />
        {work.length > 1 && (
          <SelectField
            label="Film"
            value={shown!.product.id}
            options={work.map(({ product }) => [product.id, product.name])}
            onChange={setWanted}
          />
        )}
      </div>
      {shown ? (
        <OneFilm key={shown.product.id} work={shown} />
      ) : (
        <p className="p-6 text-ink-2">No panel has film in its stack. Choose what is covered under Film blanks.</p>
      )}
    </main>
  );
}

function OneFilm({ work }: { readonly work: FilmWork }) {
  const job = useJob('document', 'edit', 'stock');
  const rolls = useRolls(job, work);
  const [seconds, setSeconds] = useState<Seconds>('10');
  const { film, shown, working, state } = rolls;
  const roll = film.rolls[shown]!;
  const { nest, onRoll, plan, placements, isCut } = rolls.atWork ?? roll;
  const offcuts = useMemo(() => (state.working ? [] : offcutsOf(plan)), [state.working, plan]);
  const isLaid = film.rolls.some((each) => each.placements.length > 0);
  const canMove = !state.working && !isCut;
  const mayGoOn = canMove && placements.length > 0 && roll.notClear.length === 0;
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 grid-rows-[minmax(14rem,1fr)_minmax(0,1.4fr)] lg:grid-cols-[1fr_25rem] lg:grid-rows-1">
      <div className="flex min-h-0 flex-col bg-sheet">
        {film.rolls.length > 1 && !working && (
          <div className="px-4 pt-3">
            <Segmented
              label="Roll"
              value={String(shown)}
              options={film.rolls.map((each, index) => [String(index), rollName(each, index, rolls.things)])}
              onChange={(value) => rolls.show(Number(value))}
            />
          </div>
        )}
        <RollDrawing
          plan={plan}
          offcuts={offcuts}
          pinned={new Set(nest.pinned)}
          placements={placements}
          lastsMm={onRoll.rollLengthMm}
          flaws={onRoll.blocked}
          onMove={canMove ? rolls.move : undefined}
          onPin={canMove ? rolls.togglePin : undefined}
        />
        <div className="flex flex-wrap items-end gap-3 border-t px-4 py-3">
          {state.working ? (
            <Button onClick={rolls.stop}>Stop and keep</Button>
          ) : (
            <>
              <Button look="main" onClick={() => rolls.nestAnew(Number(seconds))}>
                {isLaid ? 'Nest anew' : 'Nest'}
              </Button>
              {mayGoOn && <Button onClick={() => rolls.goOn(Number(seconds))}>Go on from here</Button>}
            </>
          )}
          <Segmented label="For" value={seconds} options={TRIES} onChange={(value) => value && setSeconds(value)} />
          {state.working && (
            <progress
              className="h-3 flex-1 accent-over"
              value={state.share}
              max={1}
              aria-label="Time given to nesting"
            />
          )}
          <p role="status" className="text-ink-2">
            {rolls.refused ??
              (working
                ? working.of > 1
                  ? `Roll ${working.nth} of ${working.of}: best so far is drawn`
                  : 'Best so far is drawn'
                : isCut
                  ? 'Cut off its roll: nothing of it moves any more'
                  : 'Drag a piece to move it, tap it to pin it')}
          </p>
        </div>
        {state.failed && (
          <p role="alert" className="border-l-4 border-stop bg-stop-soft px-4 py-3">
            {state.failed}
          </p>
        )}
      </div>
      <RollSide work={work} rolls={rolls} seconds={Number(seconds)} />
    </div>
  );
}
