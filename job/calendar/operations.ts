import { MINUTES_PER_HOUR } from '#core/measures';
import { ADDED_MIN } from '#core/schedule/hours';
import { type Hours, inOrder, minutesWithin, SAME_MOMENT_MIN } from '#core/plan/crew';
import { begins, type DayBlock, ends } from '#core/schedule/days';
import type { Plan } from '#core/plan/job';
import type { Job, Operation } from '#formats/job';
import { instantAfter } from '#formats/values';

/** Steps of preparation: the first of them begins with setting up. */
const PREPARED: ReadonlySet<DayBlock['kind']> = new Set(['clean', 'correct', 'wipe']);

/**
 * Laying that its own days go on with after a night may be: coat by coat, and what is wet is levelled before. Else it is
 * done in one go.
 */
const isPaused = (block: Step, min: number) => ends(block) - begins(block) > min + PAUSE_MIN;
const PAUSE_MIN = 2 * MINUTES_PER_HOUR;

/**
 * What is still to be done of a job, as steps of the workshop's calendar: how long each takes, how many people, what it
 * waits for, and until when it may.
 * @param blocks the days of the job by itself
 * @param plan at the times of those days
 * @param people when each of them is there
 */
export function operationsOf(
  { startAt, products }: Pick<Job, 'startAt' | 'products'>,
  blocks: readonly DayBlock[],
  plan: Plan,
  people: readonly Hours[],
): Operation[] {
  const there = inOrder(people.flat());
  const sheets = new Map(products.map((product) => [product.id, product]));
  const steps = blocks
    .filter(({ kind }) => kind !== 'wait')
    .flatMap(parted)
    .toSorted((a, b) => begins(a) - begins(b) || ends(a) - ends(b))
    .reduce<Step[]>(together, []);
  return steps.flatMap((block, nth): Operation[] => {
    const { key, kind, coats, personMin, stretches } = block;
    if (kind === 'wait') return [];
    const worked = stretches.reduce((sum, [from, to]) => sum + to - from, 0);
    // Waiting for one panel while another is done is a part of laying, closing hours are not.
    const setUp = nth === 0 && PREPARED.has(kind) ? ADDED_MIN.preparationDay : 0;
    const min =
      setUp + Math.round(kind === 'lay' ? Math.max(worked, minutesWithin(there, begins(block), ends(block))) : worked);
    if (min === 0) return [];
    const [first, ...others] = coats.map(({ product, coat }) => ({ sheet: sheets.get(product), coat }));
    const isWork = personMin > 0;
    return [
      {
        key,
        kind,
        ...(first?.sheet && {
          what: `${first.sheet.name}, coat ${first.coat}${others.length > 0 ? `, and ${others.length} more` : ''}`,
        }),
        ...(coats.some(({ product }) => sheets.get(product)?.family === 'film') && { isFilm: true }),
        ...(coats.length > 0 && { products: [...new Set(coats.map(({ product }) => product))] }),
        min,
        hands: isWork ? Math.max(1, Math.round(personMin / worked)) : 0,
        pausable: isWork && (kind === 'lay' ? isPaused(block, min) : kind !== 'hand-over' && kind !== 'check'),
        from: instantAfter(startAt, Math.round(begins(block)) - setUp),
        until: instantAfter(startAt, Math.round(ends(block))),
        after: waitsFor(block, steps.slice(0, nth), plan),
      },
    ];
  });
}

/** A coat that is laid here today and there days later is two steps: what is between them is waited for by the one only. */
const LONG_MIN = 20 * MINUTES_PER_HOUR;

/** A block of a job's days with the coats that are laid in it. */
interface Step extends DayBlock {
  readonly coats: readonly { readonly product: string; readonly coat: number }[];
}

/** Coats laid in turn, one while another waits, are one step: nobody could do them one after the other in that time. */
function together(steps: Step[], next: Step): Step[] {
  const last = steps.at(-1);
  if (last?.kind !== 'lay' || next.kind !== 'lay' || begins(next) >= ends(last) - SAME_MOMENT_MIN)
    return [...steps, next];
  const one: Step = {
    ...last,
    stretches: inOrder([...last.stretches, ...next.stretches]),
    personMin: last.personMin + next.personMin,
    coats: [...last.coats, ...next.coats],
  };
  return [...steps.slice(0, -1), one];
}

function parted(block: DayBlock): Step[] {
  const { product, coat } = block;
  if (block.kind !== 'lay' || product === undefined || coat === undefined) return [{ ...block, coats: [] }];
  const parts: (readonly [number, number])[][] = [];
  for (const stretch of block.stretches) {
    const last = parts.at(-1);
    if (last && stretch[0] - last.at(-1)![1] <= LONG_MIN) last.push(stretch);
    else parts.push([stretch]);
  }
  const length = (stretches: DayBlock['stretches']) => stretches.reduce((sum, [from, to]) => sum + to - from, 0);
  return parts.map((stretches, nth) => ({
    ...block,
    key: nth === 0 ? block.key : `${block.key}/part-${nth + 1}`,
    stretches,
    personMin: (block.personMin * length(stretches)) / length(block.stretches),
    coats: [{ product, coat }],
  }));
}

/** What a step comes after: work in its order, cure at once after what cures, the hand-over after all. */
function waitsFor(block: Step, before: readonly Step[], plan: Plan): Operation['after'] {
  const chain = before.filter(({ kind }) => kind !== 'cure' && kind !== 'check');
  const last = chain.at(-1);
  if (block.kind === 'hand-over') {
    const rest = before.filter(({ kind }) => kind === 'cure' || kind === 'check');
    return [...(rest.length > 0 ? rest : chain.slice(-1))].map(({ key }) => ({ key, minMin: 0 }));
  }
  if (!last) return [];
  // It cures, and dries, from the moment it is laid or wet.
  if (block.kind === 'cure' || block.kind === 'dry') return [{ key: last.key, minMin: 0, maxMin: 0 }];
  if (block.kind !== 'lay') return [{ key: last.key, minMin: 0 }];
  const lags = chain.filter(({ kind }) => kind === 'lay').flatMap((below) => recoat(below, block, plan));
  return lags.some(({ key }) => key === last.key) ? lags : [{ key: last.key, minMin: 0 }, ...lags];
}

/** Each step is told in whole minutes: so many may be lost of an interval by it. */
const ROUNDED_MIN = 5;

/**
 * From the end of one coat's laying to the start of the next above it: the sheets' own interval, on the surface where it
 * binds most, each laid in its turn.
 */
function recoat(below: Step, above: Step, plan: Plan): Operation['after'] {
  let [least, most] = [-Infinity, Infinity];
  for (const { coats } of plan.surfaces)
    for (const [at, coat] of coats.entries()) {
      const under = coats[at - 1];
      if (!under?.laid || !coat.laid || !isOf(under, below) || !isOf(coat, above)) continue;
      const { recoatFrom, recoatBy } = under.laid.milestones;
      const turnMin = coat.laid.startMin - begins(above);
      if (coat.laid.startMin < begins(above) - SAME_MOMENT_MIN || coat.laid.startMin > ends(above)) continue;
      if (under.laid.startMin < begins(below) - SAME_MOMENT_MIN || under.laid.startMin > ends(below)) continue;
      if (typeof recoatFrom === 'number') least = Math.max(least, recoatFrom - turnMin - ends(below));
      if (typeof recoatBy === 'number') most = Math.min(most, recoatBy - turnMin - ends(below));
    }
  if (least === -Infinity && most === Infinity) return [];
  // As the job's own days have it, it holds, or is found there: the calendar asks for no more.
  const ownMin = Math.max(0, begins(above) - ends(below));
  const minMin = Math.floor(Math.min(ownMin, Math.max(0, Math.ceil(least))));
  return [
    { key: below.key, minMin, ...(most < Infinity && { maxMin: Math.ceil(Math.max(ownMin, most)) + ROUNDED_MIN }) },
  ];
}

const isOf = ({ product, coat }: { readonly product: string; readonly coat: number }, { coats }: Step) =>
  coats.some((own) => product === own.product && coat === own.coat);
