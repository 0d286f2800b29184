import { type Hours, inOrder, minutesWithin, nextFit, SAME_MOMENT_MIN, sharedIn, within } from '#core/plan/crew';
import { ADDED_MIN, preparationSpeed } from '#core/schedule/hours';
import { type PreparePhase, preparePhase, type PrepStage, type WorkingDay } from '#core/prepare/stages';
import type { LaidOut } from '#core/lay/run-sheet';

/** What somebody does at an item, or waits for. */
export type BlockKind = PreparePhase | 'dry' | 'lay' | 'wait' | 'cure' | 'check' | 'hand-over';

/** A piece of a job's days. Minutes on the scale of the job. */
export interface DayBlock {
  /** The same from one plan to the next, so that two can be held against one another. */
  readonly key: string;
  readonly kind: BlockKind;
  /** Of laying: which product, and which coat of it. */
  readonly product?: string;
  readonly coat?: number;
  /** When it is worked at, or waited for; in their order, at least one. */
  readonly stretches: Hours;
  /** Minutes of work, all people; 0 for what holds the bay but nobody. */
  readonly personMin: number;
}

/** The days of a job, from what is still to be done of it to the key in the owner's hand. */
export interface JobDays {
  /** By the moment they begin. */
  readonly blocks: readonly DayBlock[];
  /** When the owner has it, looked over and talked through; null: not in the hours there are, or never cured. */
  readonly handedOverMin: number | null;
  /** It stands over a night between the last wipe and the first coat. */
  readonly wipedOverNight: boolean;
}

/** What the days of a job are made of. */
export interface DaysCase {
  /** Stages of preparation that are still to be done, in their order, and the day they came from. */
  readonly stages: readonly Pick<PrepStage, 'kind' | 'minutes'>[];
  /** Of the whole preparation, minutes. */
  readonly preparationMin: number;
  readonly day: Pick<WorkingDay, 'elapsedMin' | 'waitedMin' | 'readyMin'>;
  /** When each of the people is there. */
  readonly people: readonly Hours[];
  /** Local minutes since midnight at the zero of the job. */
  readonly startMinuteOfDay: number;
  /** From when on it is counted. */
  readonly fromMin: number;
  /** What is laid and levelled when. */
  readonly actions: LaidOut['actions'];
  /** When the last coat may be handed over; null: never. */
  readonly readyMin: number | null;
  /** Looking it over under the lamp before it goes, minutes of one person. */
  readonly checkMin: number;
  /** Explaining it to its owner, minutes. */
  readonly handoverMin: number;
}

/** A shorter pause in laying is no other block, minutes. */
const ONE_GO_MIN = 30;
/** A shorter wait is none, minutes. */
const SHORTEST_WAIT_MIN = 5;

/** Nobody is asked to come at 13:06: the next of these is told, minutes. */
const TOLD_BY_MIN = 5;
const onTheClock = (min: number, startMinuteOfDay: number) =>
  Math.ceil((min + startMinuteOfDay - SAME_MOMENT_MIN) / TOLD_BY_MIN) * TOLD_BY_MIN - startMinuteOfDay;

/** The days of a job in the hours its people are there: nobody works at night, drying and curing go on. */
export function jobDays(asked: DaysCase): JobDays {
  const hours = inOrder(asked.people.flat());
  const prepared = preparing(asked);
  const laid = laying(asked.actions);
  const workEnds = [...prepared, ...laid].flatMap(({ stretches }) => stretches.map(([, to]) => to));
  const workedUntil = Math.max(asked.fromMin, ...workEnds);
  const curing = cure(laid, asked);
  const [checked] = sharedIn(asked.people, workedUntil, [asked.checkMin], (hands) => hands);
  const check: DayBlock[] =
    checked && checked.length > 0
      ? [{ key: 'check', kind: 'check', stretches: checked, personMin: asked.checkMin }]
      : [];
  const lookedOverMin = checked === null || checked === undefined ? null : (checked.at(-1)?.[1] ?? workedUntil);
  // Where nothing is left to lay, what lies there may still cure; where nothing ever lay, nothing does.
  const cured = laid.length > 0 ? asked.readyMin : Math.max(workedUntil, asked.readyMin ?? workedUntil);
  const fits =
    lookedOverMin === null || cured === null
      ? null
      : nextFit(hours, onTheClock(Math.max(lookedOverMin, cured), asked.startMinuteOfDay), asked.handoverMin);
  const handedOverMin = fits === null ? null : fits + asked.handoverMin;
  const handover: DayBlock[] =
    fits === null
      ? []
      : [
          {
            key: 'hand-over',
            kind: 'hand-over',
            stretches: [[fits, fits + asked.handoverMin]],
            personMin: asked.handoverMin,
          },
        ];
  const worked = [...prepared, ...laid, ...check];
  return {
    blocks: [...worked, ...waits(worked, hours), ...curing, ...handover].toSorted(
      (a, b) => begins(a) - begins(b) || ends(a) - ends(b),
    ),
    handedOverMin,
    wipedOverNight: overNight(prepared, laid, hours),
  };
}

/** When a block begins and ends. */
export const begins = ({ stretches }: Pick<DayBlock, 'stretches'>): number => stretches[0]![0];
export const ends = ({ stretches }: Pick<DayBlock, 'stretches'>): number => stretches.at(-1)![1];

/** What is left of preparation, phase by phase, shared by all hands as `preparedBy` shares it; then it dries. */
function preparing({ stages, preparationMin, day, people, fromMin }: DaysCase): DayBlock[] {
  const left = stages.reduce((sum, { minutes }) => sum + minutes, 0);
  if (left <= 0 || preparationMin <= 0 || day.elapsedMin <= 0) return [];
  const phases: { phase: PreparePhase; minutes: number }[] = [];
  for (const { kind, minutes } of stages) {
    const phase = preparePhase(kind);
    const last = phases.at(-1);
    if (last?.phase === phase) last.minutes += minutes;
    else phases.push({ phase, minutes });
  }
  const worked = sharedIn(
    people,
    fromMin,
    phases.map(({ minutes }) => (minutes / preparationMin) * day.elapsedMin),
    preparationSpeed(day),
    ADDED_MIN.preparationDay,
  );
  const blocks = phases.flatMap(({ phase, minutes }, index): DayBlock[] => {
    const stretches = worked[index];
    const nth = phases.slice(0, index).filter((before) => before.phase === phase).length;
    return stretches && stretches.length > 0
      ? [{ key: `${phase}/${nth + 1}`, kind: phase, stretches, personMin: minutes }]
      : [];
  });
  const driesMin = Math.max(0, day.readyMin - day.elapsedMin);
  const last = blocks.at(-1);
  return last && driesMin > 0 && worked.every((stretches) => stretches !== null)
    ? [...blocks, { key: 'dry', kind: 'dry', stretches: [[ends(last), ends(last) + driesMin]], personMin: 0 }]
    : blocks;
}

/** Laying, coat by coat of each product. */
function laying(actions: DaysCase['actions']): DayBlock[] {
  const coats = new Map<string, { product: string; coat: number; spans: [number, number][]; personMin: number }>();
  for (const { coat: of, startMin, endMin } of actions) {
    const key = `lay/${of.product.id}/${of.coat}`;
    const own = coats.get(key) ?? { product: of.product.id, coat: of.coat, spans: [], personMin: 0 };
    own.spans.push([startMin, endMin + ONE_GO_MIN]);
    own.personMin += endMin - startMin;
    coats.set(key, own);
  }
  return [...coats].map(([key, { product, coat, spans, personMin }]) => ({
    key,
    kind: 'lay' as const,
    product,
    coat,
    stretches: inOrder(spans).map(([from, to]) => [from, to - ONE_GO_MIN] as const),
    personMin,
  }));
}

/** From the last stroke until it may go; where all is laid, what is left of it. */
function cure(laid: readonly DayBlock[], { readyMin, fromMin }: Pick<DaysCase, 'readyMin' | 'fromMin'>): DayBlock[] {
  const since = laid.length > 0 ? Math.max(...laid.map(ends)) : fromMin;
  if (readyMin === null || readyMin <= since) return [];
  return [{ key: 'cure', kind: 'cure', stretches: [[since, readyMin]], personMin: 0 }];
}

/** While somebody is there and nobody can go on. */
function waits(worked: readonly DayBlock[], hours: Hours): DayBlock[] {
  const busy = inOrder(worked.flatMap(({ stretches }) => stretches));
  const gaps = busy.slice(1).map(([from], index): [number, number] => [busy[index]![1], from]);
  return within(gaps, hours).flatMap(([from, to], index): DayBlock[] =>
    to - from < SHORTEST_WAIT_MIN
      ? []
      : [{ key: `wait/${index + 1}`, kind: 'wait', stretches: [[from, to]], personMin: 0 }],
  );
}

/** What was wiped last stands dusty in the morning: whether a night lies between it and the first coat. */
function overNight(prepared: readonly DayBlock[], laid: readonly DayBlock[], hours: Hours): boolean {
  const wiped = prepared.filter(({ kind }) => kind === 'wipe').at(-1);
  if (!wiped || laid.length === 0) return false;
  const [from, to] = [ends(wiped), Math.min(...laid.map(begins))];
  return to - from - minutesWithin(hours, from, to) > SAME_MOMENT_MIN;
}
