import { type Hours, inOrder, minutesWithin, nextFit, SAME_MOMENT_MIN, sharedIn, within } from '#core/plan/crew';
import { ADDED_MIN, layingBegins, packingUpMin, preparationSpeed } from '#core/schedule/hours';
import { type PreparePhase, preparePhase, type PrepStage, type WorkingDay } from '#core/prepare/stages';
import type { LaidOut } from '#core/lay/run-sheet';

/** What somebody does at an item, or waits for. */
export type BlockKind = PreparePhase | 'set-up' | 'dry' | 'lay' | 'pack-up' | 'wait' | 'cure' | 'check' | 'hand-over';

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
  /**
   * Ready for collection: cured, packed up, looked over, somebody there to hand it over, and not before it was agreed to be
   * collected. The one date that is shown and promised. Null: not in the hours there are, or never cured.
   */
  readonly readyMin: number | null;
  /** When its owner leaves with it, all explained; null with `readyMin`. */
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
  /** When each of the people is there, and each of those who prepare; absent: all of them do. */
  readonly people: readonly Hours[];
  readonly preparers?: readonly Hours[] | undefined;
  /** Local minutes since midnight at the zero of the job. */
  readonly startMinuteOfDay: number;
  /** From when on it is counted. */
  readonly fromMin: number;
  /** What is laid and levelled when. */
  readonly actions: LaidOut['actions'];
  /** Setting up before the first panel is laid, minutes; 0: that is behind it. */
  readonly setUpMin: number;
  /** When the last coat has cured so far that it may be handed over; null: never. */
  readonly curedMin: number | null;
  /** Looking it over under the lamp before it goes, minutes of one person; 0: that has been done. */
  readonly checkMin: number;
  /** When it is to be collected as the workshop's calendar has it; absent: as soon as it may be. */
  readonly collectionMin?: number | undefined;
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

const NOTHING_LEFT: JobDays = { blocks: [], readyMin: null, handedOverMin: null, wipedOverNight: false };

/** The days of a job in the hours its people are there: nobody works at night, drying and curing go on. */
export function jobDays(asked: DaysCase): JobDays {
  const hours = inOrder(asked.people.flat());
  const prepared = preparing(asked);
  const laid = laying(asked.actions);
  const curing = cure(laid, asked);
  const equipped = settingUp(prepared, laid, asked);
  const packed = packingUp(laid, asked);
  const worksUntil = [...prepared, ...equipped, ...laid, ...packed].map(ends);
  // Where no hand is needed any more, it went when it had cured, whatever the time is.
  const isWorked = worksUntil.length > 0 || asked.checkMin > 0;
  const workedUntil = isWorked ? Math.max(asked.fromMin, ...worksUntil) : -Infinity;
  if (!isWorked && asked.curedMin === null) return NOTHING_LEFT;
  const [checked] = sharedIn(asked.people, workedUntil, [asked.checkMin], (hands) => hands);
  const check: DayBlock[] =
    checked && checked.length > 0
      ? [{ key: 'check', kind: 'check', stretches: checked, personMin: asked.checkMin }]
      : [];
  const lookedOverMin = checked === null || checked === undefined ? null : (checked.at(-1)?.[1] ?? workedUntil);
  // Where nothing is left to lay, what lies there may still cure; where nothing ever lay, nothing does.
  const cured = laid.length > 0 ? asked.curedMin : Math.max(workedUntil, asked.curedMin ?? asked.fromMin);
  const fits = lookedOverMin === null || cured === null ? null : readyAfter(asked, Math.max(lookedOverMin, cured));
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
  const worked = [...prepared, ...equipped, ...laid, ...packed, ...check];
  return {
    blocks: [...worked, ...waits(worked, hours), ...curing, ...handover].toSorted(
      (a, b) => begins(a) - begins(b) || ends(a) - ends(b),
    ),
    readyMin: fits,
    handedOverMin,
    wipedOverNight: overNight(prepared, laid, hours),
  };
}

/** When a job whose last work and cure are over is ready for collection: somebody is there to hand it over, and it is not before it was agreed. */
export const readyAfter = (
  {
    people,
    startMinuteOfDay,
    collectionMin = -Infinity,
    handoverMin,
  }: Pick<DaysCase, 'people' | 'startMinuteOfDay' | 'collectionMin' | 'handoverMin'>,
  doneMin: number,
): number | null =>
  nextFit(inOrder(people.flat()), onTheClock(Math.max(doneMin, collectionMin), startMinuteOfDay), handoverMin);

/** When a block begins and ends. */
export const begins = ({ stretches }: Pick<DayBlock, 'stretches'>): number => stretches[0]![0];
export const ends = ({ stretches }: Pick<DayBlock, 'stretches'>): number => stretches.at(-1)![1];

/** What is left of preparation, phase by phase, shared by all hands as `preparedBy` shares it; then it dries. */
function preparing(asked: DaysCase): DayBlock[] {
  const { stages, preparationMin, day, preparers: people = asked.people, fromMin } = asked;
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
  const dry: DayBlock[] =
    last && driesMin > 0 && worked.every((stretches) => stretches !== null)
      ? [{ key: 'dry', kind: 'dry', stretches: [[ends(last), ends(last) + driesMin]], personMin: 0 }]
      : [];
  return [...eachDaySetUp(blocks, people, fromMin), ...blocks, ...dry];
}

/** Each day of preparation begins with setting up: before the first work of each stretch of hours. */
function eachDaySetUp(blocks: readonly DayBlock[], people: readonly Hours[], fromMin: number): DayBlock[] {
  const worked = inOrder(blocks.flatMap(({ stretches }) => stretches));
  const stretches = inOrder(people.flat()).flatMap(([opens, closes]): [number, number][] => {
    const from = Math.max(opens, fromMin);
    const until = from + ADDED_MIN.preparationDay;
    return worked.some(([a, b]) => a < closes && b > until) ? [[from, until]] : [];
  });
  const personMin = stretches.length * ADDED_MIN.preparationDay;
  return stretches.length === 0 ? [] : [{ key: 'set-up/prepare', kind: 'set-up', stretches, personMin }];
}

/** Setting up for laying, where something is to be laid that has not been begun. */
function settingUp(prepared: readonly DayBlock[], laid: readonly DayBlock[], asked: DaysCase): DayBlock[] {
  if (laid.length === 0) return [];
  const workedMin = Math.max(asked.fromMin, ...prepared.filter(({ kind }) => kind !== 'dry').map(ends));
  const driedMin = Math.max(workedMin, ...prepared.map(ends));
  const stretches = layingBegins(asked.people, { workedMin, driedMin }, asked.setUpMin)?.setUp ?? [];
  return stretches.length === 0 ? [] : [{ key: 'set-up/lay', kind: 'set-up', stretches, personMin: asked.setUpMin }];
}

/** Packing up once the last panel is done, with what changing towels took of the time. */
function packingUp(laid: readonly DayBlock[], { actions, people }: DaysCase): DayBlock[] {
  if (laid.length === 0) return [];
  const sections = actions.filter(({ does }) => does === 'lay').length;
  const workers = new Set(actions.map(({ who }) => who)).size;
  const [stretches] = sharedIn(people, Math.max(...laid.map(ends)), [packingUpMin(sections, workers)], () => 1);
  return stretches && stretches.length > 0
    ? [{ key: 'pack-up', kind: 'pack-up', stretches, personMin: packingUpMin(sections, 1) }]
    : [];
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
function cure(laid: readonly DayBlock[], { curedMin, fromMin }: Pick<DaysCase, 'curedMin' | 'fromMin'>): DayBlock[] {
  const since = laid.length > 0 ? Math.max(...laid.map(ends)) : fromMin;
  if (curedMin === null || curedMin <= since) return [];
  return [{ key: 'cure', kind: 'cure', stretches: [[since, curedMin]], personMin: 0 }];
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
