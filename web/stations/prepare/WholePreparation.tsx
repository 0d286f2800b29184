import { MARK_KINDS } from '#core/survey/condition';
import { CLEAR_RESERVE_UM, GELCOAT_RESERVE_UM, SINGLE_STAGE_RESERVE_UM } from '#core/survey/paint';
import { preparationMin } from '#core/schedule/hours';
import {
  adviseLevel,
  looseEnds,
  type PrepareSchools,
  type PrepStage,
  SCHOOL_CHOICES,
  type ScopeOption,
  stageKey,
  type StageRef,
  stageState,
  USE_NAMES,
  USES,
  waterHides,
} from '#core/prepare/stages';
import { surfaceName } from '#formats/job';
import { changePrepare } from '#job/edit';
import { USUAL_YEARS } from '#job/prepare';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { useNow } from '../../ui/useNow';
import { NumberField } from '../../ui/NumberField';
import { SchoolField } from '../../ui/SchoolField';
import { SelectField } from '../../ui/SelectField';
import { AllOver } from '../../bay/AllOver';
import { SiteForm } from './SiteForm';
import { StageRow } from './StageRow';
import { hours } from '../../ui/hours';

interface Props {
  readonly options: readonly ScopeOption[];
}

/** The item's preparation in working order, what it uses, and what it follows from. */
export function WholePreparation({ options }: Props) {
  const job = useJob('choose', 'document', 'edit', 'nameOf', 'prepared', 'record');
  const { document, edit, choose, nameOf } = job;
  const { preparation, settings, day } = job.prepared;
  const { prepare } = document;
  const option = options.find(({ level }) => level === settings.level)!;
  const isNotRunning = (stage: StageRef) => {
    const state = stageState(job.record.stages.get(stageKey(stage)));
    return state === 'todo' || state === 'done';
  };
  // Begun, and by a later change no longer planned: it is still to be finished.
  const planned = new Set(preparation.stages.map(stageKey));
  const orphans = [...job.record.stages.values()].filter(({ stage }) => !planned.has(stageKey(stage)));
  const running = [
    ...preparation.stages,
    ...orphans.map(({ stage }): PrepStage => ({ ...stage, steps: [], minutes: 0, defaultMin: 0 })),
  ].filter((stage) => !isNotRunning(stage));
  const hides = waterHides(document.surfaces.map((surface) => ({ ...surface, name: surfaceName(surface) })));
  const marks = new Map(
    document.surfaces.flatMap(({ id, marks: own = [] }) => own.map((mark) => [mark.id, { id, mark }])),
  );
  const total = preparationMin(preparation.minutes);
  const clock = [
    ...(total > preparation.minutes ? [`${hours(total - preparation.minutes)} of it set-up and packing up`] : []),
    ...(day.waitedMin >= 1
      ? [`${hours(day.elapsedMin)} by the clock, ${hours(day.waitedMin)} of it waiting for something to dry`]
      : []),
    ...(day.readyMin > day.elapsedMin + 1 ? [`ready to be laid over ${hours(day.readyMin)} after the beginning`] : []),
    ...(preparation.unpaidMin > 0 ? [`${hours(preparation.unpaidMin)} of the work unpaid`] : []),
  ];
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">Preparation, one person</h2>
        <p className="figure text-4xl">{hours(total)}</p>
        {clock.length > 0 && <p className="text-[14px] text-ink-2">{clock.join('; ')}.</p>}
        <p className="mt-1 text-ink-2">{option.says}</p>
        {option.stays.length > 0 && (
          <p className="mt-1 text-[14px]">
            Stays, or is eased only:{' '}
            {option.stays.slice(0, 4).map((id, index) => {
              const seen = marks.get(id);
              return (
                seen && (
                  <span key={id}>
                    {index > 0 && '; '}
                    <button type="button" className="underline" onClick={() => choose(seen.id)}>
                      {MARK_KINDS[seen.mark.kind].name.toLowerCase()} on the {nameOf(seen.id).toLowerCase()}
                    </button>
                  </span>
                )
              );
            })}
            {option.stays.length > 4 && ` and ${option.stays.length - 4} more`}.
          </p>
        )}
      </section>
      {running.length > 0 && (
        <Part title="Running now">
          <ol className="text-[14px]">
            {running.map((stage) => (
              <StageRow key={stageKey(stage)} stage={stage} turns={[]} />
            ))}
          </ol>
        </Part>
      )}
      <NobodyLooked />
      <LooseEnds />
      <UseAdvice options={options} />
      <Part title="In working order">
        <ol className="text-[14px]">
          {preparation.stages.filter(isNotRunning).map((stage) => (
            <StageRow
              key={stageKey(stage)}
              stage={stage}
              turns={day.turns.filter((turn) => stageKey(turn) === stageKey(stage))}
            />
          ))}
        </ol>
      </Part>
      {hides.length > 0 && (
        <Part title="Where water hides on this item">
          <p className="text-[14px]">{hides.join(', ')}. Blow them out first, and look again before laying.</p>
        </Part>
      )}
      <Part title="What it uses">
        <table className="w-full text-[14px]">
          <tbody>
            {preparation.uses.map(({ what, unit, amount }) => (
              <tr key={what} className="border-t first:border-t-0">
                <th scope="row" className="py-1 text-left font-normal">
                  {what}
                </th>
                <td className="text-right">
                  {unit === '' ? Math.ceil(amount) : amount.toFixed(amount < 10 ? 1 : 0)} {unit}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Part>
      <Part title="Where it is done">
        <SiteForm />
      </Part>
      <Part title="What it is worked out with">
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            label="Kept for"
            unit="years"
            value={prepare?.yearsPlanned ?? USUAL_YEARS}
            check={(value) => (value > 0 && value <= 60 ? undefined : 'more than 0, at most 60')}
            onChange={(yearsPlanned) => edit(changePrepare({ yearsPlanned }))}
          />
          <NumberField
            label="Reserve of clear"
            unit="µm"
            optional
            hint={
              prepare?.reserveUm === undefined
                ? `as usual: ${CLEAR_RESERVE_UM}, single stage ${SINGLE_STAGE_RESERVE_UM}, gelcoat ${GELCOAT_RESERVE_UM}`
                : 'on every panel, whatever its paint'
            }
            value={prepare?.reserveUm}
            check={(value) => (value >= 0 && value <= 1000 ? undefined : '0 to 1,000 µm')}
            onChange={(reserveUm) => edit(changePrepare({ reserveUm }))}
          />
          <NumberField
            optional
            label={`Hour of work, ${document.currency}`}
            value={prepare?.hourRate === undefined ? undefined : prepare.hourRate / 100}
            check={(value) => (value >= 0 && value < 10_000 ? undefined : '0 to 10,000')}
            onChange={(rate) =>
              edit(changePrepare({ hourRate: rate === undefined ? undefined : Math.round(rate * 100) }))
            }
          />
        </div>
      </Part>
      <Part title="Schools of this workshop">
        <div className="space-y-3">
          {(Object.keys(SCHOOL_CHOICES) as (keyof PrepareSchools)[]).map((key) => (
            <SchoolField
              key={key}
              label={SCHOOL_LABELS[key]}
              choices={SCHOOL_CHOICES[key] as Readonly<Record<string, { name: string; changes: string }>>}
              value={settings.schools[key]}
              onChange={(next) => edit(changePrepare({ schools: { ...prepare?.schools, [key]: next } }))}
            />
          ))}
        </div>
      </Part>
    </>
  );
}

const SCHOOL_LABELS: Readonly<Record<keyof PrepareSchools, string>> = {
  iron: 'Iron remover',
  wheels: 'Wheels',
  masking: 'Masking',
  wipe: 'Strip before the first layer',
  chips: 'Chips',
  machine: 'Cutting machine',
  order: 'Order of work',
  drying: 'Drying',
  pad: 'Pad',
  marks: 'Marks before a coating',
};

/** What is sensible for what the item is for, worked out from what each level would do on it. */
function UseAdvice({ options }: Props) {
  const job = useJob('document', 'edit', 'prepared');
  const use = job.document.prepare?.use;
  const advice = use && adviseLevel(options, use);
  const option = advice && options.find(({ level }) => level === advice.level);
  const chosen = job.prepared.settings.level;
  return (
    <Part title="What it is for">
      <SelectField
        label="Use"
        value={use ?? ''}
        options={[['', 'not said'], ...USES.map((id) => [id, USE_NAMES[id]] as const)]}
        onChange={(next) => job.edit(changePrepare({ use: next || undefined }))}
      />
      {advice && option && (
        <div className="mt-2 border-l-4 border-line-strong pl-3 text-[14px]">
          <p>
            Sensible: <strong>{option.name.toLowerCase()}</strong>. {advice.why}
          </p>
          {advice.level !== chosen && (
            <Button className="mt-1" onClick={() => job.edit(changePrepare({ level: advice.level }))}>
              Take {option.name.toLowerCase()}
            </Button>
          )}
        </div>
      )}
    </Part>
  );
}

/** Panels of whose paint nothing is said: asked about where the hours are worked out, and answered there in one tap. */
function NobodyLooked() {
  const job = useJob('document', 'prepared');
  const unknown = new Set(job.prepared.preparation.panels.filter((panel) => panel.unknown).map(({ id }) => id));
  if (unknown.size === 0) return null;
  return (
    <Part title={unknown.size === 1 ? 'One panel nobody has looked at' : `${unknown.size} panels nobody has looked at`}>
      <p className="mb-2 border-l-4 border-warn pl-3 text-[14px]">
        Counted with medium marks and the level chosen above until somebody says what their paint looks like.
      </p>
      <AllOver zoned surfaces={job.document.surfaces.filter(({ id }) => unknown.has(id))} />
    </Part>
  );
}

/** What would be forgotten before anything is laid. */
function LooseEnds() {
  const job = useJob('begun', 'choose', 'document', 'nameOf', 'prepared', 'record');
  const { preparation, cases } = job.prepared;
  const nowMs = useNow(60_000);
  const waitingMin = job.begun ? undefined : (nowMs - Date.parse(job.document.startAt)) / 60_000;
  const loose = looseEnds(preparation, cases, job.record.stages, waitingMin);
  if (loose.length === 0) return null;
  return (
    <Part title="Not to be forgotten">
      <ul className="text-[14px]">
        {loose.map(({ what, surface }) => (
          <li key={`${surface ?? ''} ${what}`} className="border-t py-1 first:border-t-0">
            {surface ? (
              <>
                <button type="button" className="underline" onClick={() => job.choose(surface)}>
                  {job.nameOf(surface)}
                </button>{' '}
                {what}.
              </>
            ) : (
              `${what}.`
            )}
          </li>
        ))}
      </ul>
    </Part>
  );
}
