import { useJob } from '../../job/job-context';
import { FULL_SITE } from '#core/prepare/stages';
import { STEP_KIND_IDS, STEP_KINDS } from '#core/prepare/steps';
import type { Job } from '#formats/job';
import { changePrepare } from '#job/edit';
import { NumberField } from '../../ui/NumberField';
import { OfferTicks } from '../../ui/OfferTicks';
import { Tick } from '../../ui/Tick';
import { SelectField } from '../../ui/SelectField';

type SaidSite = NonNullable<NonNullable<Job['prepare']>['site']>;

const STATES = {
  forCare: 'It is here for care: washed gently over what stands',
  salted: 'It comes salted or iced',
  overnight: 'It stands a night between the last wipe and the first layer',
} as const;

/** Where the preparation is done, where it moves to in the middle, and how it comes. */
export function SiteForm() {
  const { document, edit, prepared } = useJob('document', 'edit', 'prepared');
  const { prepare } = document;
  const { move } = prepare ?? {};
  // From the first step of the item on there is nothing to move.
  const stages = [...new Set(prepared.preparation.stages.map(({ kind }) => kind))].slice(1);
  const kinds = move && !stages.includes(move.from) ? [move.from, ...stages] : stages;
  const ordered = STEP_KIND_IDS.filter((kind) => kinds.includes(kind)).sort(
    (a, b) => kinds.indexOf(a) - kinds.indexOf(b),
  );
  const lost = prepared.preparation.panels
    .flatMap(({ steps }) => steps)
    .flatMap(({ kind, impossible, rule }) => (impossible && !rule ? [`${STEP_KINDS[kind].name}: ${impossible}`] : []));
  return (
    <>
      <Offers site={prepare?.site} onChange={(site) => edit(changePrepare({ site }))} />
      {Object.entries(STATES).map(([key, name]) => (
        <Tick
          key={key}
          label={name}
          on={prepare?.[key as keyof typeof STATES] ?? false}
          onChange={(on) => edit(changePrepare({ [key]: on || undefined }))}
        />
      ))}
      <div className="mt-2">
        <SelectField
          label="Moved on the way: elsewhere from"
          value={move?.from ?? ''}
          options={[['', 'it stays where it is'], ...ordered.map((kind) => [kind, STEP_KINDS[kind].name] as const)]}
          onChange={(from) => edit(changePrepare({ move: from ? { from: from, site: move?.site ?? {} } : undefined }))}
        />
      </div>
      {move && (
        <div className="mt-2 border-l-4 border-line-strong pl-3">
          <Offers site={move.site} onChange={(site) => edit(changePrepare({ move: { ...move, site } }))} />
        </div>
      )}
      {lost.length > 0 && (
        <ul className="mt-2 border-l-4 border-warn pl-3 text-[14px]">
          {[...new Set(lost)].map((line) => (
            <li key={line}>{line}.</li>
          ))}
        </ul>
      )}
    </>
  );
}

interface OffersProps {
  readonly site: SaidSite | undefined;
  readonly onChange: (site: SaidSite) => void;
}

function Offers({ site, onChange }: OffersProps) {
  return (
    <div className="grid grid-cols-2 gap-x-3">
      <OfferTicks offers={site} onChange={(offers) => onChange({ ...site, ...offers })} />
      <NumberField
        label="Air while washing"
        unit="°C"
        value={site?.airC ?? FULL_SITE.airC}
        check={(value) => (value > -40 && value < 60 ? undefined : '-40 to 60 °C')}
        onChange={(airC) => onChange({ ...site, airC })}
      />
    </div>
  );
}
