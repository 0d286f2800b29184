import { begins, type JobDays } from '#core/schedule/days';
import type { Plan } from '#core/plan/job';
import type { Job } from '#formats/job';
import type { CalendarEvent } from '#formats/calendar';
import { instantAfter } from '#formats/values';
import type { CuringDates } from './curing-dates';

/** Minutes a visit to bring an item takes. */
const BRING_MIN = 15;

/**
 * The dates of a job that matter to its owner: when to bring it, when to fetch it, until when it stays dry, when it may
 * be washed, when it is hard. Those that never come are left out.
 */
export function ownerDates(
  document: Pick<Job, 'title' | 'item' | 'startAt'>,
  { waterSafeMin }: Pick<Plan, 'waterSafeMin'>,
  days: JobDays,
  { firstWashMin: washMin, hardMin }: CuringDates,
): CalendarEvent[] {
  const { startAt } = document;
  const item = document.item?.name ?? document.title;
  const at = (minutes: number) => instantAfter(startAt, minutes);
  const handover = days.blocks.find(({ kind }) => kind === 'hand-over');
  const { handedOverMin } = days;
  return [
    { key: 'bring', title: `Bring it: ${item}`, from: startAt, until: at(BRING_MIN) },
    ...(handover && handedOverMin !== null
      ? [
          {
            key: 'hand-over',
            title: `Fetch it: ${item}`,
            from: at(begins(handover)),
            until: at(handedOverMin),
            says: 'It is looked over together, and what to mind is explained.',
          },
        ]
      : []),
    ...(handedOverMin !== null && waterSafeMin !== null && waterSafeMin > handedOverMin
      ? [
          {
            key: 'dry',
            title: `Keep it dry: ${item}`,
            from: at(handedOverMin),
            until: at(waterSafeMin),
            says: 'No rain, no dew, no washing: it stands under a roof.',
          },
        ]
      : []),
    ...(washMin !== null
      ? [
          {
            key: 'first-wash',
            title: `May be washed from today: ${item}`,
            from: at(washMin),
            allDay: true,
            says: 'By hand, with a mild shampoo; no brushes.',
          },
        ]
      : []),
    ...(hardMin !== null
      ? [{ key: 'hard', title: `Fully hard from today: ${item}`, from: at(hardMin), allDay: true }]
      : []),
  ];
}
