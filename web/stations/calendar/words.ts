import type { Move } from '#core/schedule/calendar';
import { clock, moment, span } from '../../ui/moments';
import type { ShopCalendarView } from './useShopCalendar';

/** What moved and why, in a sentence. */
export function moveInWords({ id, was, is, why }: Move, shop: ShopCalendarView): string {
  const later = is.toMin - was.toMin;
  const how =
    is.fromMin === was.fromMin
      ? `ends ${moment(shop.at(is.toMin))} instead of ${clock(shop.at(was.toMin))}`
      : `${moment(shop.at(is.fromMin))}, ${span(Math.abs(later))} ${later >= 0 ? 'later' : 'earlier'}`;
  return `${shop.nameOf(id)}: ${how}, ${reason(why, shop)}.`;
}

function reason(why: Move['why'], shop: ShopCalendarView): string {
  switch (why.code) {
    case 'closed':
      return `because ${why.uses
        .map(shop.resourceName)
        .filter((name, at, all) => all.indexOf(name) === at)
        .join(' and ')} cannot then`;
    case 'waits':
      return `because it waits for ${shop.nameOf(why.task)}`;
    case 'together':
      return `because ${shop.nameOf(why.task)} has to follow it soon`;
    case 'taken':
      return `because ${shop.resourceName(why.resource)} has ${shop.nameOf(why.task)} then`;
    case 'moved':
      return 'as it was put';
  }
}

/** What moves by itself, each with the later steps of its job that only follow it. */
export function movesTogether(
  moves: readonly Move[],
  shop: Pick<ShopCalendarView, 'shop'>,
): { readonly move: Move; readonly along: readonly Move[] }[] {
  const jobOf = (id: string) => shop.shop.steps.get(id)?.job.id;
  const roots = new Map<string | undefined, { move: Move; along: Move[] }>();
  const told: { move: Move; along: Move[] }[] = [];
  for (const move of moves) {
    const root = roots.get(jobOf(move.id));
    if (root && move.why.code === 'waits' && jobOf(move.why.task) === jobOf(move.id)) root.along.push(move);
    else {
      const own = { move, along: [] };
      roots.set(jobOf(move.id), own);
      told.push(own);
    }
  }
  return told;
}

/** Why something cannot be, with names instead of ids. */
export const whyInWords = (why: string, shop: ShopCalendarView): string =>
  why.replaceAll(/“([^”]*)”/g, (_, id: string) => (id.includes('/') ? `“${shop.nameOf(id)}”` : shop.resourceName(id)));
