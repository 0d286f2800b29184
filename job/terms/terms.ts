import { bySchools, type LayingSchools, USUAL_LAYING_SCHOOLS } from '#core/products/schools';
import type { Product } from '#core/products/sheets';
import type { Job } from '#formats/job';

/** A job's schools of laying, what it leaves out as usual. */
export const layingSchools = ({ schools }: Pick<Job, 'schools'>): LayingSchools =>
  overlaid(USUAL_LAYING_SCHOOLS, schools);

/** Sheets as a job's schools have them worked by. */
export const bySchoolsOf = <P extends Product>(job: Pick<Job, 'schools'>, products: readonly P[]): P[] => {
  const schools = layingSchools(job);
  return products.map((product) => ({ ...product, ...bySchools(product, schools) }));
};

/** Usual settings with those that were chosen over them; undefined is not chosen. */
export function overlaid<T extends object>(usual: T, chosen: { readonly [K in keyof T]?: T[K] | undefined } = {}): T {
  const said = Object.entries(chosen).filter(([key, value]) => value !== undefined && key in usual);
  return { ...usual, ...(Object.fromEntries(said) as Partial<T>) };
}

/** Surfaces that are agreed to be left alone: nothing is prepared, planned, bought, run or priced there. */
export const excludedFrom = ({ prepare }: Pick<Job, 'prepare'>): ReadonlySet<string> =>
  new Set(prepare?.scope?.filter(({ state }) => state === 'excluded').map(({ surface }) => surface));
