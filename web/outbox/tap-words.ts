import { LEFT_WORDS } from '#core/work/run';
import { STEP_KINDS } from '#core/work/steps';
import type { KeptTap } from './kept';
import type { JobView } from '../job/useJobView';
import { celsius, um } from '../ui/measures';

/** What a tap said, in the words of the bay. */
export function tapInWords(job: JobView, tap: KeptTap): string {
  const { jobId } = tap;
  const own = jobId === job.id;
  const panel = (surface: string) => (own ? job.nameOf(surface) : surface);
  const where = own ? '' : ` (another job: ${jobId})`;
  if (tap.kind === 'tick') return `${tap.entry.ticked ? 'Ticked' : 'Took the tick from'} a line of the list${where}`;
  if (tap.kind === 'stock') return `${STOCK_WORDS[tap.entry.entry.type] ?? 'Noted'} ${tap.entry.entry.thing}${where}`;
  const { entry } = tap.entry;
  switch (entry.type) {
    case 'lay-start':
      return `Began to lay ${panel(entry.patch.surface)}, section ${entry.patch.section}${where}`;
    case 'lay-end':
      return `Laid ${panel(entry.patch.surface)}, section ${entry.patch.section}${where}`;
    case 'cue-seen':
      return `Cue seen on ${panel(entry.patch.surface)}${where}`;
    case 'level-start':
      return `Began to level ${panel(entry.patch.surface)}, section ${entry.patch.section}${where}`;
    case 'level-end':
      return `Levelled ${panel(entry.patch.surface)}, section ${entry.patch.section}${where}`;
    case 'fault':
      return `Fault on ${panel(entry.patch.surface)}${entry.note ? `: ${entry.note}` : ''}${where}`;
    case 'air':
      return `Air ${celsius(entry.airC)}, ${Math.round(entry.rhPct)} %${where}`;
    case 'undo':
      return `Undo${where}`;
    case 'set-aside':
      return `Set aside: ${entry.reason}${where}`;
    case 'left-out':
      return `Left ${panel(entry.surface)} out: ${LEFT_WORDS[entry.reason].toLowerCase()}${where}`;
    case 'taken-up':
      return `Took ${panel(entry.surface)} up again${where}`;
    case 'run-pause':
      return `Paused the work${where}`;
    case 'run-resume':
      return `Went on with the work${where}`;
    case 'answered':
      return `${entry.answer === 'yes' ? 'Ticked' : 'Went on without'} a line of the list${where}`;
    case 'consent':
      return `Pictures ${entry.pictures === 'shown' ? 'may' : 'may not'} be shown${where}`;
    case 'fresh-towel':
      return `Fresh towel${where}`;
    case 'hands-join':
      return `Somebody joined${where}`;
    case 'hands-leave':
      return `Somebody left${where}`;
    case 'proof':
      return `${entry.what === 'gloss' ? `Gloss ${entry.value} GU` : `Thickness ${um(entry.value)}`} on ${panel(entry.surface)}${where}`;
    case 'bead':
      return `Drop on ${panel(entry.surface)}: ${Math.round(entry.deg)}°${where}`;
    case 'looked':
      return `Looked at a place${where}`;
    case 'remedied':
      return `Mended a fault${where}`;
    case 'mark-outcome':
      return `What became of a mark${where}`;
    case 'clear-taken':
      return `Clear taken off ${panel(entry.surface)}${where}`;
    default:
      return `${STEP_KINDS[entry.stage.kind].name}: ${STAGE_WORDS[entry.type]}${where}`;
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
