import { MARK_KIND_IDS, MARK_KINDS, MARK_SEVERITIES, type MarkKindId, type MarkSeverity } from '#core/survey/condition';
import { Segmented } from '../../../ui/Segmented';

/** What the next tap on the net marks. */
export interface Armed {
  readonly kind: MarkKindId;
  readonly severity: MarkSeverity;
}

interface Props {
  readonly armed: Armed | undefined;
  readonly onArm: (armed: Armed | undefined) => void;
}

const SEVERITY_NAMES = { light: 'Light', medium: 'Medium', heavy: 'Heavy' } as const;

/** How grave the next marks are, and what a tap will do. */
export function MarkLine({ armed, onArm }: Props) {
  return (
    <>
      <Segmented
        label="How grave"
        value={armed?.severity ?? 'medium'}
        options={MARK_SEVERITIES.map((severity) => [severity, SEVERITY_NAMES[severity]] as const)}
        onChange={(severity) => severity && onArm({ kind: armed?.kind ?? 'swirls', severity })}
      />
      <p className="min-w-40 flex-1 text-[14px] leading-tight text-ink-2" aria-live="polite">
        {armed ? (
          <>
            Tap where there is <strong className="text-over">{MARK_KINDS[armed.kind].name.toLowerCase()}</strong>
          </>
        ) : (
          'Choose what you see, then tap where it is'
        )}
      </p>
    </>
  );
}

/** The palette of the walk-round: chosen once, then tapped where it is, as often as it is. Pressed again, it is put away. */
export function MarkPalette({ armed, onArm }: Props) {
  return (
    <div role="group" aria-label="What is seen" className="flex flex-col">
      {MARK_KIND_IDS.map((kind) => {
        const on = armed?.kind === kind;
        return (
          <button
            key={kind}
            type="button"
            aria-pressed={on}
            onClick={() => onArm(on ? undefined : { kind, severity: armed?.severity ?? 'medium' })}
            className={`flex min-h-8 items-center gap-2 border-b px-3 text-left text-[13px] leading-tight ${on ? 'bg-over text-over-ink' : 'hover:bg-tint-1'}`}
          >
            <span className={`w-3 text-center font-semibold ${on ? '' : 'text-over'}`}>{MARK_KINDS[kind].sign}</span>
            {MARK_KINDS[kind].name}
          </button>
        );
      })}
    </div>
  );
}
