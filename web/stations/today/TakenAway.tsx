import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { errorText, useBringJobBackMutation } from '../../app/api';
import { Button } from '../../ui/Button';

/** Said once, where a job was just taken away: it can be brought back. */
export function TakenAway() {
  const { state } = useLocation() as { state: { takenAway?: { id: string; title: string } } | null };
  const navigate = useNavigate();
  const [bringBack, { error, isLoading }] = useBringJobBackMutation();
  const [done, setDone] = useState(false);
  const taken = state?.takenAway;
  if (!taken || done) return null;
  const undo = async () => {
    await bringBack({ id: taken.id }).unwrap();
    setDone(true);
    await navigate(`/jobs/${taken.id}/survey`);
  };
  return (
    <div role="status" className="mt-5 flex items-center gap-4 border-l-4 border-line-strong bg-sheet px-4 py-2">
      <p className="min-w-0 flex-1">
        <strong>{taken.title}</strong> was taken away.{' '}
        {error ? <span className="text-stop">{errorText(error)}</span> : 'It can be brought back for 30 days.'}
      </p>
      <Button disabled={isLoading} onClick={() => void undo().catch(() => undefined)}>
        Bring it back
      </Button>
    </div>
  );
}
