import { nanoid } from '@reduxjs/toolkit';
import { useNavigate } from 'react-router';
import type { Job } from '#formats/job';
import { expectedAir } from '#job/edit';
import { useAddJobMutation } from '../../app/api';
import type { JobView } from '../../job/useJobView';

/** Takes in a job that follows from this one, in the same bay, and goes to one of its stations. */
export function useMakeJob({ bay }: Pick<JobView, 'bay'>) {
  const [addJob, { error, isLoading }] = useAddJobMutation();
  const navigate = useNavigate();
  const make = (made: Job, station: 'prepare' | 'run') =>
    void addJob({
      id: nanoid(),
      document: { ...made, ambient: bay ? expectedAir(bay, made.startAt) : made.ambient },
      bayId: bay?.id ?? null,
      airSource: bay ? 'bay' : 'typed',
    })
      .unwrap()
      .then(
        (record) => navigate(`/jobs/${record.id}/${station}`),
        () => undefined,
      );
  return { make, error, isLoading };
}
