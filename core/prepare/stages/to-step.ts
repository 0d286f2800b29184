import {
  approvalFault,
  clayFor,
  cleanerFor,
  type Kit,
  NO_KIT,
  padHoldsM2,
  type Tool,
  toolFor,
} from '#core/prepare/kit';
import { STEP_KINDS, type StepKind, type StepUse } from '#core/prepare/steps';
import type { PanelCase, PrepareSettings, PrepStep, Wanted } from './panel-case';
import { awkwardness, hardnessFactor, jackingMin, padFactor, pieceMin, toneFactor } from './pace';
import { prepareRuling } from '#core/prepare/rules';
import { rinseFault, siteFaultOf, siteOf } from './site';
import { PAIRS } from './test-ladder';

export function toStep(
  panel: PanelCase,
  { kind, reason, round = 1, pieces, factor = 1, uses: things, clearUm, measured, worked, impossible: barred }: Wanted,
  settings: PrepareSettings,
  /** What was found on it is polished off before its last steps. */
  polished = false,
): PrepStep {
  const definition: StepKind = STEP_KINDS[kind];
  const amount = { area: panel.areaM2, edge: panel.edgeM, piece: pieces ?? panel.count }[definition.pace.by];
  const leftOut =
    settings.leftOut.has(kind) || settings.leftOut.has(`${panel.id}/${kind}`) ? definition.leftOut : undefined;
  const { kit = NO_KIT, schools, learned, learnedUse } = settings;
  const wiped = definition.orWiped && rinseFault(kind, settings);
  const { cleaner, refused } = cleanerFor(kind, panel, kit, rinseFault(kind, settings) !== undefined);
  const one = { ...panel, areaM2: panel.areaM2 / panel.count, edgeM: panel.edgeM / panel.count };
  const ruling = prepareRuling({ kind, panel, polished });
  const here = siteOf(kind, settings);
  const { power } = here;
  const tool = toolFor(
    one,
    kind,
    kit,
    schools.machine,
    measured && { ...PAIRS[measured.pair], machine: measured.machine },
    !power,
  );
  const cordless = tool !== undefined && (tool.reach === 'recess' || tool.machine?.drive === 'battery');
  const place = cordless && !power ? undefined : siteFaultOf(kind, settings);
  // Without a shelf nobody knows what would be poured.
  const unapproved =
    panel.aircraft === true && settings.kit !== undefined ? approvalFault(kind, cleaner, tool?.liquid) : undefined;
  const impossible = ruling?.reason ?? barred ?? place ?? refused ?? unapproved;
  const fast = tool?.rotary ? ROTARY_FACTOR : 1;
  const awkward = awkwardness(panel, kind);
  const rate =
    definition.pace.min *
    factor *
    hardnessFactor(kind, panel.hardness) *
    toneFactor(kind, panel.tone) *
    padFactor(kind, schools.pad) *
    (wiped ? definition.orWiped.factor : 1) *
    fast;
  const least = pieceMin(panel, kind);
  const jacking = round === 1 ? jackingMin(panel, kind, here) : 0;
  const defaultMin = worked?.minutes ?? Math.max(least, rate * amount * awkward) + jacking;
  const minutes = measured
    ? Math.max(least, measured.minPerM2 * amount * awkward)
    : defaultMin * (learned?.[kind] ?? 1);
  const dwell = cleaner?.dwellMin ?? definition.dwellMin;
  const usual: readonly Use[] =
    worked?.uses ?? definition.uses.map(({ per, ...use }) => ({ ...use, amount: per * amount }));
  const cleaned = cleaner ? withCleaner(usual, cleaner.name, (cleaner.mlPer * amount) / (1 + cleaner.dilution)) : usual;
  const own = withThings(cleaned, things, panel.areaM2);
  const clothed = wiped
    ? [...own, { what: 'wipe cloths', unit: '', amount: definition.orWiped.clothsPerM2 * panel.areaM2 }]
    : own;
  const uses = withTool(kind === 'clay' ? withClay(clothed, panel, kit) : clothed, tool, panel);
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
    reason: [
      reason,
      ...(wiped ? [`wiped off, not rinsed, since ${wiped}`] : []),
      ...(jacking > 0 ? ['jacked corner by corner: there is no lift'] : []),
    ].join('; '),
    ...(cleaner && { cleaner }),
    ...(ruling && { rule: ruling.rule }),
    ...(dwell !== undefined && { dwellMin: dwell }),
    ...(tool && { tool }),
    ...(measured && { measured }),
    ...(leftOut && { leftOut }),
    ...(impossible && { impossible }),
  };
}

/** Things that a want counts by itself, in place of the usual ones of the same name. */
function withThings(uses: readonly Use[], things: Wanted['uses'] = [], areaM2: number): readonly Use[] {
  const named = things.map(({ what }) => what);
  return [
    ...uses.filter(({ what }) => !named.includes(what)),
    ...things.map(({ what, unit, perM2 }) => ({ what, unit, amount: perM2 * areaM2 })),
  ];
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
export const ROTARY_FACTOR = 0.75;
