import { type Mark, MARK_SEVERITIES, type MarkSeverity } from './marks';

/** How light or dark a painted part is: dark shows what pale forgives. */
export const TONES = ['dark', 'mid', 'pale'] as const;
export type Tone = (typeof TONES)[number];

/** Fine marks live from the contrast of their edges: a dark ground shows them, a pale one hides them. */
const FINE_MARKS: readonly Mark['kind'][] = ['swirls', 'holograms', 'sanding-marks'];

/**
 * How grave a mark is to the owner's eye: fine marks a step more on dark paint, a step less on pale. What it
 * takes to remove them is another matter, and stays with the severity that was found.
 */
export function seenSeverity(
  { kind, severity }: Pick<Mark, 'kind' | 'severity'>,
  tone: Tone | undefined,
): MarkSeverity {
  if (!FINE_MARKS.includes(kind) || tone === undefined || tone === 'mid') return severity;
  const step = MARK_SEVERITIES.indexOf(severity) + (tone === 'dark' ? 1 : -1);
  return MARK_SEVERITIES[Math.min(Math.max(step, 0), MARK_SEVERITIES.length - 1)]!;
}
