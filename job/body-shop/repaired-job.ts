import type { StandingSurface } from '#core/care/upkeep';
import { usualMethod } from '#core/products/methods';
import { MINUTES_PER_DAY } from '#core/measures';
import { type Job, surfaceName } from '#formats/job';
import type { LogEntry } from '#formats/log';
import type { ProductSheet } from '#formats/shelf';
import { instantAfter, minutesToDay } from '#formats/values';
import { jobAgain, stackOf, type StackLayer } from '#job/return';

/** Laying begins at nine of the first day it may, minutes after midnight. */
const BEGINS_MIN = 9 * 60;

/**
 * What a panel is given so that it matches the rest again: what lay on it itself, else what most panels of its kind
 * have. Only what there still is a sheet of.
 */
export function stackOfRest(
  standing: readonly StandingSurface[],
  id: string,
  sheets: readonly ProductSheet[],
): readonly StackLayer[] {
  const own = standing.find(({ surface }) => surface.id === id);
  if (!own) return [];
  const stacks = new Map<string, { readonly stack: readonly StackLayer[]; panels: number }>();
  const like = standing.filter(({ surface }) => surface.substrate === own.surface.substrate && surface.id !== id);
  for (const subject of like) {
    const stack = stackOf(subject, sheets);
    if (stack.length === 0) continue;
    const key = stack.map(({ product, coats }) => `${product.id} ${coats}`).join();
    const known = stacks.get(key);
    if (known) known.panels += 1;
    else stacks.set(key, { stack, panels: 1 });
  }
  const mine = stackOf(own, sheets);
  if (mine.length > 0) return mine;
  return [...stacks.values()].sort((a, b) => b.panels - a.panels)[0]?.stack ?? [];
}

export interface Repair {
  readonly surface: string;
  /** The day its new paint was laid, as 2027-03-31. */
  readonly refinishedOn: string;
  readonly stack: readonly StackLayer[];
}

/**
 * A panel back from the body shop: new paint, nothing known of its clear, nothing on it; given what the rest has once
 * the paint has breathed as long as the sheets of the stack say. Everything else on the item stays as it is.
 * @throws RangeError for a panel there is not
 */
export function repairedJob(job: Job, log: readonly LogEntry[], { surface: id, refinishedOn, stack }: Repair): Job {
  const panel = job.surfaces.find((each) => each.id === id);
  if (!panel) throw new RangeError(`there is no panel ${id}`);
  const breathesDays = Math.max(0, ...stack.map(({ product }) => product.freshPaintDays));
  const fromMin = minutesToDay(job.startAt, refinishedOn) + breathesDays * MINUTES_PER_DAY + BEGINS_MIN;
  const what = `${surfaceName(panel).toLowerCase()} repaired`;
  const again = jobAgain(job, log, { what, startAt: instantAfter(job.startAt, fromMin) });
  const others = again.surfaces.filter((surface) => surface.id !== id);
  return {
    ...again,
    // Nothing is done at the rest of the item: it is not washed for the sake of one panel.
    prepare: {
      ...again.prepare,
      scope: others.map((surface) => ({
        surface: surface.id,
        state: 'excluded' as const,
        reason: 'not of this repair',
      })),
    },
    products: stack
      .map(({ product }) => product)
      .filter(({ id: of }, nth, all) => all.findIndex((p) => p.id === of) === nth),
    surfaces: again.surfaces.map((surface) => {
      if (surface.id !== id) return surface;
      const { existingTold, clearBefore, clearUm, marks, hardness, ...kept } = surface;
      return {
        ...kept,
        paint: surface.paint === 'single-stage' ? 'single-stage' : 'refinished',
        refinishedOn,
        existing: [],
        layers: stack.map(({ product, coats }) => ({ product: product.id, coats, method: usualMethod(product) })),
      };
    }),
  };
}
