import type { Patch, RunEntry } from '#core/lay/run';
import { COATING_TOWEL_M2 } from '#core/products/quantity';
import { layOut, type SheetAction } from '#core/lay/run-sheet';
import type { Job } from '#formats/job';
import type { NewEntry } from '#formats/log';
import { instantAfter } from '#formats/values';
import { planInput } from '#job/plan';

interface Moment {
  readonly atMin: number;
  readonly entry: RunEntry;
}

const actionsOf = (job: Job) => layOut(planInput(job)).actions;

function momentsOf(
  { does, coat, copy, section, sections, areaM2, amount, startMin, endMin }: SheetAction,
  batches: ReadonlyMap<string, string>,
): Moment[] {
  const patch: Patch = { surface: coat.surface.id, layer: coat.layer, coat: coat.coat, copy, section };
  if (does === 'level') {
    return [
      { atMin: startMin, entry: { type: 'level-start', patch } },
      { atMin: endMin, entry: { type: 'level-end', patch } },
    ];
  }
  const batch = batches.get(coat.product.id);
  const start = { product: coat.product.id, sections, areaM2, amount: amount!, ...(batch && { batch }) };
  return [
    { atMin: startMin, entry: { type: 'lay-start', patch, start } },
    { atMin: endMin, entry: { type: 'lay-end', patch } },
  ];
}

/**
 * What the log of a job says if it went as its run sheet has it, as far as `untilMin`.
 * @param batches of the bottles it is laid from, by product
 */
export function playedLog(job: Job, untilMin: number, batches: ReadonlyMap<string, string> = new Map()): NewEntry[] {
  const actions = actionsOf(job);
  const taps = actions
    .flatMap((action) => momentsOf(action, batches))
    .filter(({ atMin }) => atMin <= untilMin)
    .sort((a, b) => a.atMin - b.atMin)
    .map(({ atMin, entry }, index) => ({ id: `played-${index + 1}`, atMin, entry }));
  const towels = freshTowels(actions)
    .filter((atMin) => atMin <= untilMin)
    .map((atMin, index) => ({ id: `towel-${index + 1}`, atMin, entry: { type: 'fresh-towel' } as const }));
  return [...taps, ...towels]
    .sort(
      (a, b) => a.atMin - b.atMin || Number(b.entry.type === 'fresh-towel') - Number(a.entry.type === 'fresh-towel'),
    )
    .map(({ id, atMin, entry }) => ({ id, at: instantAfter(job.startAt, atMin), entry }));
}

/** When a fresh towel is taken: before the patch that would be one too many for the one in hand. */
function freshTowels(actions: readonly SheetAction[]): number[] {
  let m2 = 0;
  return actions
    .filter(({ does }) => does === 'level')
    .sort((a, b) => a.startMin - b.startMin)
    .flatMap(({ startMin, areaM2 }) => {
      const isFull = m2 + areaM2 > COATING_TOWEL_M2;
      m2 = isFull ? areaM2 : m2 + areaM2;
      return isFull ? [startMin] : [];
    });
}

/** Minutes from the start of a job to the end of laying its `nth` patch (from 1), if it goes by its run sheet. */
export function layEndOf(job: Job, nth: number): number {
  const ends = actionsOf(job)
    .filter(({ does }) => does === 'lay')
    .map(({ endMin }) => endMin)
    .sort((a, b) => a - b);
  return ends[Math.min(nth, ends.length) - 1]!;
}
