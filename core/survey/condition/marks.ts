import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

export const OUTCOMES = ['removed', 'reduced', 'hidden', 'stays'] as const;
/** What becomes of a mark, as agreed with the owner before work begins. */
export type Outcome = (typeof OUTCOMES)[number];

/** How each is said to an owner. */
export const OUTCOME_NAMES: Readonly<Record<Outcome, string>> = {
  removed: 'Goes',
  reduced: 'Is eased',
  hidden: 'Is hidden',
  stays: 'Stays',
};

export const MARK_SEVERITIES = ['light', 'medium', 'heavy'] as const;
export type MarkSeverity = (typeof MARK_SEVERITIES)[number];

/** What a mark was seen under: pictures and overhead light flatter. */
export const INSPECTION_LIGHTS = ['hand-light', 'spot-lamp', 'overhead', 'daylight'] as const;
export type InspectionLight = (typeof INSPECTION_LIGHTS)[number];

export const LIGHT_NAMES: Readonly<Record<InspectionLight, string>> = {
  'hand-light': 'hand light',
  'spot-lamp': 'spot lamp',
  overhead: 'overhead light',
  daylight: 'daylight',
};

export interface MarkKind {
  readonly name: string;
  /** On the map: one or two letters. */
  readonly sign: string;
  /** Taken off or eased by polishing, and so never on a matte finish. */
  readonly polished?: true;
  /** No polish mends it, every polish makes it worse, and nothing laid over it holds. */
  readonly beyondPolishing?: true;
  /** To be told to the owner before work begins. */
  readonly say: string;
}

const define = <T extends Record<string, MarkKind>>(table: T) => table;

/** What is looked for at the walk-round. A new kind is an entry here. */
const TABLE = define({
  swirls: {
    name: 'Swirls',
    sign: 'S',
    polished: true,
    say: 'Fine circular marks from washing; most go with one step.',
  },
  holograms: {
    name: 'Holograms, buffer trails',
    sign: 'H',
    polished: true,
    say: 'Left by a rotary; a finishing step takes them.',
  },
  'deep-scratch': {
    name: 'Random deep scratch',
    sign: 'D',
    polished: true,
    say: 'Better rounded and softened than removed: it stays visible from close by.',
  },
  'sanding-marks': {
    name: 'Sanding marks',
    sign: 'M',
    polished: true,
    say: 'Small clusters where dust was sanded out; they cost clear coat to remove.',
  },
  run: {
    name: 'Run, sag',
    sign: 'U',
    polished: true,
    say: 'Thick paint that ran: levelled on itself, then cut and refined; only where it is dry and hard.',
  },
  etching: {
    name: 'Water-spot etching',
    sign: 'E',
    polished: true,
    say: 'Eaten into the surface; the deepest rings stay.',
  },
  oxidation: {
    name: 'Oxidation',
    sign: 'O',
    polished: true,
    say: 'White and chalky; comes back without protection.',
  },
  stain: { name: 'Stain', sign: 'T', say: 'What repeated cleaning does not move is in the paint.' },
  chip: {
    name: 'Stone chip',
    sign: 'C',
    say: 'To primer or metal: filled in several coats, or sealed over; never polished away.',
  },
  corrosion: {
    name: 'Corrosion',
    sign: 'R',
    say: 'Rust goes on under any coating; a body shop’s work.',
  },
  'dry-spray': {
    name: 'Dry spray',
    sign: 'Y',
    say: 'Overspray on the surface; clay takes most of it.',
  },
  'repaint-edge': {
    name: 'Repaint edge',
    sign: 'P',
    say: 'A different shade or texture; film may lift there.',
  },
  crazing: {
    name: 'Crazing',
    sign: 'Z',
    beyondPolishing: true,
    say: 'Cracks in the paint itself; heat and polishing make it worse.',
  },
  'failing-clear': {
    name: 'Failing clear coat',
    sign: 'F',
    beyondPolishing: true,
    say: 'Lifting or going milky; nothing laid on it will hold.',
  },
  'burn-through': {
    name: 'Suspected burn-through',
    sign: 'B',
    beyondPolishing: true,
    say: 'Edge polished through before; keep every machine off it.',
  },
  contamination: {
    name: 'Bonded contamination',
    sign: 'N',
    say: 'Rough to the fingertip; left on, it is sealed in for years.',
  },
  'earlier-layer': {
    name: 'Earlier coating or wax',
    sign: 'L',
    say: 'Something is on it already; it has to come off before anything bonds.',
  },
  'transit-film': {
    name: 'Transit film',
    sign: 'X',
    say: 'Protective film nobody peeled: looks like a fault on one side only.',
  },
});

export type MarkKindId = keyof typeof TABLE;
export const MARK_KINDS: Readonly<Record<MarkKindId, MarkKind>> = TABLE;
export const MARK_KIND_IDS = Object.keys(TABLE) as [MarkKindId, ...MarkKindId[]];

/** Something seen on a panel. `at` is its place as shares of the panel's box, so that it stays put when the net is stretched. */
export interface Mark {
  readonly id: string;
  readonly kind: MarkKindId;
  readonly severity: MarkSeverity;
  readonly at: readonly [across: number, down: number];
  readonly sizeMm?: number | undefined;
  /** As agreed with the owner; absent: as the preparation planned has it. */
  readonly outcome?: Outcome | undefined;
  /** All over the panel rather than in one place. */
  readonly allOver?: boolean | undefined;
  /** Filled at an earlier visit: out of sight until what hides it comes off. */
  readonly hiddenBefore?: boolean | undefined;
  readonly light?: InspectionLight | undefined;
  readonly note?: string | undefined;
}

/** Whether an outcome can be promised for a mark there: a matte finish is never polished, so what needs polishing stays. */
export function outcomePossible(kind: MarkKindId, outcome: Outcome, substrate: SubstrateId): boolean {
  const needsPolish = MARK_KINDS[kind].polished && (outcome === 'removed' || outcome === 'reduced');
  return !(needsPolish && SUBSTRATES[substrate].matte);
}

/** Whether paint is crazed, failing or burnt through: no polish mends it, every polish makes it worse, nothing holds on it. */
export const isWorn = (marks: readonly Pick<Mark, 'kind'>[]): boolean =>
  marks.some(({ kind }) => MARK_KINDS[kind].beyondPolishing === true);

/** The gravest of several marks; undefined for none. */
export function worstSeverity(marks: readonly Pick<Mark, 'severity'>[]): MarkSeverity | undefined {
  return [...MARK_SEVERITIES].reverse().find((severity) => marks.some((mark) => mark.severity === severity));
}

/** Marks in words, each kind once: "2 × swirls, stone chip". */
export function marksInWords(marks: readonly Pick<Mark, 'kind'>[]): string {
  const counts = new Map<MarkKindId, number>();
  for (const { kind } of marks) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts]
    .map(([kind, count]) => `${count > 1 ? `${count} × ` : ''}${MARK_KINDS[kind].name.toLowerCase()}`)
    .join(', ');
}
