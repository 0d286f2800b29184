import { peopleOf, type Person } from '#core/plan/crew';
import {
  amountOnCopy,
  coatKey,
  coatName,
  coatsOf,
  type Plan,
  planFrom,
  type PlanInput,
  type RefusalCode,
  type SurfaceCoat,
  told,
  type ToldCoat,
} from '#core/plan/job';
import { type Action, FROM_THE_START, type SheetFrom } from './bay';
import { type HeldMoves, heldMoves } from './moves';
import { shortest } from './search';

export interface SheetAction extends Omit<Action, 'coat'> {
  readonly coat: ToldCoat;
  /** Units of the product, of a laying. */
  readonly amount?: number;
}

export interface RefusedCoat {
  readonly coat: ToldCoat;
  readonly code: RefusalCode;
}

/** A whole job laid out action by action. Minutes on the scale of the job. */
export interface LaidOut {
  readonly people: readonly Person[];
  /** By the moment they begin. */
  readonly actions: readonly SheetAction[];
  /** Minutes of laying and levelling, by place in the crew. */
  readonly busyMin: readonly number[];
  readonly endMin: number;
  /** Minutes from where the sheet begins that nobody could beat. */
  readonly boundMin: number;
  readonly refused: readonly RefusedCoat[];
  /** What nobody's hours leave room for. */
  readonly unlaid: readonly ToldCoat[];
  /** What was moved by hand and does not hold. */
  readonly lostMoves: HeldMoves['lost'];
  /** The same job as a plan: coats with the times of this sheet, what is bought, when it is ready, what is found. */
  readonly plan: Plan;
}

/**
 * Lays out a job with the people there are: working ahead, nothing wet left over a break, coats in their order.
 * @param from where to take up a job that has begun
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function layOut(job: PlanInput, from: SheetFrom = FROM_THE_START): LaidOut {
  const people = peopleOf(job.crew);
  const asListed = coatsOf(job);
  const { held, lost } = heldMoves(
    asListed,
    job.moves ?? [],
    people.map(({ id }) => id),
  );
  const coats = held.size === 0 ? asListed : asListed.map((own) => own.map((coat) => withMove(coat, held)));
  const { sheet, boundMin } = shortest(coats, people, from, job.crew.ahead);
  const known = new Map(coats.flat().map((coat) => [coat, told(coat)]));
  const actions = sheet.actions
    .map((action): SheetAction => ({
      ...action,
      coat: known.get(action.coat)!,
      ...(action.does === 'lay' && { amount: amountOf(action) }),
    }))
    .sort((a, b) => a.startMin - b.startMin || a.who - b.who || a.endMin - b.endMin);
  const refused = onceACoat(sheet.refused).map(({ coat, code }) => ({ coat: known.get(coat)!, code }));
  const unlaid = onceACoat(sheet.unlaid).map(({ coat }) => known.get(coat)!);
  return {
    people,
    actions,
    busyMin: people.map((_, who) =>
      actions.reduce((sum, action) => sum + (action.who === who ? action.endMin - action.startMin : 0), 0),
    ),
    endMin: sheet.endMin,
    boundMin,
    refused,
    unlaid,
    lostMoves: lost,
    plan: planFrom(job, coats, sheet, people),
  };
}

const withMove = (coat: SurfaceCoat, held: HeldMoves['held']): SurfaceCoat => {
  const moved = held.get(coatKey(coatName(coat)));
  return moved ? { ...coat, moved } : coat;
};

/** One entry for all copies of a coat. */
function onceACoat<T extends { readonly coat: SurfaceCoat }>(entries: readonly T[]): T[] {
  const byCoat = new Map<SurfaceCoat, T>();
  for (const entry of entries) if (!byCoat.has(entry.coat)) byCoat.set(entry.coat, entry);
  return [...byCoat.values()].sort((a, b) => a.coat.at - b.coat.at || a.coat.round - b.coat.round);
}

/** What one section takes, units of the product. */
const amountOf = ({ coat, sections }: Action) => amountOnCopy(coat.surface, coat, sections) / sections;
