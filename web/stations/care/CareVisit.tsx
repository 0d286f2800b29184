import { useMemo, useState } from 'react';
import { topOf } from '#core/care/upkeep';
import { careVisitJob, isTopper, panelsFor } from '#job/care-visit';
import { jobAgain } from '#job/return';
import { useLogQuery } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Fault } from '../../ui/Fault';
import { SelectField } from '../../ui/SelectField';
import { useMakeNextJob } from './useMakeNextJob';

const NO_TOPPER = '';

/** The item here for care: a job of its own, in minutes. */
export function CareVisit() {
  const job = useJob('at', 'bay', 'document', 'id', 'nowMin', 'shelf', 'standing');
  const { id, document, shelf } = job;
  const { currentData: log } = useLogQuery({ id });
  const { make, error, isLoading } = useMakeNextJob(job);
  const [chosen, choose] = useState(NO_TOPPER);
  const startAt = job.at(Math.max(0, Math.ceil(job.nowMin)));
  const stands = job.standing.some((subject) => topOf(subject) !== undefined);
  const toppers = useMemo(() => {
    if (!log || !stands) return [];
    const back = jobAgain(document, log, { what: '', startAt: document.startAt });
    return shelf
      .filter(isTopper)
      .map((sheet) => ({ sheet, panels: panelsFor(back, sheet).length }))
      .filter(({ panels }) => panels > 0);
  }, [document, log, shelf, stands]);
  if (!stands) return null;
  const topper = toppers.find(({ sheet }) => sheet.id === chosen);
  return (
    <Part title="It is here for care">
      <SelectField
        label="Laid over what stands"
        value={chosen}
        options={[
          [NO_TOPPER, 'nothing: washed and looked at'],
          ...toppers.map(({ sheet, panels }) => [sheet.id, `${sheet.name}, ${panels} panels`] as const),
        ]}
        onChange={choose}
      />
      <Button
        look="main"
        className="mt-3"
        disabled={!log || isLoading}
        onClick={() => log && make(careVisitJob(document, log, { startAt, topper: topper?.sheet }), 'run')}
      >
        Begin a care visit
      </Button>
      <p className="mt-1 text-[14px] text-ink-2">
        A job of its own: washed first, drops read panel by panel, what is found noted. It speaks for how long this
        lasts.
      </p>
      <Fault error={error} />
    </Part>
  );
}
