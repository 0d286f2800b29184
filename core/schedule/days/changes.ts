/** When something was to be done, by an earlier plan or by this one. */
export interface Agreed {
  readonly key: string;
  readonly fromMin: number;
  readonly untilMin: number;
}

export interface DayChange {
  readonly key: string;
  readonly was: Agreed | undefined;
  readonly is: Agreed | undefined;
  /** Minutes its end is later; negative: earlier. Undefined where it is new, or gone. */
  readonly laterMin: number | undefined;
}

/** A smaller shift is no change anybody would call about, minutes. */
export const SHIFT_TOLD_MIN = 15;

/** What is otherwise than it was agreed, in the order of the plan; what is gone comes last. */
export function dayChanges(before: readonly Agreed[], now: readonly Agreed[]): DayChange[] {
  const was = new Map(before.map((agreed) => [agreed.key, agreed]));
  const is = new Map(now.map((agreed) => [agreed.key, agreed]));
  const moved = now.flatMap((agreed): DayChange[] => {
    const earlier = was.get(agreed.key);
    const laterMin = earlier && agreed.untilMin - earlier.untilMin;
    if (earlier && Math.max(Math.abs(laterMin!), Math.abs(agreed.fromMin - earlier.fromMin)) < SHIFT_TOLD_MIN)
      return [];
    return [{ key: agreed.key, was: earlier, is: agreed, laterMin }];
  });
  const gone = before.filter(({ key }) => !is.has(key));
  return [...moved, ...gone.map((agreed) => ({ key: agreed.key, was: agreed, is: undefined, laterMin: undefined }))];
}
