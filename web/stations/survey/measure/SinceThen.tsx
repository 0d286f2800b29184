import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { caughtUp, changedSince } from '#job/return';
import { useItemHistoryQuery, useJobQuery, useLogQuery } from '../../../app/api';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { day } from '../../../ui/moments';

/** A job that was planned ahead: its item was here since, and something else lies on it now. */
export function SinceThen() {
  const { id, document, edit, nameOf, record } = useJob('id', 'document', 'edit', 'nameOf', 'record');
  const isBegun = record.stages.size + record.patches.size > 0;
  const itemId = isBegun ? undefined : document.item?.id;
  const { data: own } = useJobQuery({ id });
  const { data: history } = useItemHistoryQuery(itemId === undefined ? skipToken : { id: itemId });
  const lastId =
    own && history && history.lastJobId !== id && Date.parse(history.lastDoneAt ?? '') > Date.parse(own.createdAt)
      ? history.lastJobId
      : undefined;
  const { data: last } = useJobQuery(lastId === undefined ? skipToken : { id: lastId });
  const { data: log } = useLogQuery(lastId === undefined ? skipToken : { id: lastId });
  const visit = useMemo(() => last && log && { document: last.document, log }, [last, log]);
  const changed = useMemo(() => (visit ? changedSince(document, visit) : []), [document, visit]);
  if (!visit || changed.length === 0) return null;
  return (
    <section aria-label="Changed since this job was planned" className="border-b bg-warn-soft px-5 py-4">
      <p>
        <strong>{visit.document.title}</strong>, {day(visit.document.startAt)}, was worked on after this job was
        planned, which changed what is on {changed.length === 1 ? nameOf(changed[0]!) : `${changed.length} panels`}.
      </p>
      <Button
        className="mt-3"
        onClick={() => edit((draft) => ({ ...draft, document: caughtUp(draft.document, visit) }))}
      >
        Update what is on it
      </Button>
    </section>
  );
}
