import { ACCOUNT_ROUTES } from './accounts';
import { BAY_ROUTES } from './bays';
import { FILM_ROUTES } from './film';
import { ITEM_ROUTES } from './items';
import { JOB_ROUTES } from './jobs';
import { MACHINE_ROUTES } from './machine';
import { PASSPORT_ROUTES } from './passports';
import { PHOTO_ROUTES } from './photos';
import { PRODUCT_ROUTES } from './products';
import { STOCK_ROUTES } from './stock';
import { WORKSHOP_ROUTES } from './workshop';

/** Every way to call the server, by name. */
export const ROUTES = {
  ...JOB_ROUTES,
  ...FILM_ROUTES,
  ...PRODUCT_ROUTES,
  ...WORKSHOP_ROUTES,
  ...BAY_ROUTES,
  ...ITEM_ROUTES,
  ...PHOTO_ROUTES,
  ...PASSPORT_ROUTES,
  ...STOCK_ROUTES,
  ...ACCOUNT_ROUTES,
  ...MACHINE_ROUTES,
};
export type Routes = typeof ROUTES;
export type RouteName = keyof Routes;

export { ACCOUNT_ROUTES } from './accounts';
export { BAY_ROUTES } from './bays';
export { FILM_ROUTES } from './film';
export { ITEM_ROUTES } from './items';
export { JOB_ROUTES } from './jobs';
export { MACHINE_ROUTES } from './machine';
export { PASSPORT_ROUTES } from './passports';
export { PHOTO_ROUTES } from './photos';
export { PRODUCT_ROUTES } from './products';
export { STOCK_ROUTES } from './stock';
export { WORKSHOP_ROUTES } from './workshop';
export { type Problem, type ProblemKind, PROBLEMS, problemSchema } from './problems';
export { problemsOf } from './problems-of';
export {
  type AnswerOf,
  type BodyRead,
  type BodySent,
  paramNames,
  type ParamsOf,
  type QueryRead,
  type QuerySent,
  type Route,
  type SubjectOf,
  bodyBytesOf,
} from './route';
export { type Change, type Subject, SUBJECTS } from './subjects';
