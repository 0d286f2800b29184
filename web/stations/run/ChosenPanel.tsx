import { memo } from 'react';
import { LEFT_WORDS, type SheetPatch } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { LayOtherwise } from './LayOtherwise';
import { LeaveOut } from '../../bay/LeaveOut';
import { useTap } from '../../bay/useTap';

interface Props {
  /** What stands large. */
  readonly current: SheetPatch | undefined;
  readonly onWish: (surface: string) => void;
}

/** The panel touched on the map: done before its turn, left out for a reason, or taken up again. */
export const ChosenPanel = memo(function ChosenPanel({ current, onWish }: Props) {
  const job = useJob('choose', 'chosen', 'id', 'nameOf', 'record', 'sheet');
  const { chosen, record, sheet } = job;
  const { tap, settling } = useTap(job.id);
  if (!chosen) return null;
  const left = record.left.get(chosen.id);
  const todo = sheet.patches.filter(({ patch, state }) => patch.surface === chosen.id && state === 'todo');
  const inHand = current?.patch.surface === chosen.id;
  if (!left && todo.length === 0) return null;
  // The first layer nothing of is begun: what is begun stays as it is.
  const layer = Math.min(...todo.map(({ patch }) => patch.layer));
  const layerBegun = sheet.patches.some(
    ({ patch, record: done }) => patch.surface === chosen.id && patch.layer === layer && done !== undefined,
  );
  const name = job.nameOf(chosen.id);
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-2 border-t bg-sheet px-4 py-2 text-lg [&>button]:flex-1 [&>button]:px-2!">
      <p className="w-full">
        <strong>{name}</strong>
        {left && <span className="text-ink-2">: left out. {LEFT_WORDS[left.reason]}.</span>}
      </p>
      {left ? (
        <Button glove disabled={settling} onClick={() => tap({ type: 'taken-up', surface: chosen.id })}>
          Take it up again
        </Button>
      ) : (
        <>
          {!inHand && (
            <Button
              glove
              onClick={() => {
                onWish(chosen.id);
                job.choose(undefined);
              }}
            >
              Do it now
            </Button>
          )}
          {!layerBegun && <LayOtherwise surface={chosen.id} layer={layer} onDone={() => job.choose(undefined)} />}
          <LeaveOut surface={chosen.id} onLeft={() => job.choose(undefined)} />
        </>
      )}
    </div>
  );
});
