import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import type { z } from 'zod';
import {
  type BodyRead,
  bodyBytesOf,
  type ParamsOf,
  type QueryRead,
  type Route,
  type RouteName,
  type Routes,
} from '#formats/api';
import { type Fault, FaultsError, id as addressable, read } from '#formats/values';
import type { Actor } from '../accounts/actor';
import type { NewAuditEntry } from '../repositories/audit';
import { versionMissing } from './problem';
import { requireRight } from './rights';

/** A call of a route, read by the route's own schemas. */
export interface Call<R extends Route = Route> {
  readonly params: ParamsOf<R>;
  readonly query: QueryRead<R>;
  readonly body: BodyRead<R>;
  readonly actor: Actor;
  /** From `If-Match`; 0 where the route is not versioned. */
  readonly version: number;
  readonly request: Request;
  readonly response: Response;
}

/** As far as an answer is only read, not changed. */
type Sendable<T> = T extends (infer Each)[]
  ? readonly Sendable<Each>[]
  : T extends object
    ? { readonly [Key in keyof T]: Sendable<T[Key]> }
    : T;
/** What a handler returns: JSON by the answer's schema; documents and streams it writes itself. */
type Given<R extends Route> = R['answer'] extends { readonly schema: infer S extends z.ZodType }
  ? Sendable<z.input<S>>
  : void;
export type Handler<R extends Route> = (call: Call<R>) => Given<R> | Promise<Given<R>>;
/** A handler for each of these routes. */
export type Handlers<Names extends Partial<Routes>> = {
  readonly [Name in keyof Names & RouteName]: Handler<Routes[Name]>;
};

/** Puts on record what was done, within what does it where that is one step. */
export type Recorder = <T>(work: () => T, entry: (answer: Awaited<T>) => Omit<NewAuditEntry, 'at'>) => T;

/**
 * Puts a route into the application. Who asks is checked first, query and body are read before anything is done, and
 * what changes something is put on record.
 */
export function mount(app: Express, route: Route, handler: (call: Call<never>) => unknown, recorded: Recorder): void {
  const { method, path, fileBytes, audit, answer } = route;
  // Who asks is known before a byte of it is read. What inflates past the limit is only known once it is inflated:
  // nothing of ours sends it compressed.
  const receiver = fileBytes
    ? express.raw({ type: () => true, limit: fileBytes, inflate: false })
    : route.body && express.json({ limit: bodyBytesOf(route), inflate: false });
  const receivers = receiver ? [receiver] : [];
  const admit: RequestHandler = (request, response, next) => {
    requireRight(actorOf(response), route, request.params);
    next();
  };
  app[method](path.replaceAll(/\{(\w+)\}/g, ':$1'), admit, ...receivers, async (request, response) => {
    const call = readCall(route, request, response);
    const run = () => handler(call);
    const given = await (audit === undefined
      ? run()
      : recorded(run, (done) => auditEntryOf(path, audit, call.actor, call.params, done)));
    if ('stream' in answer || 'media' in answer) return;
    response.status(answer.status);
    if ('schema' in answer) response.json(given);
    else response.end();
  });
}

/** @throws FaultsError for what does not fit the route's schemas, ProblemError (428) where a version has to be named */
function readCall(route: Route, request: Request, response: Response): Call {
  const who = actorOf(response);
  const params = request.params as Record<string, string>;
  if (route.method === 'put') requireAddressable(params);
  return {
    params,
    query: route.query ? (read(onlyTexts(request.query), route.query) as object) : {},
    body: (route.body ? read(request.body, route.body, route.sense) : undefined) as undefined,
    // Only what is tapped at the bay arrives late: everything else is by whoever is signed in now.
    actor: route.needs === 'run' ? who : { ...who, by: who.person?.id },
    version: route.versioned ? editedVersion(request) : 0,
    request,
    response,
  };
}

export const actorOf = (response: Response): Actor => response.locals.actor as Actor;

const onlyTexts = (query: Request['query']) =>
  Object.fromEntries(Object.entries(query).filter(([, value]) => typeof value === 'string'));

/** What was done, and to what: by the address, and the name of what came of it. */
function auditEntryOf(
  path: string,
  what: string,
  { by, tablet }: Actor,
  params: Readonly<Record<string, string>>,
  answer: unknown,
): Omit<NewAuditEntry, 'at'> {
  const ofKind = AUDITED[path.split('/')[2]!] ?? null;
  const made = typeof answer === 'object' && answer !== null && 'id' in answer ? String(answer.id) : null;
  return { by: by ?? null, tablet: tablet?.id ?? null, what, ofKind, ofId: params.id ?? made };
}
const AUDITED: Readonly<Record<string, string>> = {
  jobs: 'job',
  products: 'product',
  kit: 'kit',
  offers: 'offer',
  bays: 'bay',
  templates: 'template',
  photos: 'picture',
  people: 'person',
  devices: 'device',
  links: 'link',
};

/** What is made under a name of the sender can be found, changed and removed again by it. */
function requireAddressable(params: Readonly<Record<string, string>>): void {
  const faults = Object.entries(params).flatMap(([path, value]): Fault[] => {
    const checked = addressable().safeParse(value);
    return checked.success ? [] : [{ path, message: checked.error.issues[0]!.message }];
  });
  if (faults.length > 0) throw new FaultsError(faults);
}

function editedVersion(request: Request): number {
  const version = /^(?:W\/)?"?(\d+)"?$/.exec(request.get('if-match') ?? '')?.[1];
  if (version === undefined) throw versionMissing();
  return Number(version);
}
