import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { MINUTES_PER_DAY } from '#core/measures';
import { type FamilyId, foundName, type FoundId } from '#core/products/families';
import type { Answer, Product } from '#core/products/sheets';
import { spanInWords } from '#core/time/clocks';

/** What lies directly below a layer: the surface itself, something found on it, or a product laid before. */
export type Below =
  | { readonly kind: 'bare' }
  /** Found on it: its name where somebody knows which product it is. */
  | { readonly kind: 'existing'; readonly family: FoundId; readonly name?: string | undefined }
  | { readonly kind: 'product'; readonly product: Product };

/** Everything a layering rule may look at. */
export interface LayeringCase {
  readonly product: Product;
  /** What it lies on as it sees it: a film below is the surface. */
  readonly substrate: SubstrateId;
  readonly below: Below;
  /** Minutes the paint still has to breathe when this layer is laid; 0 or less: it has. */
  readonly breathesForMin?: number | undefined;
  /** It is on an aircraft, whatever it is made of. */
  readonly aircraft?: boolean | undefined;
  /** Its own paint is crazed, failing or burnt through. */
  readonly worn?: boolean | undefined;
  /** When it is laid, beside when what lies below may be laid over; absent where that is not known yet. */
  readonly interval?: Interval | undefined;
  /** A panel wipe stands between it and what lies below. */
  readonly wiped?: boolean | undefined;
}

/** When a layer goes over another, minutes on one scale. */
export interface Interval {
  readonly startMin: number;
  /** When the one below was finished: how long the wait was meant to be. */
  readonly belowEndMin?: number | undefined;
  /** Null: it never sets enough. Undefined: its sheet does not say. */
  readonly recoatFromMin?: number | null | undefined;
  /** Null or undefined: it stays open. */
  readonly recoatByMin?: number | null | undefined;
}

export interface Ruling {
  readonly rule: RuleId;
  readonly answer: Exclude<Answer, 'yes'>;
  readonly reason: string;
  /** It said no, and was overruled by hand: why. */
  readonly overruled?: string;
}

interface Rule {
  /** How the rule is read to an installer. */
  readonly says: string;
  /** Why the trade has it. */
  readonly because: string;
  /** Whose word it is. */
  readonly reference: string;
  /** Someone could be hurt, or the law stands behind it: never overruled. */
  readonly safety?: true;
  /** What its answer turns on. */
  readonly looksAt: 'surface' | 'paint' | 'below' | 'interval' | 'wipe';
  /** Undefined where the rule has nothing against it. */
  judge(layer: LayeringCase): { readonly answer: Ruling['answer']; readonly reason: string } | undefined;
}

const define = <T extends Record<string, Rule>>(table: T) => table;

const surfaceName = (id: SubstrateId) => SUBSTRATES[id].name.toLowerCase();
const because = (why: string | undefined) => (why ? `: ${why}` : '');

function belowInWords(below: Below): string {
  switch (below.kind) {
    case 'bare':
      return 'the bare surface';
    case 'existing':
      return below.family === 'unknown'
        ? 'what is unknown on it'
        : `the ${foundName(below.family).toLowerCase()} found on it`;
    case 'product':
      return below.product.name;
  }
}

/** Until water has sheeted off it, what is not known counts as a coating where something is to bond to it. */
const UNKNOWN_BONDS_AS: FamilyId = 'ceramic';

/** Waxes are one kind: each is renewed by any other, and lies over a cleaner wax. */
const WAXES: readonly FoundId[] = ['cleaner-wax', 'paste-wax', 'liquid-wax'];
/** Families that are renewed by laying them again over what is left of their own kind, whoever made it. */
const RENEWED_OVER_ITSELF: readonly FoundId[] = [...WAXES, 'sealant', 'spray-coating', 'topper', 'dressing'];

/**
 * Whether a sheet that names `self` is laid over what is found as a renewal: over its own kind where that is renewed, over
 * the same product where it is a coating. A coating of its family nobody can name may be that one: see `unknown-below`.
 */
function renews({ over, family, name }: Product, below: Extract<Below, { kind: 'existing' }>): boolean {
  if (!over.includes('self')) return false;
  if (RENEWED_OVER_ITSELF.includes(family))
    return family === below.family || (WAXES.includes(family) && WAXES.includes(below.family));
  return family === below.family && (below.name === undefined || below.name === name);
}

/** Whether a sheet's `over` list names what lies below; `self` counts for what is found too. */
export function bondsTo(product: Product, below: Below): boolean {
  const { over } = product;
  switch (below.kind) {
    case 'bare':
      return over.includes('bare');
    case 'existing':
      return over.includes(below.family === 'unknown' ? UNKNOWN_BONDS_AS : below.family) || renews(product, below);
    case 'product': {
      const itself = below.product.id === product.id && over.includes('self');
      const onCleaner = below.product.family === 'cleaner-wax' && WAXES.includes(product.family);
      return itself || onCleaner || over.includes(below.product.id) || over.includes(below.product.family);
    }
  }
}

/** A coating of its own family is found below, and nobody knows which: only `self` carries it. */
const isUnnamedKind = (product: Product, below: Below): boolean =>
  below.kind === 'existing' &&
  below.family === product.family &&
  below.name === undefined &&
  !RENEWED_OVER_ITSELF.includes(below.family) &&
  !product.over.includes(below.family) &&
  product.over.includes('self');

/** What is found of a product has closed to another coat where its sheet says that it closes: renewals never wait for that. */
const hasClosed = (product: Product, below: Below): boolean =>
  below.kind === 'existing' &&
  below.family === product.family &&
  renews(product, below) &&
  !RENEWED_OVER_ITSELF.includes(product.family) &&
  product.milestones.some(({ name }) => name === 'recoatBy');

const familyBelow = (below: Below): FoundId | undefined =>
  below.kind === 'bare' ? undefined : below.kind === 'existing' ? below.family : below.product.family;

/** Whether a panel wipe would take what lies below off, where it is meant to stay: a priming polish, or what says so itself. */
const goesWithWipe = (below: Below): boolean =>
  familyBelow(below) === 'ceramic-primer' ||
  (below.kind === 'product' && below.product.properties.includes('no-panel-wipe'));

/** Why no panel wipe goes over what lies below; undefined where one may. The rule, for who wipes and lays nothing. */
export const wipeRefusal = (below: Below): string | undefined =>
  goesWithWipe(below) ? `a panel wipe would take ${belowInWords(below)} off again` : undefined;

/** Film over something that is neither bare nor film. */
const filmOnCoating = ({ family }: Product, below: Below): boolean => {
  const under = familyBelow(below);
  return family === 'film' && under !== undefined && under !== 'film';
};

/** The finish a film would change; undefined where there is none to speak of. */
function finishOf(substrate: SubstrateId): 'gloss' | 'matte' | undefined {
  const { matte, polishable } = SUBSTRATES[substrate];
  return matte ? 'matte' : polishable || substrate === 'film-gloss' ? 'gloss' : undefined;
}

/** What has to be done before a layer that comes too late. */
export type TooLate = 'abrade' | 'strip' | 'start-again';

export const WHEN_TOO_LATE: Readonly<Record<TooLate, string>> = {
  abrade: 'abrade it first, lightly and evenly',
  strip: 'strip it and lay it anew',
  'start-again': 'polish it on again',
};

/** Families whose skin can be opened by abrading; the rest come off. */
const ABRADED: readonly FamilyId[] = ['ceramic', 'ceramic-base', 'ceramic-top', 'wheel-coating'];

/** What then, where a layer comes too late over another: hard coatings on a polishable ground are abraded. */
export function whenTooLate(below: FamilyId, substrate: SubstrateId): TooLate {
  if (below === 'ceramic-primer') return 'start-again';
  const abradable = SUBSTRATES[substrate].polishable === true || substrate === 'wheel' || substrate === 'caliper';
  return ABRADED.includes(below) && abradable ? 'abrade' : 'strip';
}

/** Two moments nearer than this are one. */
const MOMENT_MIN = 1e-6;
/** Share of a wait that is not known any better. */
const EARLY_SHARE = 0.1;

/** The rules of layering, as data: a new one is an entry here. */
const TABLE = define({
  substrate: {
    says: 'A product goes only on the kinds of surface its sheet names.',
    because: 'What is not on the sheet has not been tried by its maker.',
    reference: 'the product’s sheet',
    looksAt: 'surface',
    judge: ({ product, substrate }) => {
      const sheet = product.substrates[substrate];
      if (!sheet)
        return { answer: 'no', reason: `the sheet of ${product.name} does not name ${surfaceName(substrate)}` };
      if (sheet.use === 'yes') return undefined;
      const verb = sheet.use === 'no' ? 'rules out' : 'wants a hidden test spot on';
      const reason = `the sheet of ${product.name} ${verb} ${surfaceName(substrate)}${because(sheet.why)}`;
      return { answer: sheet.use, reason };
    },
  },
  'keep-clear': {
    says: 'Nothing goes on brake discs, treads, grips, steps, cameras or sensors.',
    because: 'Brakes that slip, feet that slide and sensors that do not see hurt people.',
    reference: 'practice; the makers of brakes and driver aids',
    safety: true,
    looksAt: 'surface',
    judge: ({ product, substrate }) =>
      SUBSTRATES[substrate].keepClear
        ? {
            answer: 'no',
            reason: `${product.name} would make a ${surfaceName(substrate)} unsafe; mask it and keep it clear`,
          }
        : undefined,
  },
  'worn-paint': {
    says: 'Nothing goes on crazed, failing or burnt-through paint.',
    because: 'The paint itself lets go, and takes with it whatever lies on it.',
    reference: 'practice; a painter',
    looksAt: 'paint',
    judge: ({ product, worn }) =>
      worn
        ? {
            answer: 'no',
            reason: `the paint is crazed, failing or burnt through: ${product.name} will not hold on it; tell the customer`,
          }
        : undefined,
  },
  bond: {
    says: 'A layer lies only on something it can bond to.',
    because: 'Nothing bonds over wax, silicone or oil; film adhesive wants bare paint; a top wants its base.',
    reference: 'the product’s sheet',
    looksAt: 'below',
    judge: ({ product, below }) =>
      // Film has its own rule, with its own way out.
      bondsTo(product, below) || filmOnCoating(product, below)
        ? undefined
        : { answer: 'no', reason: `${product.name} does not bond to ${belowInWords(below)}` },
  },
  'film-first': {
    says: 'Film goes on before coating, wax and sealant, never over them.',
    because: 'Its adhesive wants bare paint: over a coating the edges lift; laid first, it can be coated like paint.',
    reference: 'practice; the sheet of the film',
    looksAt: 'below',
    judge: ({ product, below }) =>
      filmOnCoating(product, below)
        ? { answer: 'no', reason: `${product.name} wants bare paint and would lie on ${belowInWords(below)}` }
        : undefined,
  },
  'unknown-below': {
    says: 'What may go over a coating goes over something unknown after a hidden test patch.',
    because: 'Nobody knows what it is: wax lets go of everything, a coating may carry it.',
    reference: 'practice; water that beads after a strip wash shows that something is left',
    looksAt: 'below',
    judge: ({ product, below }) => {
      if (below.kind !== 'existing' || !bondsTo(product, below)) return undefined;
      if (below.family === 'unknown')
        return {
          answer: 'test',
          reason: `nobody knows what lies there: try ${product.name} on a hidden patch, or strip it first`,
        };
      return isUnnamedKind(product, below)
        ? {
            answer: 'test',
            reason: `${product.name} goes over itself, and nobody knows which ${foundName(below.family).toLowerCase()} lies there: try it on a hidden patch`,
          }
        : undefined;
    },
  },
  'film-finish': {
    says: 'A film whose finish is not the paint’s wants the owner’s word.',
    because: 'For as long as it lies, the panel looks like the film: satin on gloss, gloss on satin.',
    reference: 'practice; the owner’s word',
    looksAt: 'surface',
    judge: ({ product, substrate }) => {
      const own = finishOf(substrate);
      if (!product.film || !own || own === product.film.finish) return undefined;
      return {
        answer: 'test',
        reason: `${product.name} is ${product.film.finish} and makes the ${surfaceName(substrate)} look so: show the owner a sample on it`,
      };
    },
  },
  'recoat-early': {
    says: 'A layer waits until the one below may be laid over.',
    because: 'Too early, the lower one is dragged off or its solvent is shut in.',
    reference: 'the sheet of the product below, on its clock in the air there is',
    looksAt: 'interval',
    judge: ({ product, below, interval }) => {
      if (below.kind !== 'product' || interval?.recoatFromMin === undefined) return undefined;
      const { recoatFromMin, startMin, belowEndMin = startMin } = interval;
      if (recoatFromMin === null) {
        return {
          answer: 'no',
          reason: `${below.product.name} never sets enough in this air for ${product.name} to go over it: keep the bay warmer`,
        };
      }
      // A clock is told to a tenth at best: what was laid that little too early was laid in time.
      const spare = Math.max(MOMENT_MIN, EARLY_SHARE * (recoatFromMin - belowEndMin));
      if (startMin >= recoatFromMin - spare) return undefined;
      return {
        answer: 'no',
        reason: `${product.name} was laid ${spanInWords(recoatFromMin - startMin)} before ${below.product.name} may be laid over: let it cure, look along it under a hand light, and where it stays soft or wrinkles take both off and start again`,
      };
    },
  },
  'recoat-late': {
    says: 'A layer is laid before the one below has closed to it.',
    because: 'Too late, nothing bonds to it any more until its skin is opened.',
    reference: 'the sheet of the product below, on its clock in the air there is',
    looksAt: 'interval',
    judge: ({ product, below, interval, substrate }) => {
      // Found on the item it has cured for months; only over its own kind is it known when it closed.
      if (hasClosed(product, below))
        return {
          answer: 'no',
          reason: `the ${foundName(product.family).toLowerCase()} found on it has closed: ${WHEN_TOO_LATE[whenTooLate(product.family, substrate)]} before ${product.name} goes over it`,
        };
      if (below.kind !== 'product' || typeof interval?.recoatByMin !== 'number') return undefined;
      const late = interval.startMin - interval.recoatByMin;
      if (late <= MOMENT_MIN) return undefined;
      return {
        answer: 'no',
        reason: `${below.product.name} would be laid over ${spanInWords(late)} after it has closed: ${WHEN_TOO_LATE[whenTooLate(below.product.family, substrate)]}, or change the order so that it is reached sooner`,
      };
    },
  },
  'primer-wipe': {
    says: 'No panel wipe over a priming polish.',
    because: 'It is part of the coating: wiping takes it off again, and what goes over it finds bare paint unevenly.',
    reference: 'the sheet of the priming polish',
    looksAt: 'wipe',
    judge: ({ below, wiped }) => {
      const reason = wiped ? wipeRefusal(below) : undefined;
      return reason === undefined ? undefined : { answer: 'no', reason };
    },
  },
  'fresh-paint': {
    says: 'Fresh paint breathes before anything closes it.',
    because: 'Solvent still leaving the paint would be trapped; the days are the sheet’s, or the painter’s.',
    reference: 'the product’s sheet, or the painter',
    looksAt: 'surface',
    judge: ({ product, breathesForMin = 0 }) =>
      breathesForMin > 0
        ? {
            answer: 'no',
            reason: `the paint needs ${Math.ceil(breathesForMin / MINUTES_PER_DAY)} more days to breathe before ${product.name}`,
          }
        : undefined,
  },
  'matte-no-abrasive': {
    says: 'Nothing that polishes or fills goes on a matte finish.',
    because: 'It turns glossy and cannot be undone.',
    reference: 'practice',
    looksAt: 'surface',
    judge: ({ product, substrate }) =>
      SUBSTRATES[substrate].matte && product.properties.some((p) => p === 'abrasive' || p === 'filler')
        ? { answer: 'no', reason: `${product.name} polishes or fills, which turns a matte finish glossy for good` }
        : undefined,
  },
  'matte-gloss-enhancer': {
    says: 'A gloss enhancer on a matte finish wants a hidden test spot and the owner’s word.',
    because: 'Some owners like the deeper look; it cannot be taken back.',
    reference: 'practice; the owner’s word',
    looksAt: 'surface',
    judge: ({ product, substrate }) =>
      SUBSTRATES[substrate].matte && product.properties.includes('gloss-enhancer')
        ? product.shop?.satinGloss === 'never'
          ? { answer: 'no', reason: `${product.name} enhances gloss, and this workshop never lays it on satin` }
          : { answer: 'test', reason: `${product.name} enhances gloss: try it low at the rear and ask the owner` }
        : undefined,
  },
  'acrylic-solvent': {
    says: 'No strong solvent on acrylic windows.',
    because: 'It crazes them.',
    reference: 'practice; the maker of the window',
    safety: true,
    looksAt: 'surface',
    judge: ({ product, substrate }) =>
      substrate === 'acrylic-window' && product.properties.includes('strong-solvent')
        ? { answer: 'no', reason: `${product.name} carries a strong solvent, which crazes acrylic` }
        : undefined,
  },
  'windscreen-wipers': {
    says: 'A coating not made for wipers wants a test on a windscreen.',
    because: 'The wipers may chatter.',
    reference: 'the product’s sheet; practice',
    looksAt: 'surface',
    judge: ({ product, substrate }) => {
      const school = product.shop?.windscreen ?? 'test';
      if (substrate !== 'windscreen' || !product.properties.includes('not-for-wipers')) return undefined;
      if (school === 'like-glass') return undefined;
      const reason = `${product.name} is not made for wipers: they may chatter`;
      return school === 'never'
        ? { answer: 'no', reason: `${reason}, and this workshop never lays it` }
        : { answer: 'test', reason };
    },
  },
  'aircraft-approval': {
    says: 'Only aviation-approved products go on an aircraft.',
    because: 'The maker’s approval and a licensed engineer decide; static ports, vents and control gaps stay clear.',
    reference: 'the aircraft maker’s approval; a licensed engineer',
    safety: true,
    looksAt: 'surface',
    judge: ({ product, substrate, aircraft }) =>
      (aircraft || substrate === 'aircraft-paint') && !product.properties.includes('aviation-approved')
        ? { answer: 'no', reason: `the sheet of ${product.name} does not say that it is approved for aircraft` }
        : undefined,
  },
});

export type RuleId = keyof typeof TABLE;
export const LAYERING_RULES: Readonly<Record<RuleId, Rule>> = TABLE;
export const RULE_IDS = Object.keys(TABLE) as [RuleId, ...RuleId[]];

/** Every objection to one layer, in the order of the rules; none: yes. */
export const rulingsOn = (layer: LayeringCase): Ruling[] => judgedBy(RULE_IDS, layer);

function judgedBy(rules: readonly RuleId[], layer: LayeringCase): Ruling[] {
  const rulings: Ruling[] = [];
  for (const rule of rules) {
    const ruling = LAYERING_RULES[rule].judge(layer);
    if (ruling) rulings.push({ rule, ...ruling });
  }
  return rulings;
}

const INTERVAL_RULES = RULE_IDS.filter((rule) => LAYERING_RULES[rule].looksAt === 'interval');

/** What the rules say of when a layer is laid over another. */
export function intervalRulingsOn(layer: LayeringCase & { readonly interval: Interval }): Ruling[] {
  return judgedBy(INTERVAL_RULES, layer);
}

/** The strictest of several rulings. */
export function answerOf(rulings: readonly Ruling[]): Answer {
  if (rulings.some(({ answer }) => answer === 'no')) return 'no';
  return rulings.length > 0 ? 'test' : 'yes';
}

/** Rules that a person has set aside for one layer, each with the reason that stays on the record. */
export type Overruled = Readonly<Partial<Record<RuleId, string | undefined>>>;

/** Whether a person may set a rule aside. */
export const mayOverrule = (rule: RuleId): boolean => LAYERING_RULES[rule].safety !== true;

/** What was refused and set aside by hand is to be tried hidden first; a matter of safety is never set aside. */
export function withOverruled(rulings: readonly Ruling[], overruled: Overruled = {}): Ruling[] {
  return rulings.map((ruling) => {
    const why = overruled[ruling.rule];
    return ruling.answer === 'no' && why !== undefined && mayOverrule(ruling.rule)
      ? { ...ruling, answer: 'test', overruled: why }
      : ruling;
  });
}
