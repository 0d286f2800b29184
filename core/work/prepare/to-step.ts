import { clayFor, cleanerFor, type Kit, NO_KIT, padHoldsM2, type Tool, toolFor } from '#core/work/kit';
import { STEP_KINDS, type StepKind, type StepUse } from '#core/work/steps';
import type { PanelCase, PrepareSettings, PrepStep, Wanted } from './panel-case';
import { awkwardness, hardnessFactor, pieceMin, toneFactor } from './pace';
import { siteFault } from './site';
import { PAIRS } from './test-ladder';

export function toStep(
  panel: PanelCase,
  { kind, reason, round = 1, pieces, factor = 1, clearUm, measured, worked, impossible: barred }: Wanted,
  settings: PrepareSettings,
): PrepStep {
  const definition: StepKind = STEP_KINDS[kind];
  const amount = { area: panel.areaM2, edge: panel.edgeM, piece: pieces ?? panel.count }[definition.pace.by];
  const leftOut =
    settings.leftOut.has(kind) || settings.leftOut.has(`${panel.id}/${kind}`) ? definition.leftOut : undefined;
  const { kit = NO_KIT, schools, learned, learnedUse } = settings;
  const { cleaner, refused } = cleanerFor(kind, panel.substrate, kit);
  const impossible = barred ?? siteFault(kind, settings.site) ?? refused;
  const one = { ...panel, areaM2: panel.areaM2 / panel.count };
  const tool = toolFor(
    one,
    kind,
    kit,
    schools.machine,
    measured && { ...PAIRS[measured.pair], machine: measured.machine },
  );
  const fast = tool?.machine?.action === 'rotary' ? ROTARY_FACTOR : 1;
  const awkward = awkwardness(panel, kind);
  const rate =
    definition.pace.min * factor * hardnessFactor(kind, panel.hardness) * toneFactor(kind, panel.tone) * fast;
  const least = pieceMin(panel, kind);
  const defaultMin = worked?.minutes ?? Math.max(least, rate * amount * awkward);
  const minutes = measured
    ? Math.max(least, measured.minPerM2 * amount * awkward)
    : defaultMin * (learned?.[kind] ?? 1);
  const dwell = cleaner?.dwellMin ?? definition.dwellMin;
  const usual: readonly Use[] =
    worked?.uses ?? definition.uses.map(({ per, ...use }) => ({ ...use, amount: per * amount }));
  const cleaned = cleaner ? withCleaner(usual, cleaner.name, (cleaner.mlPer * amount) / (1 + cleaner.dilution)) : usual;
  const uses = withTool(kind === 'clay' ? withClay(cleaned, panel, kit) : cleaned, tool, panel);
  return {
    surface: panel.id,
    kind,
    round,
    minutes,
    defaultMin,
    uses: uses.map(({ what, unit, amount: poured }) => ({
      what,
      unit,
      amount: poured * (learnedUse?.get(what) ?? 1),
    })),
    clearUm: worked?.clearUm ?? clearUm ?? definition.clearUm,
    reason,
    ...(dwell !== undefined && { dwellMin: dwell }),
    ...(tool && { tool }),
    ...(measured && { measured }),
    ...(leftOut && { leftOut }),
    ...(impossible && { impossible }),
  };
}

type Use = PrepStep['uses'][number] & Pick<StepUse, 'as'>;

/** What leaves the bottle of the cleaner by its sheet, in place of the usual figure for whatever is poured. */
const withCleaner = (uses: readonly Use[], what: string, ml: number): Use[] => [
  { what, unit: 'ml', amount: ml },
  ...uses.filter(({ unit }) => unit !== 'ml'),
];

/** The grade that the touch calls for, by its name. */
function withClay(uses: readonly Use[], { touch }: PanelCase, kit: Kit): readonly Use[] {
  const clay = clayFor(touch === 'rough', kit);
  return clay ? uses.map((use) => (use.what === 'clay' ? { ...use, what: clay.name } : use)) : uses;
}

/** Liquid by the patches and pads by what loads them, in place of the usual figures. */
function withTool(uses: readonly Use[], tool: Tool | undefined, { areaM2, count }: PanelCase): readonly Use[] {
  if (!tool?.liquid || !tool.pad) return uses;
  const { liquid, pad, patches } = tool;
  return [
    { what: liquid.name, unit: 'ml', amount: patches.ml * count },
    { what: pad.name, unit: '', amount: areaM2 / padHoldsM2(liquid.grade) },
    ...uses.filter(({ unit, as }) => unit !== 'ml' && as !== 'pad'),
  ];
}

/** A rotary machine with wool cuts in less time, and leaves buffer trails for the refining. Engineering default. */
const ROTARY_FACTOR = 0.75;
