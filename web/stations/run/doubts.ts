import type { CoatWindow } from '#core/plan/job';
import type { Question } from '../../bay/AskFirst';
import { span } from '../../ui/moments';

/** Before this share of the wait has passed, levelling is long before its window. Engineering default. */
const LONG_BEFORE_SHARE = 0.5;
/** A wait shorter than this is not worth a question, minutes. */
const WORTH_ASKING_MIN = 0.5;

/** Minutes until its window opens, where levelling now would be long before it; undefined: nothing to ask. */
function longBeforeMin({ levelFromMin }: Pick<CoatWindow, 'levelFromMin'>, ageMin: number): number | undefined {
  if (levelFromMin === null) return undefined;
  const leftMin = levelFromMin - ageMin;
  return ageMin < LONG_BEFORE_SHARE * levelFromMin && leftMin > WORTH_ASKING_MIN ? leftMin : undefined;
}

/** Asked before levelling long before the window; undefined: it is not too early. */
export function tooEarly(
  window: Pick<CoatWindow, 'levelFromMin'>,
  ageMin: number,
  onSure: () => void,
): Question | undefined {
  const waitMin = longBeforeMin(window, ageMin);
  return waitMin === undefined
    ? undefined
    : {
        title: 'Too early to level',
        says: `Its window opens in ${span(waitMin)}. Wiped now, most of the product comes off with the towel.`,
        not: 'Wait',
        sure: 'Level it now',
        onSure,
      };
}
