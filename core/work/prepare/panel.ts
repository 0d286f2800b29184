import { type Mark, type MarkSeverity, type Tried, worstSeverity } from '#core/item/condition';
import type { Zone } from '#core/item/nets';
import { CLEAR_RESERVE_UM, type Hardness, type PaintSystem } from '#core/item/paint';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { FAMILIES, type FamilyId } from '#core/products/families';
import { goesWithWipe } from '#core/products/layering';
import { clayFor, cleanerFor, type Kit, NO_KIT, padHoldsM2, type Tool, toolFor } from '#core/work/kit';
import { type StepUse, isPolishing, STEP_KINDS, type StepKind, type StepKindId, takesPolish } from '#core/work/steps';
import { allowedLevel, type AllowedLevel, type Ledger, ledgerOf } from './ledger';
import { type Level, LEVEL_DEFINITIONS, LEVELS } from './levels';
import { isPolishedAway, shareGone, type SharesSeen } from './marks-gone';
import type { PrepareSchools } from './schools';
import { type Site, siteFault } from './site';

/** A surface as preparation sees it. */
export interface PanelCase extends Pick<Tried, 'touch' | 'iron' | 'water' | 'existing'> {
  readonly id: string;
  readonly substrate: SubstrateId;
  /** All its copies together. */
  readonly areaM2: number;
  readonly edgeM: number;
  readonly count: number;
  readonly curvature: number;
  readonly zone?: Zone | undefined;
  readonly marks: readonly Pick<Mark, 'id' | 'kind' | 'severity'>[];
  readonly paint: PaintSystem;
  readonly clearUm?: number | undefined;
  readonly hardness?: Hardness | undefined;
  /** What is to be laid on it, bottom first. */
  readonly toCome: readonly FamilyId[];
  /** Clear that taking the protection off again costs over the planned life, µm. */
  readonly removalsUm: number;
  /** What was agreed of it, where it is not simply included. */
  readonly scope?: AgreedScope | undefined;
}

/** What is agreed of a surface that is not simply included. */
export const SCOPE_STATES = ['excluded', 'partly', 'hidden-only', 'unpaid'] as const;
export type ScopeState = (typeof SCOPE_STATES)[number];
export interface AgreedScope {
  /**
   * Excluded: nothing is done. Partly: corrected one level milder. Hidden only: marks are filled, not removed.
   * Unpaid: done like the rest, and its time counted by itself.
   */
  readonly state: ScopeState;
  readonly reason: string;
}

export interface PrepareSettings {
  readonly level: Level;
  readonly schools: PrepareSchools;
  readonly site: Site;
  /** Steps left out by hand: a kind for the whole item, or `surface/kind`. */
  readonly leftOut: ReadonlySet<string>;
  readonly reserveUm?: number | undefined;
  /** How much longer or shorter than the defaults each kind of step really takes here. */
  readonly learned?: Readonly<Partial<Record<StepKindId, number>>> | undefined;
  /** How much more or less of a thing than planned is really used here, by its name. */
  readonly learnedUse?: ReadonlyMap<string, number> | undefined;
  /** What marks really became at earlier jobs. */
  readonly sharesSeen?: ReadonlyMap<string, SharesSeen> | undefined;
  /** The preparation shelf: its sheets say how long a cleaner dwells, where it may not go, what a panel is polished with. */
  readonly kit?: Kit | undefined;
}

export interface PrepStep {
  readonly surface: string;
  readonly kind: StepKindId;
  /** Which time it is done on this panel, from 1: a full correction cuts twice, some wipe twice. */
  readonly round: number;
  readonly minutes: number;
  /** By the default rates, before what was learned. */
  readonly defaultMin: number;
  readonly uses: readonly { readonly what: string; readonly unit: string; readonly amount: number }[];
  readonly clearUm: readonly [number, number];
  readonly reason: string;
  /** Minutes until it has to be rinsed, by the cleaner's sheet or as usual. */
  readonly dwellMin?: number;
  /** What it is polished with, by the shape of the panel and what is on the shelf. */
  readonly tool?: Tool;
  /** Left out by hand: what follows. */
  readonly leftOut?: string;
  /** The site does not allow it: why. */
  readonly impossible?: string;
}

/** Whether a step is really to be done: neither left out by hand nor ruled out. */
export const isDone = ({ leftOut, impossible }: Pick<PrepStep, 'leftOut' | 'impossible'>): boolean =>
  leftOut === undefined && impossible === undefined;

export interface MarkFate {
  readonly mark: string;
  /** Share of it that goes. */
  readonly share: number;
  /** It is filled: out of sight until the filler goes. */
  readonly hidden?: true;
}

export interface PanelPreparation {
  readonly id: string;
  readonly steps: readonly PrepStep[];
  readonly level: AllowedLevel;
  /** Undefined where nobody knows the clear, or nothing can be polished. */
  readonly ledger?: Ledger | undefined;
  /** What becomes of each mark. */
  readonly goes: readonly MarkFate[];
  readonly excluded?: string;
}

const SEVERITY_FACTOR: Readonly<Record<MarkSeverity, number>> = { light: 0.7, medium: 1, heavy: 1.6 };
/** Panels curved more than this are intricate. */
const INTRICATE_CURVATURE = 1.2;
const INTRICATE_FACTOR = 1.5;
const OVERHEAD_FACTOR = 1.4;
const VERY_HARD_CUTTING_FACTOR = 1.5;
/** Bonds only to bare paint: everything between has to be gone. */
const BONDING: readonly FamilyId[] = [
  'ceramic-primer',
  'ceramic-base',
  'ceramic-top',
  'ceramic',
  'spray-coating',
  'film',
  'glass-coating',
  'wheel-coating',
  'trim-coating',
  'vinyl-coating',
];
const NOT_WASHED: readonly SubstrateId[] = ['fabric', 'leather', 'interior-plastic'];
const GLASS: readonly SubstrateId[] = ['glass', 'windscreen'];
const TRIM: readonly SubstrateId[] = ['textured-plastic', 'rubber'];
const NEEDS_TAPE: readonly SubstrateId[] = [...TRIM, 'lens-plastic', 'vinyl'];

interface Wanted {
  readonly kind: StepKindId;
  readonly reason: string;
  readonly round?: number;
  readonly pieces?: number;
  /** On top of the usual factors. */
  readonly factor?: number;
  /** Why it cannot be done, besides the site. */
  readonly impossible?: string;
}

/**
 * The steps of one panel, from what was seen on it, what it is made of and what is to come, each with its reason.
 * Correction goes no further than the paint can stand; a matte finish is never polished.
 * @param besidePolish something next to it is polished: what polish would spoil is masked
 */
export function preparePanel(panel: PanelCase, settings: PrepareSettings, besidePolish = false): PanelPreparation {
  const { scope } = panel;
  if (scope?.state === 'excluded') {
    const level = { level: 'none' } as const;
    return { id: panel.id, steps: [], level, goes: fates(panel, 'none', false, settings), excluded: scope.reason };
  }
  const level = levelOf(panel, settings);
  const wanted = [
    ...cleaning(panel, settings),
    ...masking(panel, level, settings, besidePolish),
    ...correction(panel, level, settings),
    ...ending(panel, level, settings),
  ];
  const steps = wanted.map((step) => toStep(panel, step, settings));
  const taken = steps.filter(isDone).map(({ kind }) => kind);
  const polished = taken.filter(isPolishing);
  const corrects = LEVEL_DEFINITIONS[level.level].steps.some((kind) => taken.includes(kind));
  return {
    id: panel.id,
    steps,
    level,
    ledger: takesPolish(panel.substrate) ? ledgerOf(ledgerCase(panel, settings), polished) : undefined,
    goes: fates(
      panel,
      corrects ? level.level : 'none',
      taken.includes('filling-polish') || isPrimedOver(panel),
      settings,
    ),
  };
}

/** Marks that are agreed to be hidden go under a priming polish that fills. */
const isPrimedOver = ({ scope, toCome, substrate }: PanelCase) =>
  scope?.state === 'hidden-only' && toCome[0] === 'ceramic-primer' && takesPolish(substrate);

const fates = (
  { marks, substrate }: PanelCase,
  level: Level,
  filled: boolean,
  { sharesSeen }: PrepareSettings,
): MarkFate[] =>
  marks.map((mark) => ({
    mark: mark.id,
    share: shareGone(mark, level, substrate, sharesSeen),
    ...(filled && isPolishedAway(mark.kind) && { hidden: true as const }),
  }));

const ledgerCase = ({ clearUm, paint, removalsUm }: PanelCase, { reserveUm = CLEAR_RESERVE_UM }: PrepareSettings) => ({
  clearUm,
  paint,
  removalsUm,
  reserveUm,
});

/** A panel with nothing on it that polishing moves gets no more than gloss. */
function levelOf(panel: PanelCase, settings: PrepareSettings): AllowedLevel {
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
const isWorn = ({ marks }: PanelCase) => marks.some(({ kind }) => kind === 'burn-through' || kind === 'failing-clear');

function cleaning(panel: PanelCase, { schools, site }: PrepareSettings): Wanted[] {
  const { substrate, touch, iron, marks, count } = panel;
  if (NOT_WASHED.includes(substrate)) return [];
  const seen = (...kinds: readonly Mark['kind'][]) => marks.some(({ kind }) => kinds.includes(kind));
  const wet = siteFault('wash', site);
  const washed: Wanted[] = wet
    ? [{ kind: 'rinseless', reason: `washed without rinsing, since ${wet}` }]
    : [
        { kind: 'pre-wash', reason: 'loosens grit before anything touches it' },
        { kind: 'wash', reason: 'everything after it is done on clean paint' },
      ];
  if (SUBSTRATES[substrate].keepClear) return washed;
  if (substrate === 'wheel')
    return [{ kind: 'wheels', reason: 'brake dust, with cleaners of their own', pieces: count }];
  const bonds = panel.toCome.some((family) => BONDING.includes(family));
  const painted = SUBSTRATES[substrate].gaugeReads === true || substrate === 'gelcoat';
  const ironed: Wanted[] =
    iron === 'bleeds' || (iron === undefined && bonds && painted)
      ? [
          {
            kind: 'iron',
            reason: iron === 'bleeds' ? 'the iron test bled' : 'not tried for iron, and a coating is to come',
          },
        ]
      : [];
  const tarred: Wanted[] = seen('contamination') ? [{ kind: 'tar', reason: 'bonded contamination was marked' }] : [];
  const rough = touch === 'rough' || seen('contamination', 'dry-spray');
  const clayed: Wanted[] =
    rough && !GLASS.includes(substrate) && !SUBSTRATES[substrate].matte
      ? [{ kind: 'clay', reason: touch === 'rough' ? 'rough to the fingertip' : 'what is bonded to it was marked' }]
      : [];
  const inOrder = schools.iron === 'before-wash' ? [...ironed, ...washed] : [...washed, ...ironed];
  return [...inOrder, ...tarred, ...clayed, { kind: 'dry', reason: 'water hides in gaps and comes out later' }];
}

/**
 * What is masked: trim and lamps by the school; a matte finish beside polish always, since a slip there cannot be
 * undone; polished panels themselves only in the school that tapes every edge.
 */
function masking(
  { substrate }: PanelCase,
  { level }: AllowedLevel,
  { schools }: PrepareSettings,
  besidePolish: boolean,
): Wanted[] {
  if (LEVEL_DEFINITIONS[level].steps.length > 0) {
    return schools.masking === 'many' ? [{ kind: 'tape', reason: 'edges burn through first' }] : [];
  }
  if (!besidePolish) return [];
  if (SUBSTRATES[substrate].matte) {
    return [
      { kind: 'tape', reason: 'polish that touches a matte finish turns it glossy, and its neighbours are polished' },
    ];
  }
  return NEEDS_TAPE.includes(substrate) && schools.masking !== 'none'
    ? [{ kind: 'tape', reason: 'polish stays off it while its neighbours are polished' }]
    : [];
}

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

function correction(panel: PanelCase, { level }: AllowedLevel, settings: PrepareSettings): Wanted[] {
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
  return [
    ...chips(panel, settings),
    ...polished,
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

function ending(panel: PanelCase, { level }: AllowedLevel, { schools, site }: PrepareSettings): Wanted[] {
  const { substrate, toCome, marks, existing } = panel;
  const [first] = toCome;
  if (first === undefined || NOT_WASHED.includes(substrate) || SUBSTRATES[substrate].keepClear) return [];
  const polished = takesPolish(substrate) && !siteFault('prep-wash', site);
  const ends: Wanted[] = [];
  if (GLASS.includes(substrate))
    ends.push({ kind: 'glass-polish', reason: 'old repellent and grease come off glass only so' });
  if (TRIM.includes(substrate) && marks.some(({ kind }) => kind === 'oxidation')) {
    ends.push({ kind: 'trim-restore', reason: 'faded' });
  }
  if (polished) ends.push({ kind: 'prep-wash', reason: 'takes polishing oil and dust out of the gaps' });
  const primed = first === 'ceramic-primer' && schools.wipe === 'none-over-primer';
  const polishedOff = LEVEL_DEFINITIONS[level].steps.length > 0;
  if (
    BONDING.includes(first) &&
    substrate !== 'acrylic-window' &&
    !primed &&
    (polishedOff || !goesWithWipe(existing.at(-1)))
  ) {
    const rounds = schools.wipe === 'twice' ? 2 : 1;
    const reason = `${FAMILIES[first].name} bonds to bare ${GLASS.includes(substrate) ? 'glass' : 'surface'} only`;
    for (let round = 1; round <= rounds; round++) ends.push({ kind: 'panel-wipe', reason, round });
  }
  return ends;
}

function toStep(
  panel: PanelCase,
  { kind, reason, round = 1, pieces, factor = 1, impossible: barred }: Wanted,
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
  const defaultMin = definition.pace.min * amount * factor * handling(panel, kind) * fast;
  const dwell = cleaner?.dwellMin ?? definition.dwellMin;
  const usual = definition.uses.map(({ per, ...use }) => ({ ...use, amount: per * amount }));
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
    clearUm: definition.clearUm,
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
