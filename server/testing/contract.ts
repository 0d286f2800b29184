import { z } from 'zod';
import { paramNames, type Problem, type ProblemKind, problemsOf, type Route, ROUTES } from '#formats/api';

const PATTERNS = Object.values<Route>(ROUTES).map((route) => {
  const names = paramNames(route.path);
  const pattern = names.reduce((path, name) => path.replace(`{${name}}`, '[^/]+?'), route.path.replaceAll('.', '\\.'));
  return { route, pattern: new RegExp(`^${pattern}$`) };
});

/** The route an address is answered by; undefined where there is none. */
function routeOf(method: string, address: string): Route | undefined {
  const [path] = address.split('?');
  return PATTERNS.find(({ route, pattern }) => route.method === method.toLowerCase() && pattern.test(path!))?.route;
}

/**
 * Holds an answer against the contract: the good one by its schema, any other by what is listed for the route.
 * @throws Error with what is not as it is described
 */
export function requireAsDescribed(method: string, address: string, status: number, body: unknown): void {
  const route = routeOf(method, address);
  if (!route) return;
  const where = `${method} ${address} answered ${status}`;
  if (status === route.answer.status) {
    if (!('schema' in route.answer)) return;
    const checked = route.answer.schema.safeParse(body);
    if (!checked.success) throw new Error(`${where}, not by its schema:\n${z.prettifyError(checked.error)}`);
    return;
  }
  const kind = (body as Problem | undefined)?.type.replace('/problems/', '');
  if (!problemsOf(route).includes(kind as ProblemKind))
    throw new Error(`${where} (${kind}), which is not in the contract`);
}
