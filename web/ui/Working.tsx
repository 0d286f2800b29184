import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  /** The figure itself, pressed to see how it was got. */
  readonly children: ReactNode;
  readonly name: string;
  readonly rows: readonly (readonly [what: string, value: string])[];
  /** The rule in words. */
  readonly rule: string;
}

/** A figure that opens to show how it was worked out: its inputs, and the rule. */
export function Working({ children, name, rows, rule }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="border-b border-dotted border-line-strong text-left hover:border-over hover:text-over"
        aria-label={`${name}: how it was worked out`}
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          className="z-50 w-80 border border-line-strong bg-sheet p-4 text-sm shadow-lg"
        >
          <p className="font-semibold">{name}</p>
          <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
            {rows.map(([what, value]) => (
              <div key={what} className="contents">
                <dt className="text-ink-2">{what}</dt>
                <dd className="text-right">{value}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-3 border-t pt-2 text-ink-2">{rule}</p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
