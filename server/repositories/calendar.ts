import { NO_CALENDAR, type ShopCalendar } from '#formats/schedule';
import type { Db } from '../db/open';
import { shopSettingsRepository } from './shop-settings';

/** Where it is kept among what is set for the whole workshop, the edition before it, and the last one of an earlier day. */
const KEPT = 'calendar';
const BEFORE = 'calendar-before';
const EARLIER = 'calendar-earlier';

export interface KeptCalendar {
  readonly version: number;
  readonly calendar: ShopCalendar;
  /** When it was agreed; undefined: before that was kept. */
  readonly at?: string | undefined;
}

/** The calendar of the workshop: one, with the edition before it. */
export function calendarRepository(db: Db) {
  const settings = shopSettingsRepository(db);
  // What was kept before something was added to it has none of that.
  const whole = (kept: KeptCalendar | undefined) => kept && { ...kept, calendar: { ...NO_CALENDAR, ...kept.calendar } };
  const get = (): KeptCalendar =>
    whole(settings.get(KEPT) as KeptCalendar | undefined) ?? { version: 0, calendar: NO_CALENDAR };
  return {
    get,
    before: () => whole(settings.get(BEFORE) as KeptCalendar | undefined),
    earlier: () => whole(settings.get(EARLIER) as KeptCalendar | undefined),
    /** @param isNewDay what stands now was agreed on an earlier day than the next */
    put(next: KeptCalendar, isNewDay: boolean): void {
      if (isNewDay) settings.put(EARLIER, get());
      settings.put(BEFORE, get());
      settings.put(KEPT, next);
    },
  };
}
