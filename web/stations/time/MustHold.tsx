import { useMemo, useState } from 'react';
import { SUBSTRATES } from '#core/item/substrates';
import {
  curingCoats,
  LAMP_IDS,
  type LampId,
  type LampPlan,
  lampPlan,
  LAMPS,
  type MustHold as Hold,
  mustHold,
} from '#core/lay/cure';
import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import { USUAL_UNCERTAINTY } from '#core/schedule/rehearsal';
import { minutesBetween } from '#formats/values';
import { useBayAirQuery, useYardForecastQuery } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { SelectField } from '../../ui/SelectField';
import { celsius } from '../../ui/measures';
import { moment, span } from '../../ui/moments';
import { fixed } from '../../ui/numbers';

/** From this chance on it is planned for, per cent. */
const RAIN_FROM_PCT = 50;
const HOUR_MIN = 60;

/** How far the air of a job may be off its forecast, one sigma, K: as well as its bay was found again, else as usual. */
export function useAirSpread({ bay }: Pick<JobView, 'bay'>): number {
  const { data } = useBayAirQuery({ id: bay?.id ?? '', days: 14, points: 2 }, { skip: !bay });
  return data?.fit?.rmsK ?? USUAL_UNCERTAINTY.airK;
}

/** What must hold until it is handed over, what is in danger first, each with its way out. */
export function MustHold() {
  const job = useJob('at', 'bay', 'days', 'document', 'nameOf', 'nowMin', 'plan', 'planned', 'productName');
  const { document, planned, plan, days, nowMin } = job;
  const { data: weather } = useYardForecastQuery();
  const airK = useAirSpread(job);
  const holds = useMemo(() => {
    return mustHold({
      planned,
      plan,
      outFromMin: days.handedOverMin ?? undefined,
      rain: (weather?.hours ?? []).flatMap(({ at, rainPct }): [number, number][] => {
        const from = minutesBetween(document.startAt, at);
        return rainPct >= RAIN_FROM_PCT ? [[from, from + HOUR_MIN]] : [];
      }),
      airK,
      nowMin: Math.max(0, nowMin),
    });
  }, [document, planned, plan, days, weather, airK, nowMin]);
  if (holds.length === 0) return null;
  return (
    <Part title="What must hold">
      <ul className="flex flex-col gap-2">
        {holds.map((hold) => (
          <li
            key={hold.kind === 'recoat' ? `recoat ${hold.product}` : hold.kind}
            className={`border-l-4 px-3 py-2 ${hold.holds ? 'border-ok' : 'border-stop bg-stop-soft'}`}
          >
            {hold.holds ? '✓' : '✕'} {inWords(hold, job, airK)}
          </li>
        ))}
      </ul>
      {weather && (
        <p className="mt-2 text-[13px] text-ink-2">
          Rain by the {weather.simulated && 'simulated '}forecast for the yard, from a chance of {RAIN_FROM_PCT} % on.
        </p>
      )}
    </Part>
  );
}

function inWords(hold: Hold, job: Pick<JobView, 'at' | 'nameOf' | 'productName'>, airK: number): string {
  const at = (min: number) => moment(job.at(min));
  switch (hold.kind) {
    case 'dry': {
      const goesOut = hold.outFromMin < hold.untilMin;
      if (hold.rainMin !== undefined)
        return `Rain is expected ${at(hold.rainMin)}, and it is safe from water only ${at(hold.untilMin)}. Keep it under a roof until then, or set a lamp.`;
      return goesOut
        ? `Dry until ${at(hold.untilMin)}: it is outside from ${at(hold.outFromMin)} on, and no rain is expected.`
        : `Dry until ${at(hold.untilMin)}: it is still inside then.`;
    }
    case 'air': {
      const unsure = `The bay is known within ${fixed(NINE_IN_TEN_SIGMAS * airK, 1)} K, nine days in ten.`;
      if (hold.spareK === null)
        return hold.warmerK === null
          ? 'Not ready when it is needed, however warm the bay is: begin earlier, set a lamp, or agree on later.'
          : `Not ready when it is needed: the bay would have to be ${fixed(hold.warmerK!, 1)} K warmer until then.`;
      return hold.holds
        ? `The bay may be ${fixed(hold.spareK, 1)} K colder than expected. ${unsure}`
        : `The bay may be only ${fixed(hold.spareK, 1)} K colder than expected. ${unsure} Heat through the night, or set a lamp.`;
    }
    case 'recoat':
      return `${job.productName(hold.product)} on ${job.nameOf(hold.surface)} closes ${at(hold.byMin)}; the next coat is begun ${at(hold.startsMin)}${hold.holds ? '' : ': abrade it first, or begin earlier'}.`;
  }
}

/** A lamp on the chosen panel, or on all that cures slowest: how often, how long, and whether it beats waiting. */
export function UnderLamp() {
  const job = useJob('at', 'bay', 'chosen', 'nowMin', 'plan', 'planned');

  // Those of the bay; where nobody said which there are, any.
  const there = job.bay?.room?.lamps?.length ? job.bay.room.lamps : LAMP_IDS;
  const [asked, setLamp] = useState<LampId>('stand');
  const lamp = there.includes(asked) ? asked : there[0]!;
  const { chosen, plan, planned, nowMin } = job;
  const own = plan.surfaces.find(({ id }) => id === chosen?.id);
  const last = own?.coats.findLast(({ laid }) => laid);
  const plans = useMemo(() => {
    const products = new Map(planned.products.map((product) => [product.id, product]));
    if (own) {
      if (!last?.laid) return [];
      const { product, substrate, laid } = last;
      const on = { product: products.get(product)!, substrate, areaM2: own.areaM2, endMin: laid.endMin };
      return [
        {
          name: products.get(product)!.name,
          plan: lampPlan({ ...on, fromMin: nowMin, ambient: planned.ambient }, LAMPS[lamp]),
        },
      ];
    }
    const curing = curingCoats(planned, plan);
    return curing.map(({ product, substrate, endMin }) => {
      const areaM2 = plan.surfaces.reduce(
        (sum, { areaM2: whole, coats }) =>
          sum +
          (coats.some((coat) => coat.product === product.id && coat.substrate === substrate && coat.laid) ? whole : 0),
        0,
      );
      const on = { product, substrate, areaM2, endMin, fromMin: nowMin, ambient: planned.ambient };
      const isOnMore = curing.some((other) => other.product === product && other.substrate !== substrate);
      const name = isOnMore ? `${product.name} on ${SUBSTRATES[substrate].name.toLowerCase()}` : product.name;
      return { name, plan: lampPlan(on, LAMPS[lamp]) };
    });
  }, [own, last, plan, planned, nowMin, lamp]);
  if (plans.length === 0) return null;
  return (
    <Part title="Under a lamp">
      <SelectField
        label="Lamp"
        value={lamp}
        options={there.map((id) => [id, LAMPS[id].name] as const)}
        onChange={setLamp}
      />
      <ul className="mt-2">
        {plans.map(({ name, plan: found }, index) => (
          <li key={`${name} ${index}`} className="border-b py-1.5 last:border-b-0">
            <strong className="font-semibold">{name}</strong>:{' '}
            {found ? lampInWords(found, job) : 'no lamp stands on it, or it would not help.'}
          </li>
        ))}
      </ul>
      <p className="mt-2 border-l-4 border-line-strong px-3 text-[14px]">
        A lamp burns skin and sets fire: keep the maker’s distance, nothing hung near it, nobody away from it. Measure
        the surface; film, wrap, lenses and gelcoat take less than paint.
      </p>
    </Part>
  );
}

function lampInWords(found: LampPlan, job: Pick<JobView, 'at'>): string {
  const { placements, minutesEach, wholeMin, surfaceC, isCapped, readyMin, gainMin } = found;
  const places = placements === 1 ? 'one place' : `${placements} places`;
  const how = `${places}, ${span(minutesEach)} each at ${celsius(surfaceC)}${isCapped ? ' (no more: the surface)' : ''}, ${span(wholeMin)} in all; ready ${moment(job.at(readyMin))}`;
  if (gainMin === null) return `${how}. Without it, never.`;
  return gainMin > 0 ? `${how}, ${span(gainMin)} sooner than by waiting.` : `${how}. Waiting is quicker.`;
}
