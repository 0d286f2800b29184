import { Check, FlaskConical, Info, OctagonX, TriangleAlert } from 'lucide-react';
import type { Answer } from '#core/products/sheets';
import type { Severity } from '#core/plan/job';

const ANSWER_MARKS = {
  yes: { icon: Check, word: 'Allowed', look: 'text-ok' },
  test: { icon: FlaskConical, word: 'Test spot first', look: 'text-warn' },
  no: { icon: OctagonX, word: 'Refused', look: 'text-stop' },
} as const;

/** A verdict on a layer: sign, word and colour, never colour alone. */
export function AnswerMark({ answer, short = false }: { readonly answer: Answer; readonly short?: boolean }) {
  const { icon: Icon, word, look } = ANSWER_MARKS[answer];
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold ${look}`}>
      <Icon size={16} aria-hidden />
      <span className={short ? 'sr-only' : ''}>{word}</span>
    </span>
  );
}

export const SEVERITY_MARKS: Readonly<Record<Severity, { icon: typeof Info; word: string; look: string }>> = {
  stop: { icon: OctagonX, word: 'Stop', look: 'text-stop bg-stop-soft border-stop' },
  warn: { icon: TriangleAlert, word: 'Mind', look: 'text-warn bg-warn-soft border-warn' },
  note: { icon: Info, word: 'Note', look: 'text-ink-2 bg-tint-1 border-line-strong' },
};
