import type { FamilyId } from '#core/products/families';

/** How a product is put on. `pace` multiplies a person's laying pace, `amount` the product used. */
export interface Method {
  readonly name: string;
  readonly pace: number;
  readonly amount: number;
  /** What its applicator takes before it touches, and what it is fed with again, ml. */
  readonly loadMl: number;
  readonly feedMl: number;
}

const define = <T extends Record<string, Method>>(table: T) => table;

/**
 * Engineering defaults: a mitt is about twice as fast as a small block and uses more; a machine lays thin. Ten drops to
 * begin on a block and four again; a mitt drinks more; five dots on a pad and three again; a pull of the trigger.
 */
const TABLE = define({
  'small-block': { name: 'Small block', pace: 1, amount: 1, loadMl: 0.5, feedMl: 0.2 },
  'big-mitt': { name: 'Big mitt', pace: 2, amount: 1.15, loadMl: 1.5, feedMl: 1 },
  machine: { name: 'Machine', pace: 1.5, amount: 0.75, loadMl: 1, feedMl: 0.6 },
  sprayed: { name: 'Sprayed on the surface', pace: 2.5, amount: 1.2, loadMl: 1, feedMl: 1 },
});

export type MethodId = keyof typeof TABLE;
export const METHODS: Readonly<Record<MethodId, Method>> = TABLE;

/** How a product is laid, as far as its pace goes. */
interface LaidAtPace {
  /** Times a person's own pace, with a small block. */
  readonly layPace: number;
  readonly layByMethod?: Readonly<Partial<Record<MethodId, number>>> | undefined;
}

/** How fast a product is laid in one way, times a person's own pace: by its sheet, by the way, and by what was learned here. */
export const layFactorOf = ({ layPace, layByMethod }: LaidAtPace, method: MethodId): number =>
  METHODS[method].pace * layPace * (layByMethod?.[method] ?? 1);

/** How a product is laid where nobody says otherwise: as its sheet says, else as is usual for its family. */
export const usualMethod = ({ family, method }: { family: FamilyId; method?: MethodId | undefined }): MethodId =>
  method ?? (family === 'spray-coating' ? 'sprayed' : 'small-block');

export const METHOD_IDS = Object.keys(TABLE) as [MethodId, ...MethodId[]];
