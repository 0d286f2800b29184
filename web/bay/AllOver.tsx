import { useJob } from '../job/job-context';
import { useState } from 'react';
import { MARK_KIND_IDS, MARK_KINDS, MARK_SEVERITIES, type MarkKindId } from '#core/survey/condition';
import type { Zone } from '#core/item/nets';
import { takesPolish } from '#core/prepare/steps';
import type { Surface } from '#formats/job';
import { markAllOver, sayFaultless } from '#job/edit';
import { ZONE_NAMES } from '../net/zone-names';
import { Button } from '../ui/Button';
import { SelectField } from '../ui/SelectField';

const SEVERITY_WORDS = { light: 'Light', medium: 'Medium', heavy: 'Heavy' } as const;
type Where = Zone | 'all';
const whereName = (where: Where) => (where === 'all' ? 'All paint' : ZONE_NAMES[where]);

/** Kinds that are found all over a panel; the rest stand in one place. */
const SPREAD_KINDS = MARK_KIND_IDS.filter(
  (kind) => MARK_KINDS[kind].polished && kind !== 'deep-scratch' && kind !== 'run',
);

interface Props {
  /** Panels it is said of. */
  readonly surfaces: readonly Surface[];
  /** Whether a zone may be picked out of them. */
  readonly zoned?: boolean;
}

/** What the paint looks like all over, said of many panels in one tap. */
export function AllOver({ surfaces, zoned = false }: Props) {
  const { edit } = useJob('edit');
  const [kind, setKind] = useState<MarkKindId>('swirls');
  const [where, setWhere] = useState<Where>('all');
  const paint = surfaces.filter(({ substrate }) => takesPolish(substrate));
  const meant = paint.filter(({ zone }) => where === 'all' || zone === where);
  const ids = meant.map(({ id }) => id);
  const unmarked = meant.filter(({ marks = [] }) => marks.length === 0).map(({ id }) => id);
  const zones = (['all', ...Object.keys(ZONE_NAMES)] as Where[]).filter(
    (zone) => zone === 'all' || paint.some((surface) => surface.zone === zone),
  );
  if (paint.length === 0) return null;
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        {zoned && (
          <SelectField
            label="Where"
            value={where}
            options={zones.map((zone) => [zone, whereName(zone)] as const)}
            onChange={setWhere}
          />
        )}
        <SelectField
          label="What, all over"
          value={kind}
          options={SPREAD_KINDS.map((id) => [id, MARK_KINDS[id].name] as const)}
          onChange={setKind}
        />
      </div>
      <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label={`${MARK_KINDS[kind].name} all over`}>
        {MARK_SEVERITIES.map((severity) => (
          <Button key={severity} onClick={() => edit(markAllOver(ids, { kind, severity }))}>
            {SEVERITY_WORDS[severity]}
          </Button>
        ))}
        <Button disabled={unmarked.length === 0} onClick={() => edit(sayFaultless(unmarked))}>
          Nothing to correct
        </Button>
      </div>
      <p className="mt-1 text-[13px] text-ink-2">
        Said of {ids.length === 1 ? 'this panel' : `${ids.length} panels`}; a single mark is still tapped where it is.
      </p>
    </>
  );
}
