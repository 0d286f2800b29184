import type { JobSummary } from '#formats/job';
import { useJobsOfTheDayQuery } from '../app/api';
import { moment } from '../ui/moments';

interface Props {
  /** The job that is to begin; absent: a new one. */
  readonly jobId?: string;
  readonly bay: { readonly id: string; readonly name: string } | undefined;
  readonly startAt: string;
  /** Until when it would stand there; the start itself where nothing is known of it yet. */
  readonly until: string;
  readonly wantedBy: string | undefined;
}

/** What speaks against a start, said while it is chosen: its bay is taken, or it is wanted before it begins. */
export function StartDoubts({ jobId, bay, startAt, until, wantedBy }: Props) {
  const { data: jobs = [] } = useJobsOfTheDayQuery();
  const taken =
    bay === undefined ? [] : jobs.filter((job) => job.id !== jobId && standsIn(job, bay.id, startAt, until));
  const isBefore = wantedBy !== undefined && Date.parse(wantedBy) < Date.parse(startAt);
  if (taken.length === 0 && !isBefore) return null;
  return (
    <div role="alert" className="mt-2 border-l-4 border-warn bg-warn-soft px-3 py-2 text-[14px]">
      {isBefore && <p>The job is wanted {moment(wantedBy)}, before its work begins. Change one of the two dates.</p>}
      {taken.map((job) => (
        <p key={job.id}>
          {bay!.name} is taken by {job.title}, {moment(job.startAt)} to {moment(job.ready!)}. Move the start, or choose
          another bay.
        </p>
      ))}
    </div>
  );
}

/** It stands in that bay some of the time between. */
const standsIn = ({ bayId, startAt, ready }: JobSummary, bay: string, from: string, until: string): boolean =>
  bayId === bay && ready !== null && Date.parse(startAt) <= Date.parse(until) && Date.parse(ready) > Date.parse(from);
