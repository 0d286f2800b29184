import { airAt, type BayClimate, condensation } from '#core/time/air';
import { type Bay, wantedBy } from '#formats/job';
import { changeOwner, moveToBay, startAt, typeAir } from '#job/edit';
import { errorText } from '../../app/api';
import { useSaveBay } from '../../app/calls';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { DateTimeField } from '../../ui/DateField';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';
import { celsius } from '../../ui/measures';
import { fromInput, toInput } from '../../ui/moments';
import { fixed } from '../../ui/numbers';
import { StartDoubts } from '../../hours/StartDoubts';
import { WeekForm } from '../../hours/WeekForm';
import { useInstrument } from './useInstrument';
import { Thermometer } from 'lucide-react';

const TYPED = 'typed';

/** Where and when: the bay, its air as expected, typed in or read off, and the two moments that matter. */
export function AirForm() {
  const job = useJob('at', 'bay', 'bays', 'begun', 'days', 'document', 'draft', 'edit', 'id', 'nowMin', 'planned');
  const { document, draft, bays, bay, edit, begun } = job;
  const air = airAt(job.planned.ambient, begun ? job.nowMin : 0);
  const dew = condensation(air.airC, air.rhPct, air.airC);
  const inBay = draft.airSource === 'bay' ? bay : undefined;
  const type = (changes: Partial<typeof air>) => {
    const { airC, rhPct, airSpeed } = { ...air, ...changes };
    edit(typeAir({ airC, rhPct, airSpeed }, inBay));
  };
  return (
    <>
      <Part title="Air">
        <SelectField
          label="Where the air comes from"
          value={inBay?.id ?? TYPED}
          options={[
            ...bays.map(({ id, name }) => [id, `${name}, as it is expected`] as const),
            [TYPED, 'Typed in: holds all through'],
          ]}
          onChange={(next) => {
            const chosen = bays.find(({ id }) => id === next);
            edit(
              chosen
                ? moveToBay(chosen)
                : typeAir({ airC: air.airC, rhPct: air.rhPct, airSpeed: air.airSpeed }, undefined),
            );
          }}
        />
        <div className="mt-3 grid grid-cols-3 gap-3">
          <NumberField
            label="Air"
            disabled={begun}
            unit="°C"
            value={Number(air.airC.toFixed(1))}
            check={(value) => (value >= -30 && value <= 60 ? undefined : '−30 to 60 °C')}
            onChange={(airC) => airC !== undefined && type({ airC })}
          />
          <NumberField
            label="Humidity"
            disabled={begun}
            unit="%"
            value={Number(air.rhPct.toFixed(1))}
            check={(value) => (value >= 0 && value <= 100 ? undefined : '0 to 100 %')}
            onChange={(rhPct) => rhPct !== undefined && type({ rhPct })}
          />
          <NumberField
            label="Air speed"
            disabled={begun}
            unit="m/s"
            value={Number(air.airSpeed.toFixed(1))}
            check={(value) => (value >= 0 && value <= 20 ? undefined : '0 to 20 m/s')}
            onChange={(airSpeed) => airSpeed !== undefined && type({ airSpeed })}
          />
        </div>
        <p className="mt-2 text-[14px] text-ink-2">
          {begun
            ? 'As it is expected now. Laying has begun: what the air really is is read at the bay, under Run, and stands in the log. '
            : inBay
              ? 'As the bay is expected to be at the start. Type or read what it really is: the rest of the day follows from that. '
              : 'Holds all through. '}
          Dew point {celsius(dew.dewPointC)}. A surface colder than {celsius(dew.dewPointC + 3)} is too close to it; a
          measured surface is entered at its panel.
        </p>
        {bay && <Reading bay={bay} />}
        {bay && <ClimateForm key={bay.id} bay={bay} />}
        {bay && <WeekForm key={`${bay.id} week`} bay={bay} />}
      </Part>
      <Part title="When">
        <div className="grid grid-cols-2 gap-3">
          <DateTimeField
            label="Work begins"
            required
            value={toInput(document.startAt)}
            disabled={begun}
            onChange={(next) => {
              const instant = fromInput(next, document.startAt);
              if (instant) edit(startAt(instant, bay));
            }}
          />
          <DateTimeField
            label="Owner needs it by"
            value={document.owner?.needsBy ? toInput(document.owner.needsBy) : ''}
            onChange={(next) =>
              edit(changeOwner({ needsBy: next === '' ? undefined : fromInput(next, document.startAt) }))
            }
          />
        </div>
        {begun ? (
          <p className="mt-1 text-[13px] text-ink-2">Laying has begun; its start stands on the record.</p>
        ) : (
          <StartDoubts
            jobId={job.id}
            bay={bay}
            startAt={document.startAt}
            until={job.days.readyMin === null ? document.startAt : job.at(job.days.readyMin)}
            wantedBy={wantedBy(document)}
          />
        )}
      </Part>
    </>
  );
}

/** What the bay's thermo-hygrometer says now, and taking it over. */
function Reading({ bay }: { readonly bay: Bay }) {
  const job = useJob('begun', 'edit');
  const reading = useInstrument(bay.id);
  if (reading === null) {
    return (
      <p role="alert" className="mt-3 text-[14px] text-stop">
        The instrument in {bay.name} does not answer, or says what no bay has; type the air in.
      </p>
    );
  }
  return (
    <div className="mt-3 flex items-center gap-3 border-l-4 border-line-strong bg-sheet px-3 py-2">
      <Thermometer size={18} aria-hidden className="shrink-0" />
      <p className="flex-1 text-[14px]">
        <span className="label block">
          {reading?.simulated ? 'Simulated instrument' : 'Instrument'} in {bay.name}, now
        </span>
        {reading
          ? `${celsius(reading.airC)}, ${fixed(reading.rhPct, 0)} %, panel ${celsius(reading.surfaceC)}`
          : 'listening …'}
      </p>
      <Button
        disabled={!reading || job.begun}
        onClick={() => {
          if (!reading) return;
          const { airC, rhPct, airSpeed } = reading;
          job.edit(typeAir({ airC, rhPct, airSpeed }, bay));
        }}
      >
        Take it over
      </Button>
    </div>
  );
}

const CLIMATE_FIELDS: readonly (readonly [keyof BayClimate, string, string])[] = [
  ['openC', 'Heated to', '°C'],
  ['nightC', 'Falls at night to', '°C'],
  ['openRhPct', 'Humidity while open', '%'],
  ['opensAtHour', 'Heating on at', 'h'],
  ['closesAtHour', 'Heating off at', 'h'],
  ['tauMin', 'Cools with a time constant of', 'min'],
];

/** The bay's own climate; a change is for every job planned in it from then on, and for this one at once. */
function ClimateForm({ bay }: { readonly bay: Bay }) {
  const job = useJob('draft', 'edit');
  const [save, { error }] = useSaveBay();
  const change = async (key: keyof BayClimate, value: number) => {
    const next = { ...bay, climate: { ...bay.climate, [key]: value } };
    const saved = await save(next).unwrap();
    if (job.draft.airSource === 'bay') job.edit(moveToBay(saved));
  };
  return (
    <details className="mt-3 border-t pt-2">
      <summary className="text-[14px] text-ink-2">How {bay.name} runs through a day</summary>
      <div className="mt-2 grid grid-cols-2 gap-3">
        {CLIMATE_FIELDS.map(([key, label, unit]) => (
          <NumberField
            key={key}
            label={label}
            unit={unit}
            value={bay.climate[key]}
            onChange={(value) => value !== undefined && void change(key, value).catch(() => undefined)}
          />
        ))}
      </div>
      {error && (
        <p role="alert" className="mt-1 text-[13px] text-stop">
          {errorText(error)}
        </p>
      )}
    </details>
  );
}
