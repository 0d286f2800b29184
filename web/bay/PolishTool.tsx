import type { Tool } from '#core/prepare/kit';
import type { MeasuredPair } from '#core/prepare/stages';

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const REACH_WORDS = { flat: 'a large flat', shaped: 'a shaped panel', recess: 'small: by hand' } as const;

interface Props {
  readonly tool: Tool;
  readonly copies: number;
  /** The test spot that decided it, and what its panel is called. */
  readonly measured?: MeasuredPair | undefined;
  readonly on: string;
}

/** What a panel is polished with, and how the liquid is dosed as the pad loads. */
export function PolishTool({ tool, copies, measured, on }: Props) {
  const { reach, speeds, liquid, patches, lacking, says } = tool;
  return (
    <div className="mt-1 border-l-2 border-line-strong pl-2 text-[13.5px]">
      <p>
        <strong>{says.machine ? capital(says.machine) : 'By hand'}</strong>
        {speeds && ` at ${speeds[0]} to ${speeds[1]}`}, {says.pad}, {says.liquid}{' '}
        <span className="text-ink-3">({REACH_WORDS[reach]})</span>
      </p>
      {measured && (
        <p>
          Measured on the {on.toLowerCase()}: {measured.minPerM2.toFixed(1)} min/m²,{' '}
          {Math.round(100 * measured.goneShare)} % gone
          {measured.tookUm !== undefined && `, ${measured.tookUm} µm taken`}
          {measured.hazy && ', haze left'}.
        </p>
      )}
      <p className="text-ink-2">
        {patches.count} {patches.count === 1 ? 'patch' : 'patches'} of {Math.round(100 * patches.sideM)} cm
        {copies > 1 && ` on each of ${copies}`}: {patches.dotsFirst} dots on the first of a pad, then{' '}
        {patches.dotsLoaded}.{liquid?.filling && ' It fills: judge only after a panel wipe.'}
        {liquid?.diminishing && ' Work it until it has broken down; no topping up.'}
      </p>
      {lacking.length > 0 && <p className="text-warn">Not on the shelf: {lacking.join(', ')}.</p>}
    </div>
  );
}
