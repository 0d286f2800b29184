import type { LayerRemoval, Removal, RemovalStep } from '#core/prepare/removal';
import { marksInWords } from '#core/survey/condition';
import type { SurfaceMark } from '#formats/job';
import { Part } from '../../job/Station';
import { um } from '../../ui/measures';
import { span } from '../../ui/moments';
import { percent } from '../../ui/numbers';
import { ShieldAlert } from 'lucide-react';

interface Props {
  readonly removal: Removal;
  readonly clearUm: number | undefined;
  readonly when: string;
  /** Marks that show again once it is off. */
  readonly hidden: readonly SurfaceMark[];
}

/** How a stack comes off on a day: from the top down, mildest first, each step with its caution where it is done. */
export function RemovalPlan({ removal, clearUm, when, hidden }: Props) {
  const { layers, expectedMin, expectedClearUm, clearLeftUm, reserveUm, warnings } = removal;
  return (
    <Part title={`How it comes off on ${when}`}>
      <p>
        <strong className="figure text-2xl">{span(expectedMin)}</strong>{' '}
        <span className="text-ink-2">expected, {um(expectedClearUm, 1)} of clear</span>
      </p>
      {clearUm !== undefined && clearLeftUm !== undefined && (
        <p className="text-[14px] text-ink-2">
          Of {um(clearUm)}, at least {clearLeftUm.toFixed(0)} stay if every step has to be tried; {reserveUm} are the
          reserve.
        </p>
      )}
      {warnings.length > 0 && (
        <ul className="mt-2 space-y-1 border-l-4 border-warn pl-3 text-[14px]">
          {warnings.map((warning) => (
            <li key={warning}>{warning}</li>
          ))}
        </ul>
      )}
      {hidden.length > 0 && (
        <p className="mt-2 border-l-4 border-line-strong pl-3 text-[14px]">
          What was filled shows again: <strong>{marksInWords(hidden)}</strong>. Where, stands on the map under Survey.
        </p>
      )}
      <ol className="mt-3 space-y-4">
        {layers.map((layer, index) => (
          <li key={`${index}-${layer.layer.name}`}>
            <p className="font-semibold">
              {index + 1}. {layer.layer.name}
            </p>
            {layer.withFilm ? (
              <p className="text-[14px] text-ink-2">Leaves with the film beneath it.</p>
            ) : (
              <Ladder layer={layer} />
            )}
          </li>
        ))}
      </ol>
    </Part>
  );
}

function Ladder({ layer }: { readonly layer: LayerRemoval }) {
  return (
    <>
      <ol className="mt-1 space-y-2">
        {layer.steps.map((step) => (
          <Step key={step.method} step={step} />
        ))}
      </ol>
      {layer.uses.length > 0 && (
        <p className="mt-1 text-[13px] text-ink-2">
          Likely to use{' '}
          {layer.uses
            .map(({ what, unit, amount }) =>
              `${amount.toFixed(amount < 10 ? 1 : 0)} ${unit} ${what}`.replace('  ', ' '),
            )
            .join(', ')}
          .
        </p>
      )}
    </>
  );
}

function Step({ step }: { readonly step: RemovalStep }) {
  const { name, chance, reached, minutes, clearUm, caution, test, refused } = step;
  if (refused) {
    return (
      <li className="border-l-4 border-stop bg-stop-soft px-3 py-1.5 text-[14px]">
        <strong>{name}</strong>: refused, {refused}.
      </li>
    );
  }
  return (
    <li className="border bg-sheet px-3 py-2 text-[14px]">
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <strong>{name}</strong>
        <span className="text-ink-2">
          {span(minutes)}
          {clearUm[1] > 0 && `, ${clearUm[0]}–${clearUm[1]} µm`}
        </span>
      </p>
      <p className="text-ink-2">
        Does it {percent(chance)} of the time{reached < 0.995 && `; needed ${percent(reached)} of the time`}. {test}
      </p>
      <p className="mt-1 flex gap-1.5 text-warn">
        <ShieldAlert size={16} className="mt-0.5 shrink-0" aria-hidden />
        <span>{caution}</span>
      </p>
    </li>
  );
}
