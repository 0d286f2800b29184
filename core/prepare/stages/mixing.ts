import type { PrepareSettings, PrepStep } from './panel-case';
import { isDone } from './panel-case';
import { rinseFault } from './site';

/**
 * Acid and alkaline never meet: where both are due on a panel, one after the other, the first is rinsed off before the
 * second; where nothing can be rinsed the second is not done.
 */
export function noMixing(steps: readonly PrepStep[], settings: PrepareSettings): PrepStep[] {
  let before: { readonly ph: 'acid' | 'alkaline'; readonly name: string; readonly rinsed: boolean } | undefined;
  return steps.map((step): PrepStep => {
    const { cleaner } = step;
    if (!isDone(step) || !cleaner?.ph || cleaner.ph === 'neutral') return step;
    const { ph, name } = cleaner;
    const met = before && before.ph !== ph ? before : undefined;
    before = { ph, name, rinsed: rinseFault(step.kind, settings) === undefined };
    if (!met) return step;
    const together = `${met.name} is ${met.ph} and ${name} ${ph}`;
    return met.rinsed
      ? { ...step, mind: `${together}: rinsed off fully before, never mixed` }
      : { ...step, impossible: `${together}, and nothing can be rinsed between them here` };
  });
}
