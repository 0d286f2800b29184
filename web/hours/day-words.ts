import type { BlockKind, DayChange } from '#core/schedule/days';
import type { LostWhy } from '#formats/job';
import { STEP_WORDS } from '#job/calendar';
import type { JobView } from '../job/useJobView';
import { moment, span } from '../ui/moments';

const KINDS: Readonly<Record<Exclude<BlockKind, 'lay'>, string>> = {
  ...STEP_WORDS,
  'set-up': 'Setting up',
  'pack-up': 'Packing up',
  wait: 'Waiting',
};

export const LOST_WORDS: Readonly<Record<LostWhy, string>> = {
  power: 'No power',
  'late-part': 'A part comes late',
  weather: 'Weather',
  'late-owner': 'The owner comes late',
  hands: 'Somebody is missing',
  holiday: 'Holiday',
  service: 'On service',
  other: 'Something else',
};

/** What a block of a job's days is called, by its key. */
export function blockName(key: string, { productName }: Pick<JobView, 'productName'>): string {
  const [kind, product, coat] = key.split('/');
  if (kind === 'lay') return `${productName(product!)}, coat ${coat}`;
  return KINDS[kind as keyof typeof KINDS];
}

/** From so many on, steps that move by the same are told as one. */
const AS_ONE = 3;

/** What is otherwise than it was agreed, in sentences: the hand-over first, what moves together as one. */
export function changesInWords(changes: readonly DayChange[], job: Pick<JobView, 'at' | 'productName'>): string[] {
  const told = changes.filter(({ key }) => key !== 'cure');
  const handover = told.filter(({ key }) => key === 'hand-over');
  const groups = new Map<string, DayChange[]>();
  for (const change of told.filter(({ key }) => key !== 'hand-over')) {
    const { key, laterMin } = change;
    const by = laterMin === undefined || Math.abs(laterMin) < 1 ? key : span(laterMin) + (laterMin > 0 ? '+' : '-');
    groups.set(by, [...(groups.get(by) ?? []), change]);
  }
  return [
    ...handover.map((change) => changeInWords(change, job)),
    ...[...groups.values()].flatMap((group) =>
      group.length < AS_ONE
        ? group.map((change) => changeInWords(change, job))
        : [
            `${blockName(group[0]!.key, job)} and ${group.length - 1} more: ${shiftInWords(group[0]!.laterMin!)}, until ${moment(job.at(group.at(-1)!.is!.untilMin))}.`,
          ],
    ),
  ];
}

const shiftInWords = (laterMin: number) => `${span(laterMin)} ${laterMin > 0 ? 'later' : 'earlier'}`;

function changeInWords({ key, was, is, laterMin }: DayChange, job: Pick<JobView, 'at' | 'productName'>): string {
  const name = blockName(key, job);
  if (!was) return `${name} is new: ${moment(job.at(is!.fromMin))}.`;
  if (!is) return `${name} is done, or no longer needed.`;
  const way = Math.abs(laterMin!) < 1 ? 'begins otherwise' : shiftInWords(laterMin!);
  return `${name}: ${way}, until ${moment(job.at(is.untilMin))} instead of ${moment(job.at(was.untilMin))}.`;
}
