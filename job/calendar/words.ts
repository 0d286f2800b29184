import type { OperationKind } from '#formats/job';

/** What a step of a job is called. */
export const STEP_WORDS: Readonly<Record<Exclude<OperationKind, 'lay'>, string>> = {
  clean: 'Wash and decontaminate',
  correct: 'Correct and finish',
  wipe: 'Last wipe',
  dry: 'Drying',
  cure: 'Curing',
  check: 'Looking it over',
  'hand-over': 'Hand-over',
};

export const stepName = ({
  kind,
  what,
}: {
  readonly kind: OperationKind;
  readonly what?: string | undefined;
}): string => (kind === 'lay' ? (what ?? 'Laying') : STEP_WORDS[kind]);
