import { isWorn, worstSeverity } from '#core/survey/condition';
import { reserveOf } from '#core/survey/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { FAMILIES } from '#core/products/families';
import { takenUm, takesPolish } from '#core/prepare/steps';
import { BONDING } from './bonding';
import { allowedLevel, type AllowedLevel, ledgerOf } from './ledger';
import { type Level, LEVEL_DEFINITIONS, LEVELS } from './levels';
import { isPolishedAway } from './marks-gone';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { severityFactor } from './pace';
import { mostTakenUm, polishSteps } from './polish-steps';
import { SANDING_STEPS } from './grits';
import { sandingFault } from './sanding';
import { strippedUm } from './stripping';
import { pairName } from './test-ladder';

export const ledgerCase = (panel: PanelCase, settings: Pick<PrepareSettings, 'reserveUm' | 'leftOut'>) => ({
  clearUm: panel.clearUm,
  paint: panel.paint,
  removalsUm: panel.removalsUm + strippedUm(panel, settings),
  reserveUm: settings.reserveUm ?? reserveOf(panel),
});

/** Nobody has said what its paint looks like. It is asked about, and meanwhile counted as medium. */
export const isUnknown = ({ substrate, marks, faultless }: PanelCase): boolean =>
  takesPolish(substrate) && marks.length === 0 && faultless !== true;

/** A panel that was looked at and has nothing on it that polishing moves gets no more than gloss. */
export function levelOf(panel: PanelCase, settings: PrepareSettings): AllowedLevel {
  const { scope } = panel;
  if (scope?.state === 'hidden-only') return { level: 'none', why: `hidden only, as agreed: ${scope.reason}` };
  const { level: whole, schools } = settings;
  if (schools.marks !== 'correct' && whole !== 'none' && takesPolish(panel.substrate)) {
    return {
      level: 'none',
      why: schools.marks === 'fill' ? 'marks are filled and locked in, not cut' : 'marks are left as they are',
    };
  }
  const wanted = scope?.state === 'partly' ? milder(whole) : whole;
  if (!takesPolish(panel.substrate)) {
    const why = SUBSTRATES[panel.substrate].matte
      ? 'a matte finish turns glossy under any polish, for good'
      : undefined;
    return wanted === 'none' || !why ? { level: 'none' } : { level: 'none', why };
  }
  const wantsIt = isUnknown(panel) || panel.marks.some(({ kind }) => isPolishedAway(kind));
  const most = wantsIt ? wanted : LEVELS[Math.min(LEVELS.indexOf(wanted), LEVELS.indexOf('gloss-refresh'))]!;
  const subject = { ...ledgerCase(panel, settings), unreadable: panel.unreadable };
  const allowed = allowedLevel(subject, most, isWorn(panel.marks), (level) => mostTakenUm(polishSteps(panel, level)));
  if (scope?.state !== 'partly' || allowed.why || whole === wanted) return allowed;
  return { ...allowed, why: `partly, as agreed: ${scope.reason}` };
}

const milder = (level: Level): Level => LEVELS[Math.max(0, LEVELS.indexOf(level) - 1)]!;

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
  const steps = polishSteps(panel, level);
  const sanded = sanding(panel, level, settings);
  if (steps.length === 0) return [...chips(panel, settings), ...sanded, ...filling(panel, settings)];
  const unknown = isUnknown(panel);
  const worst = unknown ? 'medium' : (worstSeverity(panel.marks.filter(({ kind }) => isPolishedAway(kind))) ?? 'light');
  const { name } = LEVEL_DEFINITIONS[level];
  const usual = `${name.toLowerCase()}, ${unknown ? 'marks not looked at yet' : `${worst} marks`}`;
  const polished = steps.map(({ kind, round, clearUm, measured }): Wanted => ({
    kind,
    round,
    clearUm,
    factor: severityFactor(kind, worst),
    ...(measured ? { measured, reason: `as the test spot decided: ${pairName(measured.pair)}` } : { reason: usual }),
  }));
  return [
    ...chips(panel, settings),
    ...sanded,
    ...polished,
    ...(steps.some(({ kind }) => kind === 'cutting')
      ? [{ kind: 'look-again' as const, reason: 'what was missed is cut again before it is refined' }]
      : []),
    { kind: 'inspection', reason: 'what is left is found now, not by the owner' },
  ];
}

/** Sanding where it was asked for, ruled out with its reason where the paint has no room; runs are levelled by the piece. */
function sanding(panel: PanelCase, level: Level, settings: PrepareSettings): Wanted[] {
  const { sand, substrate, marks } = panel;
  const runs = marks.filter(({ kind }) => kind === 'run').length;
  const cut = polishSteps(panel, level).some(({ kind }) => kind === 'cutting');
  const levelled: Wanted[] =
    runs > 0 && takesPolish(substrate) && !isWorn(panel.marks)
      ? [
          {
            kind: 'run-level',
            reason: `${runs} ${runs === 1 ? 'run' : 'runs'} in the paint`,
            pieces: runs,
            ...(!cut && { impossible: 'a run is levelled only where it is cut and refined after it' }),
          },
        ]
      : [];
  if (!sand) return levelled;
  const fault = sandingFault(panel, sand, level, ledgerCase(panel, settings));
  const kind = SANDING_STEPS[sand];
  return [
    ...levelled,
    { kind, reason: 'as asked for', clearUm: takenUm(kind, substrate), ...(fault && { impossible: fault }) },
  ];
}

/** Marks filled instead of removed, where that was agreed and the paint can stand even that. */
function filling(panel: PanelCase, settings: PrepareSettings): Wanted[] {
  const { scope, substrate, marks, toCome } = panel;
  // A priming polish fills by itself, and a filler under it would be wiped off with the oil.
  if (toCome[0] === 'ceramic-primer') return [];
  const hidden = scope?.state === 'hidden-only' || (settings.schools.marks === 'fill' && settings.level !== 'none');
  if (!hidden || !takesPolish(substrate) || isWorn(panel.marks)) return [];
  if (!marks.some(({ kind }) => isPolishedAway(kind))) return [];
  const ledger = ledgerOf(ledgerCase(panel, settings), takenUm('filling-polish', substrate)[1]);
  if (ledger && ledger.spareUm < 0) return [];
  const [first] = toCome;
  const bonds = first !== undefined && BONDING.includes(first);
  return [
    {
      kind: 'filling-polish',
      reason: scope?.state === 'hidden-only' ? scope.reason : 'marks are filled and locked in here',
      ...(bonds && {
        impossible: `${FAMILIES[first].name.toLowerCase()} does not bond over a filler: lay a priming polish under it, or say that the marks stay`,
      }),
    },
  ];
}
