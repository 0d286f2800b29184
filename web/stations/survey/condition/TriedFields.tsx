import type { ReactNode } from 'react';
import { IRON_TESTS, TOUCHES, WATER_BEHAVIOURS } from '#core/survey/condition';
import type { Surface } from '#formats/job';
import { Segmented } from '../../../ui/Segmented';

type Tried = Pick<Surface, 'touch' | 'iron' | 'water'>;

interface Props {
  readonly evidence: Tried;
  /** One of them was entered, or taken back. */
  readonly onChange: (changes: Tried) => void;
}

/** What the fingertip, the iron test and water say, of one panel or of many. */
export function TriedFields({ evidence: { touch, iron, water }, onChange }: Props) {
  return (
    <div className="space-y-2">
      <LabelledRow label="Fingertip">
        <Segmented
          optional
          label="Fingertip"
          value={touch}
          options={TOUCHES.map((id) => [id, id === 'smooth' ? 'Smooth' : 'Rough'] as const)}
          onChange={(next) => onChange({ touch: next })}
        />
      </LabelledRow>
      <LabelledRow label="Iron test">
        <Segmented
          optional
          label="Iron test"
          value={iron}
          options={IRON_TESTS.map((id) => [id, id === 'clear' ? 'Clear' : 'Bleeds purple'] as const)}
          onChange={(next) => onChange({ iron: next })}
        />
      </LabelledRow>
      <LabelledRow label="Water">
        <Segmented
          optional
          label="Water"
          value={water}
          options={WATER_BEHAVIOURS.map((id) => [id, id === 'sheets' ? 'Sheets' : 'Beads'] as const)}
          onChange={(next) => onChange({ water: next })}
        />
      </LabelledRow>
    </div>
  );
}

export function LabelledRow({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-3">
      <span className="text-[14px]">{label}</span>
      {children}
    </div>
  );
}
