import { type StockKind, type StockUnit, SUPPLIES, supplyCalled, type SupplyId } from '#core/stock';
import type { FamilyId } from '#core/products/families';
import type { MethodId } from '#core/products/methods';
import { isReactive, type Product, wornFor } from '#core/products/sheets';
import type { Plan } from '#core/plan/job';
import { isDone, type PrepStage, usesOf } from '#core/prepare/stages';
import { applicatorCount, GLOVES_MIN } from '#core/products/quantity';
import { STEP_KINDS, type StepKindId } from '#core/prepare/steps';
import { wornAt } from './protection';
import { towelsForCoat } from './towels';

/** One thing to have at hand. */
export interface PickLine {
  /** The same thing at the same place of the work keeps its key, whatever the amounts become. */
  readonly key: string;
  readonly what: string;
  readonly amount: number;
  readonly unit: StockUnit;
  /** What it is counted as in stock. */
  readonly stock?: { readonly kind: StockKind; readonly of: string };
  /** What else there is to say: where towels change, what it is for. */
  readonly note?: string;
  readonly protective?: true;
}

/** What one part of the work wants beside it, in the order of work. */
export interface PickGroup {
  readonly key: string;
  readonly name: string;
  readonly lines: readonly PickLine[];
}

export interface PickListCase {
  /** Stages of preparation in working order; those that are over left out. */
  readonly stages: readonly PrepStage[];
  readonly plan: Pick<Plan, 'surfaces' | 'purchases'>;
  readonly products: readonly Product[];
  readonly people: number;
  /** The sheet of the preparation shelf of that name. */
  readonly sheetCalled?: ((name: string) => string | undefined) | undefined;
  /** How many pads of a sheet are ready to be taken up; undefined for what is no pad. */
  readonly readyPads?: ((sheet: string) => number | undefined) | undefined;
  /** The roles a coat is levelled in, by the shop's school. */
  readonly towelRoles: readonly string[];
  readonly nameOf: (surface: string) => string;
}

/** A block or mitt has stiffened with what dries in it after so long, minutes. Engineering default. */
export const APPLICATOR_MIN = 45;
/** Steps done with a soft brush, one a person. */
const BRUSHED: ReadonlySet<StepKindId> = new Set(['wheels', 'brush-gaps', 'interior-clean']);
/** Cloths round a block are changed as often as they load: one for so much, m². Engineering default. */
export const SUEDE_M2 = 1;
/** A haze is wiped off damp, ml/m² of a coat; one roll of film wants its blade changed, m². Engineering defaults. */
export const DISTILLED_ML_PER_M2 = 10;
export const BLADE_M2 = 1;

/** Laid by a block with a cloth round it; a priming polish goes on a pad. */
const onSuede = (family: FamilyId) => isReactive(family) && family !== 'ceramic-primer';

const whole = (count: number) => Math.max(0, Math.ceil(count - 1e-9));

interface LaidHere {
  readonly surface: string;
  readonly product: string;
  readonly coat: number;
  readonly method: MethodId;
  readonly areaM2: number;
  readonly amount: number;
  readonly startMin: number;
  readonly layMin: number;
  readonly workMin: number;
}

/**
 * Everything a job wants at hand, in the order of work: what keeps people from harm first, then stage by stage of the
 * preparation, then coat by coat. The same figures as the plan's, the preparation's and the run sheet's.
 */
export function pickList(job: PickListCase): PickGroup[] {
  const laid = laidIn(job.plan);
  const groups = [
    worn(job, laid),
    ...job.stages.map((stage) => stageGroup(stage, job)),
    ...coatsOf(laid).map((coat) => coatGroup(coat, job)),
  ];
  return groups.filter(({ lines }) => lines.length > 0);
}

function laidIn({ surfaces }: PickListCase['plan']): LaidHere[] {
  return surfaces.flatMap(({ id, areaM2, oneM2, coats }) =>
    coats.flatMap(({ product, coat, method, laid }): LaidHere[] => {
      if (!laid) return [];
      const sections = Math.max(1, Math.round((areaM2 / oneM2) * laid.sectionsPerCopy));
      const { layMin, levelMin } = laid.timing;
      return [
        {
          surface: id,
          product,
          coat,
          method,
          areaM2,
          amount: laid.amount,
          startMin: laid.startMin,
          layMin: layMin * sections,
          workMin: (layMin + levelMin) * sections,
        },
      ];
    }),
  );
}

const sum = <T>(values: readonly T[], of: (value: T) => number) =>
  values.reduce((total, value) => total + of(value), 0);

/** Gloves by people, products and minutes; masks and glasses one a person; only where something asks for them. */
function worn({ stages, products, people }: PickListCase, laid: readonly LaidHere[]): PickGroup {
  const sheets = new Map(products.map((product) => [product.id, product]));
  const used = [...new Set(laid.map(({ product }) => product))];
  const atStages = stages
    .filter(({ steps }) => steps.some(isDone))
    .map(({ kind, minutes }) => ({ minutes, worn: wornAt(kind) }));
  const asked = new Set<SupplyId>([
    ...atStages.flatMap((stage) => stage.worn),
    ...used.flatMap((id) => wornFor(sheets.get(id)!)),
  ]);
  const preparedMin = sum(atStages, (stage) => (stage.worn.includes('gloves') ? stage.minutes : 0));
  const gloves =
    people *
    (whole(preparedMin / people / GLOVES_MIN) +
      Math.max(used.length, whole(sum(laid, ({ workMin }) => workMin) / people / GLOVES_MIN)));
  const lines = [...asked].map((supply): PickLine => ({
    key: `worn/${supply}`,
    what: SUPPLIES[supply].name,
    amount: supply === 'gloves' ? gloves : people,
    unit: SUPPLIES[supply].unit,
    stock: { kind: 'supply', of: supply },
    protective: true,
    ...(supply === 'gloves' && { note: `a pair a person for each product and every ${GLOVES_MIN} min` }),
  }));
  return { key: 'worn', name: 'To be worn', lines };
}

function stageGroup({ kind, round, steps }: PrepStage, { sheetCalled, readyPads, people }: PickListCase): PickGroup {
  const key = `prepare/${kind}/${round}`;
  const lines = usesOf(steps).map(({ what, unit, amount }): PickLine => {
    const [supply, sheet] = [supplyCalled(what), sheetCalled?.(what)];
    const ready = sheet === undefined ? undefined : readyPads?.(sheet);
    const needed = whole(amount);
    return {
      key: `${key}/${what}`,
      what: what.charAt(0).toUpperCase() + what.slice(1),
      amount: unit === '' ? needed : amount,
      unit: unit as StockUnit,
      ...(supply && { stock: { kind: 'supply', of: supply } }),
      ...(sheet !== undefined && { stock: { kind: 'kit', of: sheet } }),
      ...(ready !== undefined && {
        note: `${ready} ready; cleaned and back in turn${needed > ready ? `, ${needed - ready} times` : ''}`,
      }),
    };
  });
  const brushes: PickLine[] =
    BRUSHED.has(kind) && steps.some(isDone)
      ? [
          {
            key: `${key}/brush`,
            what: SUPPLIES.brush.name,
            amount: people,
            unit: SUPPLIES.brush.unit,
            stock: { kind: 'supply', of: 'brush' },
          },
        ]
      : [];
  return {
    key,
    name: round > 1 ? `${STEP_KINDS[kind].name}, round ${round}` : STEP_KINDS[kind].name,
    lines: [...lines, ...brushes],
  };
}

/** Coats of each product by the moment the first of their panels is reached. */
function coatsOf(laid: readonly LaidHere[]): LaidHere[][] {
  const coats = new Map<string, LaidHere[]>();
  for (const here of [...laid].sort((a, b) => a.startMin - b.startMin)) {
    const key = `${here.product}/${here.coat}`;
    coats.set(key, [...(coats.get(key) ?? []), here]);
  }
  return [...coats.values()];
}

function coatGroup(coat: readonly LaidHere[], { products, towelRoles, nameOf }: PickListCase): PickGroup {
  const { product: id, coat: nth } = coat[0]!;
  const product = products.find((sheet) => sheet.id === id)!;
  const key = `lay/${id}/${nth}`;
  const areaM2 = sum(coat, (here) => here.areaM2);
  const line = (
    name: string,
    what: string,
    amount: number,
    unit: PickLine['unit'],
    more: Partial<PickLine> = {},
  ): PickLine[] => (amount > 0 ? [{ key: `${key}/${name}`, what, amount, unit, ...more }] : []);
  const supplied = (supply: SupplyId, amount: number, note?: string) =>
    line(supply, SUPPLIES[supply].name, amount, SUPPLIES[supply].unit, {
      stock: { kind: 'supply', of: supply },
      ...(note !== undefined && { note }),
    });
  const amount = sum(coat, (here) => here.amount);
  const film = product.family === 'film';
  const applicators = film
    ? 0
    : Math.max(
        applicatorCount(areaM2, product.applicatorM2),
        whole(sum(coat, ({ layMin }) => layMin) / APPLICATOR_MIN),
      );
  const towels = towelsForCoat(coat);
  const suedeM2 = onSuede(product.family) ? sum(coat, (here) => (here.method === 'small-block' ? here.areaM2 : 0)) : 0;
  const changes = towels.changesAfter.map(nameOf);
  return {
    key,
    name: nth > 1 || coat.some((here) => here.coat > 1) ? `${product.name}, coat ${nth}` : product.name,
    lines: [
      ...line(
        'product',
        product.name,
        amount + applicators * product.prime + (nth === 1 ? product.residue : 0),
        product.unit,
        { stock: { kind: 'product', of: id } },
      ),
      ...supplied('applicator', applicators),
      ...supplied('suede', whole(suedeM2 / SUEDE_M2)),
      ...(film
        ? []
        : supplied(
            'coating-towel',
            towels.each * towelRoles.length,
            `${towels.each} each: ${towelRoles.join(', ')}${changes.length > 0 ? `. Changed after ${changes.join('; ')}: the next cleaner one takes over, a fresh one checks` : ''}. Used ones harden: bin them`,
          )),
      ...supplied(
        'distilled-water',
        onSuede(product.family) ? whole(areaM2 * DISTILLED_ML_PER_M2) : 0,
        'for a damp wipe where it hazes',
      ),
      ...supplied('blade', film ? whole(amount / BLADE_M2) : 0),
    ],
  };
}

/** What of a list stock does not hold, thing by thing; what is ticked off lies there already. */
export function shortOf(
  groups: readonly PickGroup[],
  inStock: (of: NonNullable<PickLine['stock']>) => number,
  ticked: ReadonlySet<string>,
): { readonly line: PickLine; readonly has: number }[] {
  const left = new Map<string, number>();
  return groups.flatMap(({ lines }) =>
    lines.flatMap((line) => {
      if (line.stock === undefined || ticked.has(line.key)) return [];
      const of = `${line.stock.kind}/${line.stock.of}`;
      const has = left.get(of) ?? inStock(line.stock);
      left.set(of, Math.max(0, has - line.amount));
      return has < line.amount - 1e-9 ? [{ line, has }] : [];
    }),
  );
}
