import { Check, Play, Square } from 'lucide-react';
import { Suspense, useCallback, useMemo, useState } from 'react';
import { jobToChoose, wishesOf } from '#job/choose';
import { changeWishes, type Edit, setStacks } from '#job/edit';
import { toPlan } from '#job/offers';
import { Part, Station } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { ViewSwitch } from '../ViewSwitch';
import { Beside } from './Beside';
import { ChoiceSums } from './ChoiceSums';
import { FellAway } from './FellAway';
import { LifeAxis } from './LifeAxis';
import { type GivePanel, OnPanel } from './OnPanel';
import { PointRow } from './PointRow';
import { WishesForm } from './WishesForm';
import { changesOf, CHOICE_LEGEND, proposalLens } from './proposal-lens';
import { useChoice } from './useChoice';
import { later } from '../../../ui/later';

const FrontierChart = later(() => import('./FrontierChart'));

/** What to lay where: for the whole item at once, as a frontier to choose from. */
export function Choose() {
  const job = useJob('chosen', 'document', 'draft', 'edit', 'laid', 'productName', 'shelf');
  const { document, shelf, edit, chosen, laid } = job;
  const { state, start, stop } = useChoice();
  const [at, setAt] = useState(0);
  const { points, answer } = state;
  const [besideAt, setBesideAt] = useState<number>();
  const point = points[Math.min(at, points.length - 1)];
  const against = besideAt === undefined || points[besideAt] === point ? undefined : points[besideAt];
  const lens = useMemo(() => proposalLens(job, point, against), [job, point, against]);
  const find = (of = document) => {
    setAt(0);
    setBesideAt(undefined);
    const pinned = [...new Set([...(of.wishes?.pinned ?? []), ...laid])];
    const asked = { ...of, wishes: { ...of.wishes, pinned } };
    start({ job: jobToChoose(asked, [...shelf]), wishes: wishesOf(of) });
  };
  /** One panel is given by hand, or given free again: what was found is found anew around it. */
  const give: GivePanel = (id, layers) => {
    const others = (document.wishes?.pinned ?? []).filter((each) => each !== id);
    const change: Edit = (draft) => {
      const pinned = changeWishes({ pinned: layers ? [...others, id] : others })(draft);
      return layers ? setStacks(toPlan([{ id, layers }], shelf, laid), shelf)(pinned) : pinned;
    };
    edit(change);
    if (points.length > 0) find(change(job.draft).document);
  };
  const take = () => {
    if (!point) return;
    edit(setStacks(toPlan(point.surfaces, shelf, laid), shelf));
  };
  const changes = point ? changesOf(job, point) : 0;
  const onChoose = useCallback((index: number) => setAt(index), []);
  return (
    <Station lens={lens} legend={CHOICE_LEGEND} lensName="by what would go on top" headline={<ViewSwitch />}>
      {chosen ? (
        <OnPanel point={point} points={points} onGive={give} />
      ) : (
        <>
          <section className="border-b bg-sheet px-5 py-4" aria-label="The choice">
            {state.working ? (
              <div role="status">
                <p className="font-semibold">
                  {state.done === 0 ? 'Looking for the best …' : `${state.done} of ${state.of} looked for`}
                  {state.done === 0 &&
                    state.gap !== undefined &&
                    ` within ${(100 * state.gap).toFixed(0)} % of it so far`}
                </p>
                <progress className="mt-1 h-2 w-full accent-(--over)" value={state.done} max={Math.max(1, state.of)} />
                <Button className="mt-2" onClick={stop}>
                  <Square size={15} /> Stop: what is found is enough
                </Button>
              </div>
            ) : (
              <Button
                look="main"
                className="min-h-11 w-full"
                disabled={document.surfaces.length === 0}
                onClick={() => find()}
              >
                <Play size={17} /> {points.length === 0 ? 'Find what to lay where' : 'Find anew'}
              </Button>
            )}
            {state.failed && (
              <p role="alert" className="mt-2 border-l-4 border-stop bg-stop-soft px-3 py-2">
                Not worked out: {state.failed}. Nothing in the job was changed.
              </p>
            )}
            {answer && points.length === 0 && (
              <p role="alert" className="mt-2 border-l-4 border-warn bg-warn-soft px-3 py-2">
                These wishes cannot be met together. Give more money or hours, let it last less, or allow test spots and
                more products.
              </p>
            )}
            {answer?.honest.map((words) => (
              <p key={words} className="mt-2 border-l-4 border-warn pl-3 text-[14px]">
                {words}
              </p>
            ))}
          </section>
          {points.length > 0 && point && (
            <>
              <Part title="The frontier">
                <Suspense fallback={<div className="h-52" />}>
                  <FrontierChart
                    points={points}
                    chosen={points.indexOf(point)}
                    currency={document.currency}
                    onChoose={onChoose}
                  />
                </Suspense>
                <div role="radiogroup" aria-label="Choices" className="mt-2 border-t">
                  {points.map((each, index) => (
                    <PointRow
                      key={index}
                      point={each}
                      currency={document.currency}
                      on={each === point}
                      onChoose={() => setAt(index)}
                    />
                  ))}
                </div>
              </Part>
              <Part title="This choice">
                <ChoiceSums point={point} answer={answer} />
                <Button look="main" className="mt-3 w-full" disabled={changes === 0} onClick={take}>
                  <Check size={17} />{' '}
                  {changes === 0
                    ? 'Planned like this already'
                    : `Plan it like this: ${changes} ${changes === 1 ? 'panel changes' : 'panels change'}`}
                </Button>
              </Part>
              <Beside
                point={point}
                points={points}
                against={against}
                onAgainst={(other) => setBesideAt(other && points.indexOf(other))}
              />
              <LifeAxis point={point} />
              {answer && <FellAway answer={answer} />}
            </>
          )}
          <WishesForm />
        </>
      )}
    </Station>
  );
}
