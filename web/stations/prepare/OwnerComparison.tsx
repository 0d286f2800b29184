import { adviseLevel, inOwnersWords, type PlacedMark, type ScopeOption } from '#core/prepare/stages';
import { money } from '#formats/values';
import { changePrepare } from '#job/edit';
import { useJob } from '../../job/job-context';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { um } from '../../ui/measures';
import { hours } from '../../ui/hours';
import { ArrowLeft, Printer } from 'lucide-react';

interface Props {
  readonly options: readonly ScopeOption[];
  readonly onBack: () => void;
}

/** What each level of correction would do to this very item, side by side in the owner's words. */
export function OwnerComparison({ options, onBack }: Props) {
  const job = useJob('document', 'edit', 'nameOf', 'prepared');
  const { document, nameOf, edit } = job;
  const { prepare, currency } = document;
  const marks = document.surfaces.flatMap(({ id, marks: own = [] }): PlacedMark[] =>
    own.map((mark) => ({ id: mark.id, kind: mark.kind, on: nameOf(id) })),
  );
  const advice = prepare?.use && adviseLevel(options, prepare.use);
  const chosen = job.prepared.settings.level;
  const spare = tightest(job);
  return (
    <section className="h-full overflow-auto bg-paper px-6 py-5 print:p-0" aria-label="Corrections side by side">
      <div className="mb-4 flex items-end justify-between gap-4">
        <div>
          <button
            type="button"
            className="flex items-center gap-1 text-[14px] text-ink-2 underline print:hidden"
            onClick={onBack}
          >
            <ArrowLeft size={15} /> Back to the work
          </button>
          <h2 className="figure text-2xl">What a correction would do to the {document.item?.name ?? document.title}</h2>
          <p className="text-ink-2">
            {marks.length === 0
              ? 'No marks are noted yet: walk round it first.'
              : `${marks.length} ${marks.length === 1 ? 'mark was' : 'marks were'} seen at the walk-round.`}{' '}
            {spare &&
              `The thinnest paint is on the ${nameOf(spare.surface).toLowerCase()}: ${um(spare.um)} of it may still be taken, over its whole life.`}
          </p>
        </div>
        <Button className="print:hidden" onClick={() => window.print()}>
          <Printer size={16} /> Print
        </Button>
      </div>
      <ol className="grid grid-cols-1 gap-3 sm:grid-cols-2 lg:grid-cols-5 print:grid-cols-5">
        {options.map((option) => {
          const { level, name, says, minutes, unpaidMin, mostUm, milderOn, fates } = option;
          const lines = inOwnersWords(marks, fates);
          const stays = lines.filter((line) => line.stays);
          const goes = lines.filter((line) => !line.stays);
          const on = level === chosen;
          return (
            <li
              key={level}
              aria-label={name}
              className={`flex flex-col border bg-sheet p-4 ${on ? 'border-over shadow-[inset_0_3px_0_var(--over)]' : ''}`}
            >
              <h3 className="text-lg font-semibold">{name}</h3>
              <p className="figure text-3xl leading-tight">
                {prepare?.hourRate === undefined
                  ? hours(minutes)
                  : money(((minutes - unpaidMin) / 60) * prepare.hourRate, currency)}
              </p>
              <p className="text-[13.5px] text-ink-2">
                {prepare?.hourRate !== undefined && `${hours(minutes)} of work; `}
                {mostUm === 0 ? 'no paint taken' : `takes up to ${um(mostUm)} of paint`}
              </p>
              <p className="mt-2 text-[14px]">{says}</p>
              <Fates title="Goes" lines={goes.map(({ words }) => words)} />
              <Fates title="Stays" lines={stays.map(({ words }) => words)} strong />
              {milderOn > 0 && (
                <p className="mt-2 text-[13.5px] text-warn">
                  Done more mildly on {milderOn} {milderOn === 1 ? 'panel' : 'panels'}, where the paint or what was
                  agreed allows no more.
                </p>
              )}
              <span className="flex-1" />
              {advice?.level === level && (
                <p className="mt-3 border-l-4 border-over pl-2 text-[13.5px]">
                  <strong>Sensible here.</strong> {advice.why}
                </p>
              )}
              {!on && (
                <Button className="mt-3 print:hidden" onClick={() => edit(changePrepare({ level }))}>
                  Agree {name.toLowerCase()}
                </Button>
              )}
              {on && <p className="mt-3 font-semibold text-over">Agreed</p>}
            </li>
          );
        })}
      </ol>
      <ScopeLines />
    </section>
  );
}

function Fates({
  title,
  lines,
  strong,
}: {
  readonly title: string;
  readonly lines: readonly string[];
  readonly strong?: boolean;
}) {
  if (lines.length === 0) return null;
  return (
    <div className="mt-3 text-[14px]">
      <h4 className="label">{title}</h4>
      <ul>
        {lines.map((line) => (
          <li key={line} className={`border-t py-1 first:border-t-0 ${strong ? 'font-semibold' : ''}`}>
            {line.charAt(0).toUpperCase() + line.slice(1)}.
          </li>
        ))}
      </ul>
    </div>
  );
}

const STATE_WORDS = {
  excluded: 'Not in this job',
  partly: 'Only partly possible',
  'hidden-only': 'Hidden, not removed',
  unpaid: 'Done without charge',
} as const;

/** Line by line what was agreed otherwise. */
function ScopeLines() {
  const job = useJob('document', 'nameOf');
  const scope = job.document.prepare?.scope ?? [];
  if (scope.length === 0) return null;
  return (
    <section className="mt-5 border bg-sheet p-4" aria-label="Agreed otherwise">
      <h3 className="font-semibold">Agreed otherwise</h3>
      <ul className="mt-1 text-[14px]">
        {scope.map(({ surface, state, reason, followUp }) => (
          <li key={surface} className="border-t py-1 first:border-t-0">
            <strong>{job.nameOf(surface)}.</strong> {STATE_WORDS[state]}: {reason}.
            {followUp && ` Afterwards: ${followUp}.`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Where least can still be taken above the reserve and the removals to come. */
function tightest({ prepared: { preparation } }: Pick<JobView, 'prepared'>) {
  const known = preparation.panels.flatMap(({ id, ledger }) =>
    ledger ? [{ surface: id, um: Math.max(0, ledger.spareUm + ledger.thisCorrectionUm) }] : [],
  );
  return known.sort((a, b) => a.um - b.um)[0];
}
