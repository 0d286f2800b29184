import { useState } from 'react';
import type { Arrangement } from '#core/item/nets';
import { inWorkOrder, WORK_ORDERS, type WorkOrder } from '#core/plan/section-map';
import { inOrder } from '#job/edit';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Tick } from '../../ui/Tick';

/** The ways round an item that shops go by: one tap lays the panels in that order. */
export function OrderSchools({ arrangement }: { readonly arrangement: Arrangement }) {
  const job = useJob('document', 'edit');
  const [glassLast, setGlassLast] = useState(true);
  const outlines = new Map(arrangement.panels.map(({ id, outline }) => [id, outline]));
  const panels = job.document.surfaces.map(({ id, zone, substrate }) => ({
    id,
    zone,
    substrate,
    outline: outlines.get(id),
  }));
  return (
    <div className="mb-3">
      <div className="flex flex-wrap gap-2">
        {(Object.keys(WORK_ORDERS) as WorkOrder[]).map((school) => (
          <Button
            key={school}
            title={WORK_ORDERS[school].says}
            onClick={() => job.edit(inOrder(inWorkOrder(panels, school, glassLast)))}
          >
            {WORK_ORDERS[school].name}
          </Button>
        ))}
      </div>
      <Tick label="Glass last" on={glassLast} onChange={setGlassLast} />
      <p className="text-[13px] text-ink-2">
        The run sheet goes by this order wherever windows, hands and what waits for what leave the choice.
      </p>
    </div>
  );
}
