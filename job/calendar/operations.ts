import { MINUTES_PER_HOUR } from '#core/measures';
import { preparationSetUpMin } from '#core/schedule/hours';
import { type Hours, inOrder, minutesWithin, SAME_MOMENT_MIN } from '#core/plan/crew';
import { begins, type DayBlock, ends } from '#core/schedule/days';
import type { Plan } from '#core/plan/job';
import type { Job, Operation } from '#formats/job';
import { instantAfter } from '#formats/values';

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
  const isAdded = ({ kind }: DayBlock) => kind === 'set-up' || kind === 'pack-up';
  const added = blocks.filter(isAdded);
  const steps = blocks
    .filter((block) => block.kind !== 'wait' && !isAdded(block))
    .flatMap(parted)
    .toSorted((a, b) => begins(a) - begins(b) || ends(a) - ends(b))
    .reduce<Step[]>(together, []);
  return steps.flatMap((block, nth): Operation[] => {
    const { key, kind, coats, personMin } = block;
    if (kind === 'wait' || kind === 'set-up' || kind === 'pack-up') return [];
    const worked = workedMin(block);
    const before = addedBefore(block, added, steps, nth);
    // Waiting for one panel while another is done is a part of laying, closing hours are not.
    const min =
      before.min +
      Math.round(kind === 'lay' ? Math.max(worked, minutesWithin(there, begins(block), ends(block))) : worked);
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
        from: instantAfter(startAt, Math.round(Math.min(begins(block), before.fromMin))),
        until: instantAfter(startAt, Math.round(ends(block))),
        after: waitsFor(block, steps.slice(0, nth), plan),
      },
    ];
  });
}

const workedMin = ({ stretches }: Pick<DayBlock, 'stretches'>): number =>
  stretches.reduce((sum, [from, to]) => sum + to - from, 0);
const isPreparing = ({ kind }: Pick<DayBlock, 'kind'>): boolean =>
  kind === 'clean' || kind === 'correct' || kind === 'wipe';

/**
 * What is set up, or packed up, just before a step is a part of it: each stretch with the work it leads to. What is set up
 * while something dries takes no time of its own. Preparation is set up once a usual day of work, whenever it begins: a
 * step lasts as long wherever a calendar puts it.
 */
function addedBefore(step: Step, added: readonly DayBlock[], steps: readonly Step[], nth: number) {
  if (isPreparing(step)) {
    const beforeMin = steps
      .slice(0, nth)
      .filter(isPreparing)
      .reduce((sum, each) => sum + workedMin(each), 0);
    const min = preparationSetUpMin(beforeMin, workedMin(step));
    return { min: Math.round(min), fromMin: beforeMin === 0 ? begins(step) - min : Infinity };
  }
  const work = steps
    .filter(({ personMin }) => personMin > 0)
    .flatMap((each) => each.stretches.map(([from]) => ({ each, from })));
  const waited = inOrder(steps.filter(({ kind }) => kind === 'dry').flatMap(({ stretches }) => stretches));
  const own = added
    .flatMap(({ key, stretches }) => (key === 'set-up/prepare' ? [] : stretches))
    .filter(([, until]) => {
      const next = work.filter(({ from }) => from >= until - 1).toSorted((a, b) => a.from - b.from)[0];
      return next?.each === step;
    })
    .map(([from, until]) => ({ from, min: until - from - minutesWithin(waited, from, until) }))
    .filter(({ min }) => min > 0);
  return {
    min: Math.round(own.reduce((sum, { min }) => sum + min, 0)),
    fromMin: Math.min(Infinity, ...own.map(({ from }) => from)),
  };
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
