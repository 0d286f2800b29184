import { useMemo, useState } from 'react';
import { type Move, type PlacedTask, redraw, type Redrawn } from '#core/schedule/calendar';
import type { Bay } from '#formats/job';
import type { CalendarView, ShopCalendar } from '#formats/schedule';
import { instantAfter } from '#formats/values';
import { asKept, bayOf, personOf, shopCase, type ShopSources, stepName, toolOf } from '#job/calendar';
import { errorText, useSaveCalendarMutation } from '../../app/api';

/** What is under way goes on minute by minute: a smaller shift is no change anybody would call about. */
const SHIFT_TOLD_MIN = 15;

const isTold = ({ was, is, why }: Move): boolean =>
  Math.max(Math.abs(is.fromMin - was.fromMin), Math.abs(is.toMin - was.toMin)) >= SHIFT_TOLD_MIN ||
  (why.code !== 'moved' && was.uses.some((id) => !is.uses.includes(id)));

/** The calendar as it stands with what is being changed, redrawn with the fewest moves. */
export function useShopCalendar(view: CalendarView, bays: readonly Bay[]) {
  /** What somebody is changing, until it is agreed to or dropped; of which edition. */
  const [draft, setDraft] = useState<{ readonly version: number; readonly calendar: ShopCalendar }>();
  /** Where all might stand instead, to be looked at; with which calendar. */
  const [found, setFound] = useState<{ readonly tasks: readonly PlacedTask[]; readonly with: ShopCalendar }>();
  const [save, { error, isLoading: isSaving, reset }] = useSaveCalendarMutation();
  const calendar = draft?.calendar ?? view.calendar;
  const sources: ShopSources = useMemo(
    () => ({ calendar, jobs: view.jobs, bays, now: view.now }),
    [calendar, view.jobs, view.now, bays],
  );
  const shop = useMemo(() => shopCase(sources), [sources]);
  const sought = found?.with === calendar ? found.tasks : undefined;
  const drawn: Redrawn = useMemo(() => {
    const whole = redraw(shop.asked, shop.stood, { sought });
    return { ...whole, moves: whole.moves.filter(isTold) };
  }, [shop, sought]);
  const isAgreed =
    view.version > 0 &&
    draft === undefined &&
    drawn.moves.length === 0 &&
    sought === undefined &&
    drawn.tasks.every(({ id }) => !shop.steps.has(id) || shop.stood.some((place) => place.id === id));
  return {
    view,
    calendar,
    sources,
    shop,
    drawn,
    isDraft: draft !== undefined || sought !== undefined,
    isAgreed,
    isSaving,
    error: error && errorText(error),
    at: (min: number) => instantAfter(shop.startAt, min),
    nameOf(id: string): string {
      const of = shop.steps.get(id);
      const coming = calendar.ordered.find((each) => id.endsWith(`:${each.id}`));
      if (coming) return `the delivery of ${coming.name}`;
      return of ? `${of.job.title}: ${stepName(of.step)}` : id;
    },
    resourceName: (id: string): string =>
      bays.find((bay) => id === bayOf(bay.id) || id === `open:${bay.id}`)?.name ??
      calendar.people.find((person) => id === personOf(person.id))?.name ??
      calendar.tools.find((tool) => id === toolOf(tool.id))?.name ??
      'the workshop',
    change(next: ShopCalendar) {
      reset();
      // What was being looked at is looked at with it.
      setFound(sought && { tasks: sought, with: next });
      setDraft({ version: draft?.version ?? view.version, calendar: next });
    },
    /** Looks at all of it standing elsewhere, with another calendar or the one there is. */
    look(tasks: readonly PlacedTask[], next: ShopCalendar = calendar) {
      reset();
      if (next !== calendar) setDraft({ version: draft?.version ?? view.version, calendar: next });
      setFound({ tasks, with: next });
    },
    drop() {
      reset();
      setFound(undefined);
      setDraft(undefined);
    },
    /** Keeps all of it as it is drawn. */
    async agree() {
      const plan = asKept(shop, drawn.tasks, calendar.plan);
      const answer = await save({ version: draft?.version ?? view.version, body: { ...calendar, plan } });
      if ('data' in answer) {
        setFound(undefined);
        setDraft(undefined);
      }
    },
  };
}
export type ShopCalendarView = ReturnType<typeof useShopCalendar>;
