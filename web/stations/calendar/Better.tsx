import { useEffect, useRef, useState } from 'react';
import type { Scheduled } from '#core/schedule/calendar';
import { Button } from '../../ui/Button';
import { span } from '../../ui/moments';
import { inWorker } from '../../work/in-worker';
import type { CalendarAnswer, CalendarRequest } from './calendar.worker';
import type { ShopCalendarView } from './useShopCalendar';

/** So long somebody waits for a better week, s. */
const SECONDS = 20;

const lateOf = ({ lateMin }: Pick<Scheduled, 'lateMin'>) => [...lateMin.values()].reduce((sum, min) => sum + min, 0);

/** A week worked out anew, whatever has to move for it: beside the one with the fewest moves. */
export function Better({ shop }: { readonly shop: ShopCalendarView }) {
  const [found, setFound] = useState<{ readonly of: unknown; readonly best: Scheduled; readonly isDone: boolean }>();
  const [failed, setFailed] = useState<string>();
  const callOff = useRef<() => void>(undefined);
  useEffect(() => () => callOff.current?.(), [shop.shop]);
  const own = found?.of === shop.shop ? found : undefined;
  const isWorking = own !== undefined && !own.isDone;
  const start = () => {
    setFailed(undefined);
    const of = shop.shop;
    const worker = new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' });
    callOff.current = inWorker<CalendarRequest, Scheduled, CalendarAnswer>(
      worker,
      { asked: of.asked, seconds: SECONDS },
      {
        onNews: (best) => setFound({ of, best, isDone: false }),
        onAnswer: ({ scheduled, solverFailed }) => {
          setFound({ of, best: scheduled, isDone: true });
          if (solverFailed !== undefined) setFailed(`The solver could not be asked: ${solverFailed}`);
        },
        onFailed: setFailed,
      },
    );
  };
  const late = lateOf(shop.drawn);
  const places = new Map(shop.drawn.tasks.map((task) => [task.id, task.fromMin]));
  const moves =
    own?.best.tasks.filter(({ id, fromMin }) => shop.shop.steps.has(id) && places.get(id) !== fromMin).length ?? 0;
  return (
    <section aria-label="Another week" className="border bg-sheet p-3">
      <h2 className="font-semibold">Worked out anew</h2>
      {own ? (
        <p role="status" className="mt-1 text-[14px]">
          {isWorking ? 'So far: ' : own.best.proven ? 'Nothing better exists: ' : 'The best found: '}
          {lateOf(own.best) === 0 ? 'every promise kept' : `${span(lateOf(own.best))} late in all`}, {moves}{' '}
          {moves === 1 ? 'step' : 'steps'} elsewhere than now
          {!isWorking && lateOf(own.best) >= late && '; no less late than the week as it is'}.
        </p>
      ) : (
        <p className="mt-1 text-[14px] text-ink-2">
          The week shown moves as little as it can. Worked out anew it may be less late, and move more.
        </p>
      )}
      {failed && (
        <p role="alert" className="mt-1 text-stop">
          {failed}
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {isWorking ? (
          <Button
            onClick={() => {
              callOff.current?.();
              setFound({ ...own, isDone: true });
            }}
          >
            Enough
          </Button>
        ) : (
          <Button onClick={start}>Work it out</Button>
        )}
        {own && moves > 0 && (
          <Button
            look="main"
            onClick={() => {
              callOff.current?.();
              shop.look(own.best.tasks);
            }}
          >
            Show it
          </Button>
        )}
      </div>
    </section>
  );
}
