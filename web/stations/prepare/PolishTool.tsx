import type { Tool } from '#core/work/kit';

const REACH_WORDS = { flat: 'a large flat', shaped: 'a shaped panel', recess: 'small: by hand' } as const;

/** What a panel is polished with, and how the liquid is dosed as the pad loads. */
export function PolishTool({ tool, copies }: { readonly tool: Tool; readonly copies: number }) {
  const { reach, machine, speeds, pad, liquid, patches, lacking } = tool;
  return (
    <div className="mt-1 border-l-2 border-line-strong pl-2 text-[13.5px]">
      <p>
        {machine && speeds ? (
          <>
            <strong>{machine.name}</strong> at {speeds[0]} to {speeds[1]}
          </>
        ) : (
          <strong>{reach === 'recess' ? 'By hand' : 'No machine on the shelf'}</strong>
        )}
        {pad && `, ${pad.name}`}
        {liquid && `, ${liquid.name}`} <span className="text-ink-3">({REACH_WORDS[reach]})</span>
      </p>
      {patches && (
        <p className="text-ink-2">
          {patches.count} {patches.count === 1 ? 'patch' : 'patches'} of {Math.round(100 * patches.sideM)} cm
          {copies > 1 && ` on each of ${copies}`}: {patches.dotsFirst} dots on the first of a pad, then{' '}
          {patches.dotsLoaded}.{liquid?.filling && ' It fills: judge only after a panel wipe.'}
          {liquid?.diminishing && ' Work it until it has broken down; no topping up.'}
        </p>
      )}
      {lacking.length > 0 && <p className="text-warn">Not on the shelf: {lacking.join(', ')}.</p>}
    </div>
  );
}
