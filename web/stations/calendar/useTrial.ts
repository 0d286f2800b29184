import { useState } from 'react';
import { mayPut, type Put } from '#core/schedule/calendar';
import { instantAfter } from '#formats/values';
import type { ShopCalendarView } from './useShopCalendar';

interface Tried {
  readonly id: string;
  readonly atMin: number;
  readonly put: Put;
  /** It was let go there, and could not stay. */
  readonly isRefused: boolean;
}

/** A step that is taken somewhere else by hand: whether it may stand there, while it is on its way. */
export function useTrial(shop: ShopCalendarView) {
  const [now, setNow] = useState<Tried>();
  const judged = (id: string, atMin: number): Put => mayPut(shop.shop.asked, shop.drawn.tasks, id, atMin);
  return {
    now,
    look(id: string, atMin: number) {
      if (now?.id === id && now.atMin === atMin) return;
      setNow({ id, atMin, put: judged(id, atMin), isRefused: false });
    },
    /** Puts it there for good, or says why not and where it would go. */
    put(id: string, atMin: number) {
      const put = judged(id, atMin);
      if (!put.holds) return setNow({ id, atMin, put, isRefused: true });
      setNow(undefined);
      const task = shop.drawn.tasks.find((each) => each.id === id)!;
      const from = instantAfter(shop.shop.startAt, atMin);
      const to = instantAfter(shop.shop.startAt, atMin + task.toMin - task.fromMin);
      const rest = shop.calendar.plan.filter((place) => place.task !== id);
      shop.change({ ...shop.calendar, plan: [...rest, { task: id, from, to, uses: [...task.uses], pinned: true }] });
    },
    end: () => setNow((before) => (before?.isRefused ? before : undefined)),
    forget: () => setNow(undefined),
  };
}
export type Trial = ReturnType<typeof useTrial>;
