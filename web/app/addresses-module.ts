import { type Route, ROUTES, SUBJECTS } from '#formats/api';

/** Where each route is, what it reads and changes, and what a tablet keeps of it: the contract without its schemas. */
export const addressesOfContract = () =>
  Object.fromEntries(
    Object.entries<Route>(ROUTES).map(([name, { method, path, reads, changes, answer, offline }]) => [
      name,
      {
        method,
        path,
        ...(reads && { reads }),
        ...(changes && { changes }),
        ...('schema' in answer && { hasJson: true }),
        ...(offline && { offline }),
      },
    ]),
  );

/** The text of the module the browser has them from. */
export const addressesModule =
  () => `// Written by \`npm run schemas\` from the routes in formats/api: change those, not this.
import type { RouteName, Subject, SubjectOf } from '#formats/api';

export const SUBJECTS: readonly Subject[] = ${JSON.stringify(SUBJECTS)};

export interface Address {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  readonly reads?: readonly SubjectOf[];
  readonly changes?: readonly SubjectOf[];
  readonly hasJson?: true;
  readonly offline?: true;
}

export const ADDRESSES: Readonly<Record<RouteName, Address>> = ${JSON.stringify(addressesOfContract())};
`;
