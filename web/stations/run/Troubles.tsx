import { useAppDispatch, useAppSelector } from '../../app/store';
import { refusalRead } from '../../outbox/slice';
import { Button } from '../../ui/Button';

/** Said until it is over: taps that have not reached the log, and taps the log refused. */
export function Troubles() {
  const { waiting, unreachable, refused } = useAppSelector((state) => state.outbox);
  const dispatch = useAppDispatch();
  if (unreachable && waiting.length > 0) {
    return (
      <p role="alert" className="shrink-0 bg-stop px-5 py-3 text-lg font-semibold text-sheet">
        Not logged yet: {waiting.length} {waiting.length === 1 ? 'tap waits' : 'taps wait'} on this device until the
        server answers.
      </p>
    );
  }
  if (!refused) return null;
  return (
    <div
      role="alert"
      className="flex shrink-0 items-center gap-4 border-b-2 border-warn bg-warn-soft px-5 py-2 text-lg"
    >
      <p className="flex-1">{refused} What stands is shown now.</p>
      <Button glove onClick={() => dispatch(refusalRead())}>
        Understood
      </Button>
    </div>
  );
}
