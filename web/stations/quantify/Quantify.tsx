import { useMemo } from 'react';
import { Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Panel } from './PanelAmounts';
import { PickListView } from './PickList';
import { Purchases } from './Purchases';
import { SectionPlan } from './SectionPlan';
import { useQuantifyView, ViewSwitch } from './ViewSwitch';
import { FilmBlanks } from './film/FilmBlanks';
import { FilmRoll } from './film/FilmRoll';
import { amountLens, LEGEND } from './amount-lens';

/** How much of everything: per panel and coat, what to buy for the whole, and what has to lie ready. */
export function Component() {
  const job = useJob('chosen', 'plan', 'products');
  const view = useQuantifyView();
  const lens = useMemo(() => amountLens(job), [job]);
  if (view === 'sections') return <SectionPlan />;
  if (view === 'film') return <FilmBlanks />;
  if (view === 'roll') return <FilmRoll />;
  if (view === 'list') return <PickListView />;
  return (
    <Station lens={lens} legend={LEGEND} lensName="by how much it takes" headline={<ViewSwitch />}>
      {job.chosen ? <Panel /> : <Purchases />}
    </Station>
  );
}
