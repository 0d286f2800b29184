export const FINDING_CODES = [
  'condensation',
  'not-allowed',
  'bond',
  'never-cures',
  'fresh-paint',
  'too-large-solo',
  'too-large-pair',
  'window-closed',
  'out-of-limits',
  'misses-deadline',
  'thin-paint',
  'refinished',
  'filler',
  'recoat-window',
  'narrow-window',
  'vapour',
  'test-spot',
  'not-readable',
  'no-hours',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];
export const SEVERITIES = ['stop', 'warn', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Something a plan has to say to the person. A stop hides no number: it is shown what it would have taken. */
export interface Finding {
  readonly severity: Severity;
  readonly code: FindingCode;
  readonly surface?: string;
  readonly product?: string;
  readonly text: string;
}

const sameMatter = (a: Finding, b: Finding) => a.code === b.code && a.surface === b.surface && a.product === b.product;

/** Each matter once, at its gravest, where it first came up. */
export function onceEach(findings: readonly Finding[]): Finding[] {
  const kept: Finding[] = [];
  for (const finding of findings) {
    const index = kept.findIndex((other) => sameMatter(other, finding));
    if (index === -1) kept.push(finding);
    else if (SEVERITIES.indexOf(finding.severity) < SEVERITIES.indexOf(kept[index]!.severity)) kept[index] = finding;
  }
  return kept;
}
