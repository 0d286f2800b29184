import { expectedLife, type LifeFactor } from '#core/layers/life';
import type { SubstrateId } from '#core/item/substrates';
import { MINUTES_PER_HOUR, MONTHS_PER_YEAR } from '#core/measures';
import type { Product } from '#core/products/sheets';
import type { Choice } from './choice-of';
import type { Barred, BayAir } from './in-bay';
import type { SurfaceKind } from './options';
import { sameLayers, type StackLayer, type ValidStack } from './stacks';
import { cheapestUnit, unitsMoney, workMoney } from './value';
import type { Wishes } from './wishes';

/** Closer than this is not worth a word. */
const WORTH_A_WORD = { share: 0.03, months: 2, minutes: 20 } as const;
/** An evening and a weekend of work, hours. */
const EVENING_H = 4;
const DAY_H = 8;
const WEEKEND_H = 16;

/** What of a choice is compared. */
export type Compared = Pick<Choice, 'firstMoney' | 'keptMoney' | 'lifeMonths' | 'minutes'>;

/** How one choice stands to another, in words: "a third cheaper now, lasts two winters less, an evening instead of a weekend". */
export function comparedInWords(choice: Compared, to: Compared): string {
  const first = moneyInWords(choice.firstMoney / to.firstMoney - 1);
  const kept = moneyInWords(choice.keptMoney / to.keptMoney - 1);
  const words = [
    ...(first !== undefined && first === kept
      ? [first]
      : [first && `${first} now`, kept && `${kept} over the time it is kept`]),
    lifeInWords(choice.lifeMonths - to.lifeMonths),
    hoursInWords(choice.minutes, to.minutes),
  ].filter((word) => word !== undefined);
  return words.length > 0 ? words.join(', ') : 'much the same in money, life and hours';
}

const FRACTIONS: readonly (readonly [share: number, words: string])[] = [
  [0.66, 'two thirds'],
  [0.5, 'half'],
  [0.33, 'a third'],
  [0.25, 'a quarter'],
  [0.2, 'a fifth'],
  [0.1, 'a tenth'],
];
const FRACTION_REACH = 0.04;

function moneyInWords(change: number): string | undefined {
  const size = Math.abs(change);
  if (!(size >= WORTH_A_WORD.share)) return undefined;
  if (change >= 0.9) return `${(1 + change).toFixed(1)} times the money`;
  const fraction = FRACTIONS.find(([share]) => Math.abs(share - size) <= FRACTION_REACH)?.[1];
  return `${fraction ?? `${Math.round(100 * size)} %`} ${change < 0 ? 'cheaper' : 'dearer'}`;
}

const WINTERS: Readonly<Record<number, string>> = { 1: 'one winter', 2: 'two winters', 3: 'three winters' };

function lifeInWords(months: number): string | undefined {
  const size = Math.abs(months);
  if (size < WORTH_A_WORD.months) return undefined;
  const winters = Math.round(size / MONTHS_PER_YEAR);
  const word = WINTERS[winters] ?? `${winters} winters`;
  const span = size < MONTHS_PER_YEAR - 1 ? `${Math.round(size)} months` : word;
  return `lasts ${span} ${months < 0 ? 'less' : 'more'}`;
}

function hoursInWords(minutes: number, than: number): string | undefined {
  if (Math.abs(minutes - than) < WORTH_A_WORD.minutes) return undefined;
  const span = (min: number) => {
    const hours = min / MINUTES_PER_HOUR;
    if (hours < 1) return `${Math.round(min / 5) * 5} min`;
    if (hours <= EVENING_H) return 'an evening';
    if (hours <= DAY_H) return 'a day';
    return hours <= WEEKEND_H ? 'a weekend' : `${Math.round(hours)} hours`;
  };
  const [own, other] = [span(minutes), span(than)];
  return own === other
    ? `${Math.round(Math.abs(minutes - than) / 10) * 10} min ${minutes < than ? 'less' : 'more'} work`
    : `${own} instead of ${other}`;
}

/** What is to be said honestly before anything is sold. */
export function honestWords(
  wishes: Wishes,
  {
    failingShare,
    choice,
    shelf,
  }: { readonly failingShare: number; readonly choice?: Choice | undefined; readonly shelf: readonly Product[] },
): string[] {
  const byId = new Map(shelf.map((product) => [product.id, product]));
  const laid = (choice?.surfaces ?? []).flatMap(({ layers }) =>
    layers.flatMap(({ product }) => byId.get(product) ?? []),
  );
  const longest = laid.toSorted((a, b) => (b.ratedMonths ?? 0) - (a.ratedMonths ?? 0))[0];
  const worst = longest && worstFactor(longest, wishes);
  return [
    ...(failingShare >= RESPRAY_DUE
      ? [
          `Not worth it: the clear coat is failing on ${Math.round(100 * failingShare)} % of the paint. A respray is due.`,
        ]
      : []),
    ...(wishes.keptMonths <= WAX_IT_MONTHS
      ? [`It is kept for ${Math.round(wishes.keptMonths)} months: wax it. Nothing longer-lived is paid back.`]
      : []),
    ...(worst && worst.costsMonths >= WORTH_A_WORD.months
      ? [`${worst.name} costs ${Math.round(worst.costsMonths)} months of ${longest.name}.`]
      : []),
  ];
}

const RESPRAY_DUE = 0.3;
const WAX_IT_MONTHS = 4;

/** The circumstance that shortens a life most, of those that were said: what is only taken as usual is nobody's fault. */
function worstFactor(product: Product, { exposure }: Pick<Wishes, 'exposure'>): LifeFactor | undefined {
  return expectedLife(product, exposure).factors.find(
    ({ of }) => of === 'melting' || (of !== 'outdoors' && of !== 'bounds' && exposure[of] !== undefined),
  );
}

/** Why a product is not in a choice. Money in minor units. */
export type FellAway =
  | { readonly product: string; readonly why: 'not-allowed' | 'not-wished' | 'beaten' }
  | { readonly product: string; readonly why: 'not-in-bay'; readonly because: Barred | 'days' }
  /** So much dearer on the kind of surface it would suit best, a pack of its own included. */
  | {
      readonly product: string;
      readonly why: 'dearer';
      readonly by: number;
      readonly substrate: SubstrateId;
      readonly lifeMonths: number;
    };

/**
 * Why each product of the shelf is not in a choice: no rule lets it, the bay does not, it is not wished, another beats it everywhere,
 * or it costs more.
 */
export function whyNot(
  kinds: readonly SurfaceKind[],
  choice: Choice,
  shelf: readonly Product[],
  wishes: Wishes,
  air?: BayAir,
): FellAway[] {
  const chosen = new Map(choice.surfaces.map((surface) => [surface.id, surface]));
  const opened = new Set(choice.purchases.map(({ product }) => product));
  const units = new Map(shelf.map((product) => [product.id, cheapestUnit(product)]));
  const costPerM2 = ({ value }: SurfaceKind['options'][number]) =>
    unitsMoney(value, units) + workMoney(value, wishes) + value.penalty;
  return shelf
    .filter(({ id }) => !opened.has(id))
    .map((product): FellAway => {
      const uses = kinds.flatMap((kind) => {
        const own = kind.options.filter(({ value }) => value.amounts.has(product.id));
        const picked = chosen.get(kind.surfaces[0]!.id);
        const now = kind.options.find(({ stack }) => sameLayers(namesOf(stack), picked?.layers ?? []));
        if (own.length === 0 || !now) return [];
        const best = own.reduce((a, b) => (costPerM2(b) < costPerM2(a) ? b : a));
        const opening = product.onHand > 0 ? 0 : Math.min(...product.packs.map(({ price }) => price)) / kind.areaM2;
        return [
          { by: (costPerM2(best) - costPerM2(now) + opening) * kind.areaM2, kind, lifeMonths: best.value.lifeMonths },
        ];
      });
      if (uses.length === 0) {
        const among = (key: 'allowed' | 'fitting' | 'wished') => kinds.some((kind) => kind[key].has(product.id));
        if (among('allowed') && !among('fitting')) {
          const barred = wishes.anyAir ? undefined : air?.get(product.id)?.barred;
          return { product: product.id, why: 'not-in-bay', because: barred ?? 'days' };
        }
        return {
          product: product.id,
          why: among('wished') ? 'beaten' : among('allowed') ? 'not-wished' : 'not-allowed',
        };
      }
      const { by, kind, lifeMonths } = uses.reduce((a, b) => (b.by < a.by ? b : a));
      return {
        product: product.id,
        why: 'dearer',
        by: Math.max(0, by),
        substrate: kind.surfaces[0]!.substrate,
        lifeMonths,
      };
    });
}

const namesOf = ({ layers }: ValidStack): StackLayer[] =>
  layers.map(({ product, coats }) => ({ product: product.id, coats }));
