import { METHODS } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { airAt, condensation, minutesToWarm } from '#core/time/air';
import { mechanismInWords, type MilestoneName, rateInWords } from '#core/time/clocks';
import { warmUpTauMin } from '#core/lay/go';
import {
  type CoatPlan,
  coatWindow,
  inOnePiece,
  type LaidCoat,
  paceWith,
  type InputSurface,
  productsThatFit,
} from '#core/plan/job';
import { type FitOption, whatWouldFit, slowness } from '#core/plan/sections';
import type { Surface } from '#formats/job';
import { changeSurface } from '#job/edit';
import { PanelHead, Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Findings } from '../../ui/Findings';
import { NumberField } from '../../ui/NumberField';
import { Working } from '../../ui/Working';
import { celsius, m2 } from '../../ui/measures';
import { moment, span } from '../../ui/moments';
import { fixed } from '../../ui/numbers';
import { WindowDrawing } from '../../window/WindowDrawing';
import { windowTimes } from '../../window/window-times';
import { useInstrument } from './useInstrument';

const MILESTONE_WORDS: Readonly<Record<MilestoneName, string>> = {
  cue: 'Cue',
  levelFrom: 'Level from',
  levelBy: 'Level by',
  rewetBy: 'Re-wet by',
  recoatFrom: 'Recoat from',
  recoatBy: 'Recoat by',
  waterSafe: 'May get wet',
  handover: 'Hand over',
  washOk: 'First wash',
  fullCure: 'Full hardness',
};

/** Film has other words for the same moments. */
const FILM_WORDS: Readonly<Partial<Record<MilestoneName, string>>> = {
  levelFrom: 'Squeegee from',
  levelBy: 'Squeegee by',
  recoatFrom: 'Coat over it from',
  waterSafe: 'Edges sealed',
  fullCure: 'Water bubbles gone',
};

interface Props {
  readonly surface: Surface;
}

/** One panel in time: how its clocks run, its window, its sections, and all that follows. */
export function PanelTimes({ surface }: Props) {
  const job = useJob('bay', 'document', 'edit', 'nameOf', 'plan', 'planned');
  const { plan, document, planned, edit } = job;
  const own = plan.surfaces.find(({ id }) => id === surface.id)!;
  const plannedSurface = planned.surfaces.find(({ id }) => id === surface.id)!;
  const findings = plan.findings.filter((finding) => finding.surface === surface.id);
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">{m2(own.oneM2)}</p>
      </PanelHead>
      {findings.length > 0 && (
        <div className="border-b px-5 py-3">
          <Findings findings={findings} nameOf={job.nameOf} />
        </div>
      )}
      <Part title="Surface">
        <NumberField
          optional
          label="Measured by infrared spot; empty: as the air"
          unit="°C"
          value={surface.surfaceC}
          check={(value) => (value >= -40 && value <= 120 ? undefined : '−40 to 120 °C')}
          onChange={(surfaceC) => edit(changeSurface(surface.id, { surfaceC }))}
        />
        {job.bay && (
          <ProbeReading bayId={job.bay.id} onTake={(surfaceC) => edit(changeSurface(surface.id, { surfaceC }))} />
        )}
        <ColdSurface surface={plannedSurface} />
      </Part>
      {own.coats.length === 0 && <p className="p-5 text-ink-2">This panel stays bare: nothing to time.</p>}
      {own.coats.map((coat) => {
        const product = document.products.find(({ id }) => id === coat.product)!;
        return (
          <Part key={`${coat.layer}-${coat.coat}`} title={`${product.name}, coat ${coat.coat}`}>
            {coat.laid ? (
              <CoatTimes surface={plannedSurface} product={product} coat={coat} laid={coat.laid} />
            ) : (
              <p className="text-stop">Not laid: see above.</p>
            )}
          </Part>
        );
      })}
    </>
  );
}

const wordFor = (name: MilestoneName, { family }: Pick<Product, 'family'>): string =>
  (family === 'film' ? FILM_WORDS[name] : undefined) ?? MILESTONE_WORDS[name];

/** The contact probe of the bay's instrument, laid on this panel. */
function ProbeReading({ bayId, onTake }: { readonly bayId: string; readonly onTake: (surfaceC: number) => void }) {
  const reading = useInstrument(bayId);
  if (!reading) return null;
  return (
    <button type="button" className="mt-1 min-h-8 text-[14px] underline" onClick={() => onTake(reading.surfaceC)}>
      Take the probe’s {celsius(reading.surfaceC)}
    </button>
  );
}

/** A cold item in a warm bay: how far from the dew point, and how long until it is warm. */
function ColdSurface({ surface }: { readonly surface: InputSurface }) {
  const job = useJob('planned');

  if (surface.surfaceC === undefined) return null;
  const air = airAt(job.planned.ambient, 0);
  const dew = condensation(air.airC, air.rhPct, surface.surfaceC);
  if (dew.verdict === 'ok') {
    return <p className="mt-1 text-[14px] text-ink-2">{fixed(dew.marginK, 1)} K above the dew point: dry.</p>;
  }
  const tau = warmUpTauMin(surface.substrate);
  const wait = minutesToWarm(surface.surfaceC, air.airC, tau, dew.dewPointC + 3);
  return (
    <p className="mt-1 text-[14px]">
      {wait === null
        ? 'This air never brings it 3 K above its own dew point: dry the air or heat the bay.'
        : `In this air it is 3 K above the dew point after about ${span(wait)} (time constant ${tau} min); measure again then.`}
    </p>
  );
}

interface CoatProps {
  readonly surface: InputSurface;
  readonly product: Product;
  readonly coat: CoatPlan;
  readonly laid: LaidCoat;
}

function CoatTimes({ surface, product, coat, laid }: CoatProps) {
  const job = useJob('at', 'planned');
  const air = airAt(job.planned.ambient, laid.startMin);
  const times = windowTimes(laid.window);
  const { levelFromMin, levelByMin, guarded, cueMin } = laid.window;
  const { timing, maxSectionM2, sectionsPerCopy, sectionM2 } = laid;
  return (
    <>
      <ul className="text-[14px]">
        {(['flash', 'set'] as const).map((name) => {
          const clock = product.clocks[name];
          return (
            clock && (
              <li key={name}>
                <span className="text-ink-2">{name === 'flash' ? 'Flash' : 'Cure'}</span>{' '}
                <strong>{rateInWords(clock, air, surface.surfaceC ?? air.airC)}</strong>{' '}
                <span className="text-ink-3">({mechanismInWords(clock.mechanism)})</span>
              </li>
            )
          );
        })}
      </ul>
      {times && (
        <div className="mt-2">
          <WindowDrawing times={times} heightPx={86} />
          <p className="mt-1 text-[14px]">
            <Working
              name="Window to level"
              rows={[
                ...(cueMin !== undefined && cueMin !== null ? ([['Cue expected', span(cueMin)]] as const) : []),
                ['Opens, middle of the estimate', span(levelFromMin ?? 0)],
                ['Closes, middle of the estimate', levelByMin === null ? 'never' : span(levelByMin)],
                ['Spread of the next patch', `± ${(product.flashSigma * 100).toFixed(0)} %`],
                ['To be trusted from', span(guarded!.fromMin)],
                ['To be trusted until', guarded!.byMin === null ? 'no limit' : span(guarded!.byMin)],
              ]}
              rule="Minutes of the flash clock on the sheet, at the rate of this air and surface; then both ends moved in by the guard, by at most 40 % of the window."
            >
              Level from {span(guarded!.fromMin)}{' '}
              {guarded!.byMin === null ? 'on, no hurry' : `to ${span(guarded!.byMin)}`}
            </Working>{' '}
            <span className="text-ink-2">after laying starts</span>
          </p>
        </div>
      )}
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 text-[14px]">
        <dt className="text-ink-2">Largest section</dt>
        <dd className="text-right">{maxSectionM2 === null ? 'no limit' : m2(maxSectionM2)}</dd>
        <dt className="text-ink-2">Worked in</dt>
        <dd className="text-right font-semibold">
          {sectionsPerCopy === 1 ? 'one go' : `${sectionsPerCopy} sections of ${m2(sectionM2)}`}
        </dd>
        <dt className="text-ink-2">A section</dt>
        <dd className="text-right">
          lay {span(timing.layMin)}, go on elsewhere until it opens, level {span(timing.levelMin)}
        </dd>
        <dt className="text-ink-2">Laying starts</dt>
        <dd className="text-right">{moment(job.at(laid.startMin))}</dd>
        <dt className="text-ink-2">Levelled</dt>
        <dd className="text-right">{moment(job.at(laid.endMin))}</dd>
        {Object.entries(laid.milestones)
          .filter(([name]) => name !== 'cue')
          .map(([name, min]) => (
            <div key={name} className="contents">
              <dt className="text-ink-2">{wordFor(name as MilestoneName, product)}</dt>
              <dd className={`text-right ${min === null ? 'text-stop' : ''}`}>
                {min === null ? 'never in this air' : moment(job.at(min))}
              </dd>
            </div>
          ))}
      </dl>
      <WhatWouldFit surface={surface} product={product} coat={coat} laid={laid} />
    </>
  );
}

/** For a panel that has to be done in one piece and is too large for the window: what would make it fit. */
function WhatWouldFit({ surface, product, coat, laid }: CoatProps) {
  const job = useJob('planned', 'shelf');
  const { crew, matteSchool, ambient } = job.planned;
  const { guarded } = laid.window;
  if (
    !inOnePiece({ ...surface, substrate: coat.substrate }) ||
    laid.maxSectionM2 === null ||
    laid.sectionM2 <= laid.maxSectionM2 ||
    !guarded
  )
    return null;
  const air = airAt(ambient, laid.startMin);
  const offset = (surface.surfaceC ?? air.airC) - air.airC;
  const options = whatWouldFit({
    areaM2: laid.sectionM2,
    window: guarded,
    pace: paceWith(crew, product, coat.method, slowness(surface, laid.sectionM2, product)),
    mode: crew.mode,
    method: coat.method,
    airC: air.airC,
    windowAt: (airC) =>
      coatWindow(
        {
          product,
          substrate: coat.substrate,
          surfaceC: airC + offset,
          ambient: [{ ...air, atMin: 0, airC }],
          matteSchool,
        },
        0,
        crew.guardSigma,
      ).guarded ?? { fromMin: 0, byMin: 0 },
    airLimitsC: product.limits?.airC ?? [5, 35],
  });
  const { layer, substrate, method } = coat;
  const asked = { surface, layer, substrate, method, areaM2: laid.sectionM2, startMin: laid.startMin };
  const others = productsThatFit(job.planned, asked, job.shelf);
  return (
    <div className="mt-3 border-l-4 border-stop bg-stop-soft px-3 py-2 text-[14px]">
      <p className="font-semibold">
        Too large for one go: {m2(laid.sectionM2)} against {m2(laid.maxSectionM2)}. What would make it fit, each alone:
      </p>
      {options.length + others.length === 0 ? (
        <p>Nothing alone does. Two of them together may: a second person and a cooler bay.</p>
      ) : (
        <ul className="mt-1 list-disc pl-5">
          {options.map((option) => (
            <li key={JSON.stringify(option)}>{optionInWords(option)}</li>
          ))}
          {others.map(({ product: other, maxM2 }) => (
            <li key={other.id}>
              From the shelf, {other.name}: {maxM2 === null ? 'no limit then' : `up to ${m2(maxM2)}`}.
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

const WHO = { laying: 'who lays', levelling: 'who levels', both: 'both' } as const;

function optionInWords(option: FitOption): string {
  const upTo = (max: number | null) => (max === null ? 'no limit then' : `up to ${m2(max)}`);
  switch (option.kind) {
    case 'second-person':
      return `A second person following: ${upTo(option.maxM2)}.`;
    case 'method':
      return `${METHODS[option.method].name}: ${upTo(option.maxM2)}.`;
    case 'pace':
      return `${WHO[option.who]} ${option.factor > 1 ? 'faster' : 'slower'}, × ${option.factor.toFixed(2)}: lay ${option.pace.layM2PerMin.toFixed(2)}, level ${option.pace.levelM2PerMin.toFixed(2)} m²/min.`;
    case 'air':
      return `The bay at ${celsius(option.airC)}.`;
    case 'longer-window':
      return `A product whose window is ${option.factor.toFixed(1)} times as long.`;
  }
}
