import type { FamilyId } from '#core/products/families';

/** How a product is put on. `pace` multiplies a person's laying pace, `amount` the product used. */
export interface Method {
  readonly name: string;
  readonly pace: number;
  readonly amount: number;
}

const define = <T extends Record<string, Method>>(table: T) => table;

/** Engineering defaults: a mitt is about twice as fast as a small block and uses more; a machine lays thin. */
const TABLE = define({
  'small-block': { name: 'Small block', pace: 1, amount: 1 },
  'big-mitt': { name: 'Big mitt', pace: 2, amount: 1.15 },
  machine: { name: 'Machine', pace: 1.5, amount: 0.75 },
  sprayed: { name: 'Sprayed on the surface', pace: 2.5, amount: 1.2 },
});

export type MethodId = keyof typeof TABLE;
export const METHODS: Readonly<Record<MethodId, Method>> = TABLE;
/** How a product is laid where nobody says otherwise: as its sheet says, else as is usual for its family. */
export const usualMethod = ({ family, method }: { family: FamilyId; method?: MethodId | undefined }): MethodId =>
  method ?? (family === 'spray-coating' ? 'sprayed' : 'small-block');

export const METHOD_IDS = Object.keys(TABLE) as [MethodId, ...MethodId[]];
