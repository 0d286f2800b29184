import { MARK_KINDS, type Outcome, OUTCOME_NAMES, OUTCOMES } from '#core/survey/condition';
import {
  fateInWords,
  fateOf,
  isDone,
  type Level,
  type PanelPreparation,
  SANDING_NAMES,
  SANDINGS,
  SCOPE_STATES,
} from '#core/prepare/stages';
import { isPolishing, STEP_KINDS, takesPolish } from '#core/prepare/steps';
import type { Job, Surface, SurfaceMark } from '#formats/job';
import { changePrepare } from '#job/edit';
import { CoreSample } from '../../core-sample/CoreSample';
import { PanelHead, Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { DateField } from '../../ui/DateField';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { SelectField } from '../../ui/SelectField';
import { TextField } from '../../ui/TextField';
import { um } from '../../ui/measures';
import { useTap } from '../../bay/useTap';
import { PolishTool } from '../../bay/PolishTool';
import { TestSpot } from './TestSpot';
import { hours } from '../../ui/hours';

interface Props {
  readonly surface: Surface;
  readonly prepared: PanelPreparation;
}

/** What is done to one panel, step by step with its reason, and what its paint can stand. */
export function PanelSteps({ surface, prepared }: Props) {
  const job = useJob('document', 'edit', 'nameOf', 'record');
  const { document, edit } = job;
  const { steps, level, ledger, goes } = prepared;
  const leftOut = document.prepare?.leftOut ?? [];
  const put = (key: string, out: boolean) =>
    edit(changePrepare({ leftOut: out ? [...leftOut, key] : leftOut.filter((other) => other !== key) }));
  const minutes = steps.filter(isDone).reduce((sum, step) => sum + step.minutes, 0);
  const polishBegun = [...job.record.stages.values()].some(({ stage }) => isPolishing(stage.kind));
  return (
    <>
      <PanelHead>
        <p className="figure mt-1 text-3xl">{hours(minutes)}</p>
        {level.why && <p className="mt-1 border-l-4 border-warn pl-2 text-[14px]">Milder here: {level.why}.</p>}
        {prepared.unknown && (
          <p className="mt-1 border-l-4 border-warn pl-2 text-[14px]">
            Nobody has said what its paint looks like: counted with medium marks.
          </p>
        )}
      </PanelHead>
      {ledger && (
        <Part title="What its paint can stand">
          <CoreSample substrate={surface.substrate} existing={[]} layers={[]} ledger={ledger} />
          {ledger.spareUm < 0 && (
            <p className="mt-2 border-l-4 border-warn pl-2 text-[14px]">
              {um(-ledger.spareUm, 1)} short for taking off what is to be laid, over the years it is kept: a milder
              stack stands under Layer.
            </p>
          )}
          {surface.clearBefore && (
            <p className="mt-2 text-[14px]">
              At the last visit, on {surface.clearBefore.on}, {um(surface.clearBefore.um)} were left; corrections had
              taken {um(surface.clearBefore.takenUm, 1)} by then.
            </p>
          )}
          {polishBegun && <ClearTaken surface={surface} />}
        </Part>
      )}
      <Scope surface={surface} />
      {goes.length > 0 && (
        <Part title="What becomes of its marks">
          <ul className="text-[14px]">
            {goes.map((own) => {
              const seen = surface.marks?.find(({ id }) => id === own.mark);
              const fate = seen && fateOf(seen, own);
              return (
                fate && (
                  <li key={own.mark} className="flex flex-wrap justify-between gap-x-3 border-t py-1 first:border-t-0">
                    <span>
                      {MARK_KINDS[seen.kind].name}, {seen.severity}
                    </span>
                    <span className={fate.outcome === 'removed' ? '' : 'font-semibold text-warn'}>
                      {fateInWords(fate, OUTCOME_NAMES)}
                    </span>
                    {polishBegun && <MarkBecame surface={surface} mark={seen} level={level.level} />}
                  </li>
                )
              );
            })}
          </ul>
        </Part>
      )}
      {takesPolish(surface.substrate) && <TestSpot surface={surface} />}
      {takesPolish(surface.substrate) && <SandIt surface={surface} />}
      <Part title="Steps">
        <ol className="space-y-3">
          {steps.map((step) => {
            const { kind, round, reason, impossible, mind, dwellMin, leftOut: follows } = step;
            const { name, caution, driesMin, curesMin, stopWhen } = STEP_KINDS[kind];
            const key = `${surface.id}/${kind}`;
            return (
              <li key={`${kind}-${round}`} className={`border bg-sheet px-3 py-2 ${follows ? 'opacity-70' : ''}`}>
                <p className="flex items-baseline justify-between gap-2">
                  <strong>
                    {name}
                    {round > 1 && `, round ${round}`}
                  </strong>
                  <span className="figure">{follows || impossible ? '' : hours(step.minutes)}</span>
                </p>
                <p className="text-[13.5px] text-ink-2">
                  Because {reason}
                  {step.clearUm[1] > 0 && `; takes ${step.clearUm[0]}–${step.clearUm[1]} µm`}
                  {dwellMin !== undefined && `; ${dwellMin} min dwell`}
                  {driesMin !== undefined && `; dries ${driesMin} min`}
                  {curesMin !== undefined && `; cures ${hours(curesMin)} before anything lies over it`}
                  {stopWhen !== undefined && `; a patch is done when ${stopWhen}`}.
                </p>
                {step.tool && !impossible && !follows && (
                  <PolishTool
                    tool={step.tool}
                    copies={surface.count}
                    measured={step.measured}
                    on={step.measured ? job.nameOf(step.measured.on) : ''}
                  />
                )}
                {impossible ? (
                  <p className="text-[13.5px] font-semibold text-stop">Not here: {impossible}.</p>
                ) : follows ? (
                  <p className="text-[13.5px] font-semibold text-warn">Left out. {follows}</p>
                ) : (
                  <p className="text-[13.5px]">
                    {mind && <strong className="text-warn">{mind}. </strong>}
                    {caution}
                  </p>
                )}
                {!impossible && (
                  <label className="mt-1 flex min-h-7 items-center gap-2 text-[13.5px] text-ink-2">
                    <input
                      type="checkbox"
                      className="size-4 accent-(--over)"
                      checked={follows !== undefined}
                      disabled={leftOut.includes(kind)}
                      onChange={({ target }) => put(key, target.checked)}
                    />
                    Leave it out here
                  </label>
                )}
              </li>
            );
          })}
          {steps.length === 0 && (
            <li className="text-[14px] text-ink-2">{prepared.excluded ?? 'Nothing is done to it.'}</li>
          )}
        </ol>
      </Part>
    </>
  );
}

/** Sanding is asked for panel by panel; where the paint has no room for it its step says why. */
function SandIt({ surface }: Pick<Props, 'surface'>) {
  const { document, edit } = useJob('document', 'edit');
  const sand = document.prepare?.sand ?? [];
  const others = sand.filter((one) => one.surface !== surface.id);
  return (
    <Part title="Sanding before the cut">
      <Segmented
        optional
        label="Sanding before the cut"
        value={sand.find((one) => one.surface === surface.id)?.with}
        options={SANDINGS.map((id) => [id, SANDING_NAMES[id]] as const)}
        onChange={(next) =>
          edit(changePrepare({ sand: next ? [...others, { surface: surface.id, with: next }] : others }))
        }
      />
      <p className="mt-1 text-[13px] text-ink-2">
        Only where a measurement gives room; cut and refined after it. Coarser is a painter’s decision.
      </p>
    </Part>
  );
}

const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  removed: 'Gone',
  reduced: 'Eased',
  hidden: 'Hidden',
  stays: 'Stays',
};

interface BecameProps extends Omit<Props, 'prepared'> {
  readonly mark: SurfaceMark;
  readonly level: Level;
}

/** What really became of a mark once it has been polished: on the record, and the next promise learns from it. */
function MarkBecame({ surface, mark, level }: BecameProps) {
  const job = useJob('id', 'record');
  const { tap } = useTap(job.id);
  const { id, kind, severity } = mark;
  return (
    <div className="w-full pt-1">
      <Segmented
        label={`What became of it: ${MARK_KINDS[kind].name}`}
        value={job.record.outcomes.get(id)?.outcome}
        options={OUTCOMES.map((outcome) => [outcome, OUTCOME_WORDS[outcome]] as const)}
        onChange={(outcome) =>
          outcome && tap({ type: 'mark-outcome', surface: surface.id, mark: id, kind, severity, level, outcome })
        }
      />
    </div>
  );
}

/** Clear measured to have gone, by the gauge before and after. */
function ClearTaken({ surface }: Omit<Props, 'prepared'>) {
  const job = useJob('id', 'record');
  const { tap } = useTap(job.id);
  const taken = job.record.clearTakenUm.get(surface.id);
  return (
    <div className="mt-2">
      <NumberField
        optional
        label="Measured to have gone, by gauge before and after"
        unit="µm"
        value={undefined}
        hint={taken === undefined ? 'not measured: the upper end is counted' : `${um(taken, 1)} noted so far`}
        check={(value) => (value > 0 && value <= 50 ? undefined : 'more than 0, at most 50 µm')}
        onChange={(um) => um !== undefined && tap({ type: 'clear-taken', surface: surface.id, um })}
      />
    </div>
  );
}

const STATE_NAMES = {
  included: 'Included',
  excluded: 'Excluded',
  partly: 'Partly possible',
  'hidden-only': 'Hidden only',
  unpaid: 'Extra, unpaid',
} as const;

type ScopeLine = NonNullable<NonNullable<Job['prepare']>['scope']>[number];

/** What is agreed of the panel, with its reason. */
function Scope({ surface }: Pick<Props, 'surface'>) {
  const { document, edit } = useJob('document', 'edit');
  const scope = document.prepare?.scope ?? [];
  const line = scope.find((one) => one.surface === surface.id);
  const put = (next: ScopeLine | undefined) =>
    edit(changePrepare({ scope: [...scope.filter((one) => one.surface !== surface.id), ...(next ? [next] : [])] }));
  return (
    <Part title="In this job">
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Scope"
          value={line?.state ?? 'included'}
          options={(['included', ...SCOPE_STATES] as const).map((state) => [state, STATE_NAMES[state]] as const)}
          onChange={(state) =>
            put(
              state === 'included'
                ? undefined
                : {
                    surface: surface.id,
                    state,
                    reason: line?.reason ?? 'reason not said',
                    followUp: line?.followUp,
                    followUpOn: line?.followUpOn,
                  },
            )
          }
        />
        {line && (
          <>
            <TextField label="Reason" required value={line.reason} onChange={(reason) => put({ ...line, reason })} />
            <DateField
              label="To be thought of again on"
              value={line.followUpOn ?? ''}
              onChange={(day) => put({ ...line, followUpOn: day || undefined })}
            />
            <div>
              <TextField
                label="What follows"
                value={line.followUp ?? ''}
                onChange={(followUp) => put({ ...line, followUp: followUp || undefined })}
              />
            </div>
          </>
        )}
      </div>
    </Part>
  );
}
