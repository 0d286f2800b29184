import type { CareDays } from '#core/care/upkeep';
import type { Job } from '#formats/job';

/** How often an item is to be looked after by what is agreed for the job, days; what is not agreed is left out. */
export const agreedCare = ({ care }: Pick<Job, 'care'>): CareDays => ({
  ...(care?.washDays !== undefined && { wash: care.washDays }),
  ...(care?.topperDays !== undefined && { topper: care.topperDays }),
  ...(care?.boosterDays !== undefined && { booster: care.boosterDays }),
  ...(care?.inspectionDays !== undefined && { inspection: care.inspectionDays }),
});
