import { useMemo, useState } from 'react';
import { preparationMin } from '#core/schedule/hours';
import { compareLevels } from '#core/prepare/stages';
import { changePrepare } from '#job/edit';
import { Station } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { OwnerComparison } from './OwnerComparison';
import { PanelSteps } from './PanelSteps';
import { ScopeStrip } from './ScopeStrip';
import { WholePreparation } from './WholePreparation';
import { PREPARE_LEGEND, prepareLens } from './prepare-lens';

/** How the item is made ready: how far it is corrected, what that takes, and what its paint can stand. */
export function Component() {
  const job = useJob('chosen', 'document', 'edit', 'prepared');
  const { document, chosen, edit } = job;
  const { prepared: view } = job;
  const options = useMemo(
    () => compareLevels(view.cases, view.settings).map((each) => ({ ...each, minutes: preparationMin(each.minutes) })),
    [view],
  );
  const lens = useMemo(() => prepareLens(view.preparation.panels), [view]);
  const [comparing, setComparing] = useState(false);
  const prepared = chosen && view.preparation.panels.find(({ id }) => id === chosen.id);
  if (comparing) return <OwnerComparison options={options} onBack={() => setComparing(false)} />;
  return (
    <Station
      lens={lens}
      legend={PREPARE_LEGEND}
      lensName="preparation"
      headline={
        <ScopeStrip
          options={options}
          onCompare={() => setComparing(true)}
          chosen={view.settings.level}
          hourRate={document.prepare?.hourRate}
          currency={document.currency}
          onChoose={(level) => edit(changePrepare({ level }))}
        />
      }
    >
      {chosen && prepared ? (
        <PanelSteps key={chosen.id} surface={chosen} prepared={prepared} />
      ) : (
        <WholePreparation options={options} />
      )}
    </Station>
  );
}
