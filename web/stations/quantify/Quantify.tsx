import { useMemo } from 'react';
import { Station } from '../../job/Station';
import { useJob } from '../../job/useJobView';
import { Panel } from './PanelAmounts';
import { Purchases } from './Purchases';
import { amountLens, LEGEND } from './amount-lens';

/** How much of everything: per panel and coat, and what to buy for the whole. */
export function Component() {
  const job = useJob();
  const lens = useMemo(() => amountLens(job), [job]);
  return (
    <Station lens={lens} legend={LEGEND} lensName="by how much it takes">
      {job.chosen ? <Panel job={job} /> : <Purchases job={job} />}
    </Station>
  );
}
