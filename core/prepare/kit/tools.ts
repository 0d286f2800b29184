import type { Make } from '#core/item/make';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import {
  type CleanerSheet,
  GRADE_OF,
  LIQUID_WORDS,
  type LiquidGrade,
  PAD_WORDS,
  type KitSheet,
  type LampSheet,
  type LiquidSheet,
  type MachineSheet,
  padHoldsM2,
  type PadMaterial,
  PADS_FOR,
  type PadSheet,
} from './sheets';
import { type KitThing, machineState, padFault, type PadThing } from './things';

/** What the workshop prepares with. */
export interface Kit {
  readonly sheets: readonly KitSheet[];
  readonly things: readonly KitThing[];
}

export const NO_KIT: Kit = { sheets: [], things: [] };

const ofKind = <K extends KitSheet['kind']>({ sheets }: Kit, kind: K) =>
  sheets.filter((sheet): sheet is Extract<KitSheet, { kind: K }> => sheet.kind === kind);

/** What is approved for aircraft first on one, and last elsewhere: it is kept for them where anything else will do. */
const forAircraft = <S extends { readonly aviationApproved?: boolean | undefined }>(
  sheets: readonly S[],
  aircraft: boolean,
): S[] =>
  sheets.toSorted(
    (a, b) => Number((b.aviationApproved ?? false) === aircraft) - Number((a.aviationApproved ?? false) === aircraft),
  );

/** A panel as a tool meets it. */
export interface ToolCase {
  readonly substrate: SubstrateId;
  readonly body?: Make['body'];
  readonly piece?: Make['piece'];
  /** It belongs to an aircraft. */
  readonly aircraft?: boolean | undefined;
  /** Of one copy, and all round it. */
  readonly areaM2: number;
  readonly edgeM: number;
  readonly curvature: number;
}

export type Reach = 'flat' | 'shaped' | 'recess';
/** Panels smaller than this are worked by hand, m². */
const BY_HAND_UNDER_M2 = 0.05;
/** A large plate wants at least so much panel, m², and no more curve than this. */
const LARGE_PLATE_FROM_M2 = 0.4;
const LARGE_PLATE_CURVATURE = 1.12;
/** Pillars, frames and rails: a rotary burns the edges of what is narrower than this in the mean, m. */
const NARROW_M = 0.25;

/** Long throw on flats, a small plate on shaped panels, by hand in recesses. */
export function reachOf({ areaM2, curvature }: Pick<ToolCase, 'areaM2' | 'curvature'>): Reach {
  if (areaM2 < BY_HAND_UNDER_M2) return 'recess';
  return areaM2 >= LARGE_PLATE_FROM_M2 && curvature <= LARGE_PLATE_CURVATURE ? 'flat' : 'shaped';
}

export interface Tool {
  readonly reach: Reach;
  readonly liquid?: LiquidSheet;
  readonly pad?: PadSheet;
  /** None: by hand. */
  readonly machine?: MachineSheet;
  /** The range of its speeds that this panel takes. */
  readonly speeds?: readonly [from: number, to: number];
  /** What each is called, from the shelf or, where it has none, as the trade calls it; no machine: by hand. */
  readonly says: { readonly machine?: string; readonly pad: string; readonly liquid: string };
  readonly patches: Patches;
  /** It is cut by rotary, from the shelf or, where that has no machine, by the school. */
  readonly rotary: boolean;
  /** What was looked for and is not on the shelf. */
  readonly lacking: readonly string[];
}

/** Which machine cuts: a school. */
export type CuttingSchool = 'dual' | 'rotary';

/** What a test spot decided on: it goes before the usual choice. */
export interface DecidedTool {
  readonly grade: LiquidGrade;
  readonly material: PadMaterial;
  readonly machine?: MachineSheet['action'] | 'hand' | undefined;
}

/**
 * What a panel is polished with: liquid by the step, pad by the liquid and the plate, machine by the panel's shape; where
 * a test spot has decided, what it decided. From an empty shelf by what the trade usually takes.
 */
export function toolFor(
  panel: ToolCase,
  kind: StepKindId,
  kit: Kit,
  school: CuttingSchool,
  decided?: DecidedTool,
  /** Nothing on a cable or a hose. */
  cordless = false,
): Tool | undefined {
  const grade = decided?.grade ?? GRADE_OF[kind];
  if (!grade) return undefined;
  const reach = decided?.machine === 'hand' ? 'recess' : reachOf(panel);
  const cuts =
    decided?.machine === 'rotary' || (decided?.machine === undefined && school === 'rotary') ? 'rotary' : 'dual';
  // What fills shows less than is there: it is for hiding, and never for judging what a step took away.
  const liquids = ofKind(kit, 'liquid').filter(
    (sheet) => sheet.grade === grade && sheet.filling === (grade === 'filling'),
  );
  const [liquid] = forAircraft(liquids, panel.aircraft === true);
  const machine =
    reach === 'recess' ? undefined : machineFor(panel, reach, kind, cordless ? withoutCables(kit) : kit, cuts);
  const materials = decided ? [decided.material] : PADS_FOR[grade];
  const pad = padFor(materials, decided ? undefined : machine?.action, machine?.plateMm ?? 0, kit);
  const lacking = [
    ...(liquid ? [] : [`a ${grade} liquid`]),
    ...(pad ? [] : [`a pad of ${PAD_WORDS[materials[0]!]}`]),
    ...(machine || reach === 'recess' ? [] : ['a machine']),
  ];
  const turns = rotaryGoes(panel, reach, kind, cuts) ? 'rotary' : 'dual';
  const usual = USUAL_MACHINE[reach === 'flat' ? turns : 'small'];
  const material = pad?.material ?? materials[0]!;
  return {
    reach,
    lacking,
    rotary: (machine?.action ?? turns) === 'rotary' && reach !== 'recess',
    says: {
      ...(reach !== 'recess' && { machine: machine?.name ?? usual.name }),
      pad: pad?.name ?? `${PAD_WORDS[material]} pad`,
      liquid: liquid?.name ?? LIQUID_WORDS[grade],
    },
    patches: patchesOf(panel.areaM2, liquid ?? usualLiquid(grade), pad ?? { sizeMm: usual.padMm }),
    ...(liquid && { liquid }),
    ...(pad && { pad }),
    ...(machine && { machine, speeds: speedsFor(panel, machine) }),
  };
}

/** Machines as the trade calls them where the shelf has none, with the pads they carry. */
const USUAL_MACHINE = {
  dual: { name: 'a dual-action machine, large plate', padMm: 125 },
  rotary: { name: 'a rotary machine', padMm: 150 },
  small: { name: 'a dual-action machine, small plate', padMm: 75 },
} as const;

/** Millilitres a square metre takes of each grade. */
export const LIQUID_ML_PER_M2: Readonly<Record<LiquidGrade, number>> = {
  cutting: 7,
  'one-step': 6,
  refining: 5,
  finishing: 5,
  filling: 5,
};

/** Five dots on the first section of a pad, three on those after it; a dot so large that three cover half a metre square. */
const usualLiquid = (grade: LiquidGrade): DosedLiquid => ({
  grade,
  dotsFirst: 5,
  dotsLoaded: 3,
  mlPerDot: (LIQUID_ML_PER_M2[grade] * 0.25) / 3,
});

const withoutCables = ({ sheets, things }: Kit): Kit => ({
  sheets: sheets.filter((sheet) => sheet.kind !== 'machine' || sheet.drive === 'battery'),
  things,
});

/** A rotary on large flats of metal only: never on what is narrow, small or plastic. */
const rotaryGoes = (
  { areaM2, edgeM, body = 'metal', piece }: ToolCase,
  reach: Reach,
  kind: StepKindId,
  school: CuttingSchool,
) =>
  school === 'rotary' &&
  kind === 'cutting' &&
  reach === 'flat' &&
  body === 'metal' &&
  piece === undefined &&
  (2 * areaM2) / edgeM >= NARROW_M;

function machineFor(panel: ToolCase, reach: Reach, kind: StepKindId, kit: Kit, school: CuttingSchool) {
  const rotaryAllowed = rotaryGoes(panel, reach, kind, school);
  const machines = ofKind(kit, 'machine').filter(({ action }) => rotaryAllowed || action !== 'rotary');
  const rank = ({ action, plateMm, throwMm }: MachineSheet) =>
    (rotaryAllowed && action === 'rotary' ? 10_000 : 0) + (reach === 'flat' ? plateMm + throwMm : -plateMm);
  return machines.toSorted((a, b) => rank(b) - rank(a))[0];
}

/** The first material that suits, in the size nearest the plate; by hand the smallest. */
function padFor(
  materials: readonly PadMaterial[],
  action: MachineSheet['action'] | undefined,
  size: number,
  kit: Kit,
): PadSheet | undefined {
  const pads = ofKind(kit, 'pad');
  const wanted = action === 'rotary' ? ['wool' as const, ...materials] : materials;
  const material = wanted.find((each) => pads.some((pad) => pad.material === each));
  return pads
    .filter((pad) => pad.material === material)
    .toSorted((a, b) => Math.abs(a.sizeMm - size) - Math.abs(b.sizeMm - size))[0];
}

/** Plastics soften: the lower third of the speeds; all else up to four fifths. A machine left at full is an accident. */
function speedsFor({ substrate, body }: ToolCase, { speedFrom, speedTo }: MachineSheet): readonly [number, number] {
  const softens = SUBSTRATES[substrate].plastic === true || (body ?? 'metal') !== 'metal';
  return [speedFrom, Math.round(speedFrom + (softens ? 1 / 3 : 4 / 5) * (speedTo - speedFrom))];
}

export interface Patches {
  readonly count: number;
  readonly sideM: number;
  /** Dots on the first patch of each fresh pad, and on those after it. */
  readonly dotsFirst: number;
  readonly dotsLoaded: number;
  readonly ml: number;
  /** Pads, each cleaned or changed when it is full. */
  readonly pads: number;
}

/** A patch is four pads wide: small enough to be worked before the liquid dries. */
const PATCH_IN_PADS = 4;

/**
 * A panel in patches, each pad's first with more liquid than those after it, since a loaded pad gives back.
 * @param areaM2 of the panel
 */
type DosedLiquid = Pick<LiquidSheet, 'grade' | 'dotsFirst' | 'dotsLoaded' | 'mlPerDot'>;

export function patchesOf(areaM2: number, liquid: DosedLiquid, { sizeMm }: Pick<PadSheet, 'sizeMm'>): Patches {
  const sideM = (PATCH_IN_PADS * sizeMm) / 1000;
  const count = Math.max(1, Math.ceil(areaM2 / sideM ** 2));
  const pads = Math.max(1, Math.ceil(areaM2 / padHoldsM2(liquid.grade)));
  const { dotsFirst, dotsLoaded, mlPerDot } = liquid;
  const fresh = Math.min(pads, count);
  const ml = (fresh * dotsFirst + (count - fresh) * dotsLoaded) * mlPerDot;
  return { count, sideM, dotsFirst, dotsLoaded, ml, pads };
}

export interface PadCount {
  readonly pad: PadSheet;
  readonly liquid: LiquidSheet;
  readonly areaM2: number;
  /** How many pads the area loads. */
  readonly needed: number;
  /** Of those, ready now and marked with this liquid or with none. */
  readonly ready: number;
  /** Cleaned and back in turn so often: all loads after the ready ones, and all of them where none is ready. */
  readonly cleanings: number;
}

/** What a whole stage loads in pads, by pad and liquid: dirty pads become the bottleneck. */
export function padsFor(
  uses: readonly { readonly tool: Tool; readonly areaM2: number }[],
  kit: Kit,
  nowMs: number,
): PadCount[] {
  const sums = new Map<string, { pad: PadSheet; liquid: LiquidSheet; areaM2: number }>();
  for (const { tool, areaM2 } of uses) {
    const { pad, liquid } = tool;
    if (!pad || !liquid) continue;
    const key = `${pad.id} ${liquid.id}`;
    sums.set(key, { pad, liquid, areaM2: (sums.get(key)?.areaM2 ?? 0) + areaM2 });
  }
  return [...sums.values()].map(({ pad, liquid, areaM2 }) => {
    const needed = Math.max(1, Math.ceil(areaM2 / padHoldsM2(liquid.grade)));
    const ready = kit.things.filter(
      (thing): thing is PadThing =>
        thing.kind === 'pad-in-use' && thing.sheet === pad.id && padFault(thing, pad, liquid.id, nowMs) === undefined,
    ).length;
    return { pad, liquid, areaM2, needed, ready, cleanings: Math.max(0, needed - ready) };
  });
}

export interface BatteryCount {
  readonly machine: MachineSheet;
  readonly minutes: number;
  /** Full batteries the work takes beyond what is left in those in hand. */
  readonly changes: number;
}

/** Machines on batteries that a stage runs longer than their charge holds. */
export function batteriesFor(
  uses: readonly { readonly tool: Tool; readonly minutes: number }[],
  { things }: Kit,
  nowMs: number,
): BatteryCount[] {
  const sums = new Map<MachineSheet, number>();
  for (const { tool, minutes } of uses) {
    if (tool.machine?.drive === 'battery') sums.set(tool.machine, (sums.get(tool.machine) ?? 0) + minutes);
  }
  return [...sums].flatMap(([machine, minutes]): BatteryCount[] => {
    const { runMin } = machine;
    if (runMin === undefined) return [];
    const own = things.flatMap((thing) =>
      thing.kind === 'machine-in-use' && thing.sheet === machine.id ? [thing] : [],
    );
    // Nobody has said how full: taken as full.
    const leftMin = own.reduce((sum, thing) => sum + (machineState(thing, machine, nowMs).leftMin ?? runMin), 0);
    const changes = Math.ceil((minutes - (own.length > 0 ? leftMin : runMin)) / runMin);
    return changes > 0 ? [{ machine, minutes, changes }] : [];
  });
}

/** Steps that are looks under a light. */
const LOOKS: readonly StepKindId[] = ['inspection', 'look-again'];

/** What a look is taken with: flickering lamps hide faults, and are named only where there is nothing else. */
export function lampsFor(kind: StepKindId, kit: Kit): readonly LampSheet[] {
  if (!LOOKS.includes(kind)) return [];
  const lamps = ofKind(kit, 'lamp');
  const steady = lamps.filter(({ flickerFree }) => flickerFree);
  return steady.length > 0 ? steady : lamps;
}

export interface CleanerChoice {
  readonly cleaner?: CleanerSheet;
  /** Why none on the shelf will do, though some serve the step. */
  readonly refused?: string;
}

/**
 * The cleaner for a step on a surface: the first that serves it and is not forbidden there; on an aircraft only what is
 * approved for one, and where nothing may run to the ground no acid and no alkali.
 */
export function cleanerFor(
  kind: StepKindId,
  { substrate, aircraft = false }: { readonly substrate: SubstrateId; readonly aircraft?: boolean | undefined },
  kit: Kit,
  keptOffGround = false,
): CleanerChoice {
  const serving = forAircraft(
    ofKind(kit, 'cleaner').filter(({ serves }) => serves.includes(kind)),
    aircraft,
  );
  const objection = ({ notFor, ph = 'neutral', aviationApproved }: CleanerSheet): string | undefined => {
    if (notFor.includes(substrate)) return `is not for ${SUBSTRATES[substrate].name.toLowerCase()}`;
    if (aircraft && !aviationApproved) return 'is not approved for aircraft';
    return keptOffGround && ph !== 'neutral' ? `is ${ph} and may not run to the ground` : undefined;
  };
  const cleaner = serving.find((sheet) => objection(sheet) === undefined);
  if (cleaner) return { cleaner };
  const [first] = serving;
  if (!first) return {};
  return { refused: `${first.name} ${objection(first)!}, and nothing else on the shelf will do` };
}

/**
 * Why a step that pours or polishes is not done on an aircraft: nothing for it on the shelf is approved for one; undefined:
 * the step uses no liquid, or an approved one.
 */
export function approvalFault(
  kind: StepKindId,
  cleaner: CleanerSheet | undefined,
  liquid: LiquidSheet | undefined,
): string | undefined {
  const pours = STEP_KINDS[kind].uses.some(({ unit }) => unit === 'ml');
  if (!pours || cleaner?.aviationApproved || liquid?.aviationApproved) return undefined;
  const name = STEP_KINDS[kind].name.toLowerCase();
  return `nothing on the shelf for ${name} is approved for aircraft`;
}

/** Coarser clay for more: fine where the touch says little, medium where it is rough, coarse never without asking. */
export function clayFor(rough: boolean, kit: Kit) {
  const clays = ofKind(kit, 'clay');
  const wanted = rough ? (['medium', 'fine'] as const) : (['fine', 'medium'] as const);
  return wanted.map((grade) => clays.find((clay) => clay.grade === grade)).find((clay) => clay !== undefined);
}
