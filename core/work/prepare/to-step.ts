import { clayFor, cleanerFor, type Kit, NO_KIT, padHoldsM2, type Tool, toolFor } from '#core/work/kit';
import { STEP_KINDS, type StepKind, type StepKindId, type StepUse } from '#core/work/steps';
import type { PanelCase, PrepareSettings, PrepStep, Wanted } from './panel-case';
import { siteFault } from './site';

/** Panels curved more than this are intricate. */
const INTRICATE_CURVATURE = 1.2;

const INTRICATE_FACTOR = 1.5;

const OVERHEAD_FACTOR = 1.4;

const VERY_HARD_CUTTING_FACTOR = 1.5;

export function toStep(
  panel: PanelCase,
  { kind, reason, round = 1, pieces, factor = 1, worked, impossible: barred }: Wanted,
  settings: PrepareSettings,
): PrepStep {
  const definition: StepKind = STEP_KINDS[kind];
  const amount = { area: panel.areaM2, edge: panel.edgeM, piece: pieces ?? panel.count }[definition.pace.by];
  const leftOut =
    settings.leftOut.has(kind) || settings.leftOut.has(`${panel.id}/${kind}`) ? definition.leftOut : undefined;
  const { kit = NO_KIT, schools, learned, learnedUse } = settings;
  const { cleaner, refused } = cleanerFor(kind, panel.substrate, kit);
  const impossible = barred ?? siteFault(kind, settings.site) ?? refused;
  const tool = toolFor({ ...panel, areaM2: panel.areaM2 / panel.count }, kind, kit, schools.machine);
  const fast = tool?.machine?.action === 'rotary' ? ROTARY_FACTOR : 1;
  const defaultMin = worked?.minutes ?? definition.pace.min * amount * factor * handling(panel, kind) * fast;
  const dwell = cleaner?.dwellMin ?? definition.dwellMin;
  const usual: readonly Use[] =
    worked?.uses ?? definition.uses.map(({ per, ...use }) => ({ ...use, amount: per * amount }));
  const cleaned = cleaner ? withCleaner(usual, cleaner.name, (cleaner.mlPer * amount) / (1 + cleaner.dilution)) : usual;
  const uses = withTool(kind === 'clay' ? withClay(cleaned, panel, kit) : cleaned, tool, panel);
  return {
    surface: panel.id,
    kind,
    round,
    minutes: defaultMin * (learned?.[kind] ?? 1),
    defaultMin,
    uses: uses.map(({ what, unit, amount: poured }) => ({
      what,
      unit,
      amount: poured * (learnedUse?.get(what) ?? 1),
    })),
    clearUm: worked?.clearUm ?? definition.clearUm,
    reason,
    ...(dwell !== undefined && { dwellMin: dwell }),
    ...(tool && { tool }),
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
  if (!tool?.patches || !tool.liquid || !tool.pad) return uses;
  const { liquid, pad, patches } = tool;
  return [
    { what: liquid.name, unit: 'ml', amount: patches.ml * count },
    { what: pad.name, unit: '', amount: areaM2 / padHoldsM2(liquid.grade) },
    ...uses.filter(({ unit, as }) => unit !== 'ml' && as !== 'pad'),
  ];
}

/** A rotary machine with wool cuts in less time, and leaves buffer trails for the refining. Engineering default. */
const ROTARY_FACTOR = 0.75;

/** Slower where the panel is awkward or its paint hard. */
function handling({ curvature, zone, hardness }: PanelCase, kind: StepKindId): number {
  if (STEP_KINDS[kind].pace.by !== 'area') return 1;
  const intricate = curvature > INTRICATE_CURVATURE ? INTRICATE_FACTOR : 1;
  const overhead = zone === 'under' ? OVERHEAD_FACTOR : 1;
  const hard = kind === 'cutting' && hardness === 'very-hard' ? VERY_HARD_CUTTING_FACTOR : 1;
  return intricate * overhead * hard;
}
