import { useNavigate } from 'react-router';
import type { Job } from '#formats/job';
import { expectedAir } from '#job/edit';
import { useMakeJob } from '../../app/calls';
import type { JobView } from '../../job/useJobView';

/** Takes in a job that follows from this one, in the same bay, and goes to one of its stations. */
export function useMakeNextJob({ bay }: Pick<JobView, 'bay'>) {
  const [makeJob, { error, isLoading }] = useMakeJob();
  const navigate = useNavigate();
  const make = (made: Job, station: 'prepare' | 'run') =>
    void makeJob({
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
