import type { Level, ScopeOption } from '#core/prepare/stages';
import { money } from '#formats/values';
import { um } from '../../ui/measures';
import { hours } from '../../ui/hours';

interface Props {
  readonly options: readonly ScopeOption[];
  readonly chosen: Level;
  /** Minor units an hour; none: no price is shown. */
  readonly hourRate: number | undefined;
  readonly currency: string;
  readonly onChoose: (level: Level) => void;
  /** Side by side in words, for the owner. */
  readonly onCompare: () => void;
}

/** Every level of correction for this item side by side: what goes, how long, how much paint, what it costs. */
export function ScopeStrip({ options, chosen, hourRate, currency, onChoose, onCompare }: Props) {
  return (
    <>
      <div role="radiogroup" aria-label="How far it is corrected" className="grid grid-cols-5 border-l">
        {options.map(({ level, name, says, minutes, unpaidMin, goneShare, mostUm, milderOn, unknownOn }) => {
          const on = level === chosen;
          return (
            <button
              key={level}
              type="button"
              role="radio"
              aria-checked={on}
              onClick={() => onChoose(level)}
              className={`flex flex-col border-y border-r px-3 py-2 text-left ${on ? 'border-t-over bg-over-soft shadow-[inset_0_3px_0_var(--over)]' : 'hover:bg-tint-1'}`}
            >
              <span className="font-semibold">{name}</span>
              <span className="figure text-2xl leading-tight">{hours(minutes)}</span>
              <span className="text-[13px] leading-tight text-ink-2">
                {goneShare !== undefined
                  ? `${Math.round(100 * goneShare)} % of marks go`
                  : unknownOn > 0
                    ? 'nobody has looked'
                    : 'no marks to go'}
              </span>
              <span className="text-[13px] leading-tight text-ink-2">
                {mostUm === 0 ? 'no paint taken' : `up to ${um(mostUm)}`}
              </span>
              {hourRate !== undefined && (
                <span className="text-[13px] leading-tight text-ink-2">
                  {money(((minutes - unpaidMin) / 60) * hourRate, currency)}
                </span>
              )}
              <span className="mt-1 text-[12.5px] leading-tight text-ink-3">
                {milderOn > 0 ? `Less on ${milderOn} ${milderOn === 1 ? 'panel' : 'panels'}.` : says}
              </span>
            </button>
          );
        })}
      </div>
      <button type="button" className="mt-1 text-[13px] text-ink-2 underline" onClick={onCompare}>
        Side by side, for the owner
      </button>
    </>
  );
}
