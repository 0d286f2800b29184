import { LEFT_WORDS, type RunEntry } from '#core/lay/run';
import { STEP_KINDS } from '#core/prepare/steps';
import type { KeptTap } from './kept';
import type { JobView } from '../job/useJobView';
import { celsius, um } from '../ui/measures';

/** What a tap said, in the words of the bay. */
export function tapInWords(job: Pick<JobView, 'id' | 'nameOf'>, tap: KeptTap): string {
  const own = tap.jobId === job.id;
  const said = () => {
    if (tap.kind === 'tick') return `${tap.entry.ticked ? 'Ticked' : 'Took the tick from'} a line of the list`;
    if (tap.kind === 'stock') return `${STOCK_WORDS[tap.entry.entry.type] ?? 'Noted'} ${tap.entry.entry.thing}`;
    return entryInWords(tap.entry.entry, own ? job.nameOf : (surface) => surface);
  };
  return said() + (own ? '' : ` (another job: ${tap.jobId})`);
}

/** The same of an entry of the log. */
export function entryInWords(entry: RunEntry, panel: (surface: string) => string): string {
  switch (entry.type) {
    case 'lay-start':
      return `Began to lay ${panel(entry.patch.surface)}, section ${entry.patch.section}`;
    case 'lay-end':
      return `Laid ${panel(entry.patch.surface)}, section ${entry.patch.section}`;
    case 'cue-seen':
      return `Cue seen on ${panel(entry.patch.surface)}`;
    case 'level-start':
      return `Began to level ${panel(entry.patch.surface)}, section ${entry.patch.section}`;
    case 'level-end':
      return `Levelled ${panel(entry.patch.surface)}, section ${entry.patch.section}`;
    case 'fault':
      return `Fault on ${panel(entry.patch.surface)}${entry.note ? `: ${entry.note}` : ''}`;
    case 'air':
      return `Air ${celsius(entry.airC)}, ${Math.round(entry.rhPct)} %`;
    case 'undo':
      return 'Undo';
    case 'set-aside':
      return `Set aside: ${entry.reason}`;
    case 'left-out':
      return `Left ${panel(entry.surface)} out: ${LEFT_WORDS[entry.reason].toLowerCase()}`;
    case 'taken-up':
      return `Took ${panel(entry.surface)} up again`;
    case 'run-pause':
      return 'Paused the work';
    case 'run-resume':
      return 'Went on with the work';
    case 'answered':
      return `${entry.answer === 'yes' ? 'Ticked' : 'Went on without'} a line of the list`;
    case 'released':
      return `${entry.name} signed for the aircraft`;
    case 'consent':
      return `Pictures ${entry.pictures === 'shown' ? 'may' : 'may not'} be shown`;
    case 'fresh-towel':
      return 'Fresh towel';
    case 'hands-join':
      return 'Somebody joined';
    case 'hands-leave':
      return 'Somebody left';
    case 'proof':
      return `${entry.what === 'gloss' ? `Gloss ${entry.value} GU` : `Thickness ${um(entry.value)}`} on ${panel(entry.surface)}`;
    case 'bead':
      return `Drop on ${panel(entry.surface)}: ${Math.round(entry.deg)}°`;
    case 'looked':
      return 'Looked at a place';
    case 'remedied':
      return 'Mended a fault';
    case 'mark-outcome':
      return 'What became of a mark';
    case 'clear-taken':
      return `Clear taken off ${panel(entry.surface)}`;
    default:
      return `${STEP_KINDS[entry.stage.kind].name}: ${STAGE_WORDS[entry.type]}`;
  }
}
const STOCK_WORDS: Partial<Readonly<Record<string, string>>> = {
  taken: 'Took in hand',
  'put-back': 'Put back',
  'thrown-away': 'Emptied',
};
const STAGE_WORDS = {
  'stage-start': 'begun',
  'stage-pause': 'paused',
  'stage-resume': 'gone on with',
  'stage-end': 'done',
  'stage-used': 'what it took',
  'stage-panel': 'a panel done',
  'stage-found': 'what was found',
} as const;
