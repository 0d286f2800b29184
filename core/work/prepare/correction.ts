import { type MarkKindId, type MarkSeverity, worstSeverity } from '#core/item/condition';
import { reserveOf } from '#core/item/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { FAMILIES } from '#core/products/families';
import { type StepKindId, takesPolish } from '#core/work/steps';
import { BONDING } from './bonding';
import { allowedLevel, type AllowedLevel, ledgerOf } from './ledger';
import { type Level, LEVEL_DEFINITIONS, LEVELS } from './levels';
import { isPolishedAway } from './marks-gone';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { strippedUm } from './stripping';

const SEVERITY_FACTOR: Readonly<Record<MarkSeverity, number>> = { light: 0.7, medium: 1, heavy: 1.6 };

export const ledgerCase = (panel: PanelCase, settings: Pick<PrepareSettings, 'reserveUm' | 'leftOut'>) => ({
  clearUm: panel.clearUm,
  paint: panel.paint,
  removalsUm: panel.removalsUm + strippedUm(panel, settings),
  reserveUm: settings.reserveUm ?? reserveOf(panel),
});

/** A panel with nothing on it that polishing moves gets no more than gloss. */
export function levelOf(panel: PanelCase, settings: PrepareSettings): AllowedLevel {
  const { scope } = panel;
  if (scope?.state === 'hidden-only') return { level: 'none', why: `hidden only, as agreed: ${scope.reason}` };
  const { level: whole } = settings;
  const wanted = scope?.state === 'partly' ? milder(whole) : whole;
  if (!takesPolish(panel.substrate)) {
    const why = SUBSTRATES[panel.substrate].matte
      ? 'a matte finish turns glossy under any polish, for good'
      : undefined;
    return wanted === 'none' || !why ? { level: 'none' } : { level: 'none', why };
  }
  const hasMarks = panel.marks.some(({ kind }) => isPolishedAway(kind));
  const most = hasMarks ? wanted : LEVELS[Math.min(LEVELS.indexOf(wanted), LEVELS.indexOf('gloss-refresh'))]!;
  const allowed = allowedLevel(ledgerCase(panel, settings), most, isWorn(panel));
  if (scope?.state !== 'partly' || allowed.why || whole === wanted) return allowed;
  return { ...allowed, why: `partly, as agreed: ${scope.reason}` };
}

const milder = (level: Level): Level => LEVELS[Math.max(0, LEVELS.indexOf(level) - 1)]!;

/** Marks that no polish mends and every polish makes worse. */
const BEYOND_POLISHING: readonly MarkKindId[] = ['burn-through', 'failing-clear', 'crazing'];

const isWorn = ({ marks }: PanelCase) => marks.some(({ kind }) => BEYOND_POLISHING.includes(kind));

/** Coats of matched paint in a chip, each dry before the next. */
const CHIP_COATS = 3;

function chips({ substrate, marks }: PanelCase, { schools }: PrepareSettings): Wanted[] {
  const pieces = marks.filter(({ kind }) => kind === 'chip').length;
  if (schools.chips !== 'fill' || pieces === 0) return [];
  const reason = `${pieces} ${pieces === 1 ? 'chip' : 'chips'} marked`;
  return [
    { kind: 'chip-clean', reason, pieces },
    ...Array.from({ length: CHIP_COATS }, (_, coat): Wanted => ({
      kind: 'chip-fill',
      reason,
      pieces,
      round: coat + 1,
    })),
    ...(takesPolish(substrate)
      ? [{ kind: 'chip-level' as const, reason: 'the fill stands proud of the paint', pieces }]
      : []),
  ];
}

export function correction(panel: PanelCase, { level }: AllowedLevel, settings: PrepareSettings): Wanted[] {
  const { marks } = panel;
  const { steps, name } = LEVEL_DEFINITIONS[level];
  if (steps.length === 0) return [...chips(panel, settings), ...filling(panel, settings)];
  const worst = worstSeverity(marks.filter(({ kind }) => isPolishedAway(kind))) ?? 'light';
  const rounds = new Map<StepKindId, number>();
  const polished = steps.map((kind): Wanted => {
    const round = (rounds.get(kind) ?? 0) + 1;
    rounds.set(kind, round);
    return { kind, round, reason: `${name.toLowerCase()}, ${worst} marks`, factor: SEVERITY_FACTOR[worst] };
  });
  // One step is enough only where its haze is.
  const refined: Wanted[] =
    panel.hazySpot && !steps.includes('refining')
      ? [{ kind: 'refining', reason: 'the test spot left haze', factor: SEVERITY_FACTOR.light }]
      : [];
  return [
    ...chips(panel, settings),
    ...polished,
    ...refined,
    ...(steps.includes('cutting')
      ? [{ kind: 'look-again' as const, reason: 'what was missed is cut again before it is refined' }]
      : []),
    { kind: 'inspection', reason: 'what is left is found now, not by the owner' },
  ];
}

/** Marks filled instead of removed, where that was agreed and the paint can stand even that. */
function filling(panel: PanelCase, settings: PrepareSettings): Wanted[] {
  const { scope, substrate, marks, toCome } = panel;
  // A priming polish fills by itself, and a filler under it would be wiped off with the oil.
  if (toCome[0] === 'ceramic-primer') return [];
  if (scope?.state !== 'hidden-only' || !takesPolish(substrate) || isWorn(panel)) return [];
  if (!marks.some(({ kind }) => isPolishedAway(kind))) return [];
  const ledger = ledgerOf(ledgerCase(panel, settings), ['filling-polish']);
  if (ledger && ledger.spareUm < 0) return [];
  const [first] = toCome;
  const bonds = first !== undefined && BONDING.includes(first);
  return [
    {
      kind: 'filling-polish',
      reason: scope.reason,
      ...(bonds && {
        impossible: `${FAMILIES[first].name.toLowerCase()} does not bond over a filler: lay a priming polish under it, or say that the marks stay`,
      }),
    },
  ];
}
