import type { Request, Response } from 'express';
import type { z } from 'zod';
import type { BodyRead, ParamsOf, QueryRead, Route, RouteName, Routes } from '#formats/api';
import { type Fault, FaultsError, id as addressable, read } from '#formats/values';
import type { Actor } from '../accounts/actor';
import { notJson, versionMissing } from './problem';

/** A call as it came in, before anything of it is read: all of it can be given to a thread. */
export interface Asked {
  readonly name: RouteName;
  readonly params: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, unknown>>;
  readonly bytes?: Uint8Array;
  readonly ifMatch?: string;
  readonly actor: Actor;
  /** What styles of this very answer are named by. */
  readonly nonce: string;
}

/** What a call says beside its body. */
interface Head<R extends Route> {
  readonly params: ParamsOf<R>;
  readonly query: QueryRead<R>;
  readonly actor: Actor;
  /** From `If-Match`; 0 where the route is not versioned. */
  readonly version: number;
  readonly nonce: string;
}
/** A call of a route, read by the route's own schemas. */
interface Read<R extends Route> extends Head<R> {
  readonly body: BodyRead<R>;
  /** The body before its schema: over that a passport is signed. */
  readonly sent: unknown;
}
interface OnLine {
  readonly request: Request;
  readonly response: Response;
}
/** What is computed may be so in a thread, where nobody is on the line. */
export type Call<R extends Route = Route> = R extends { readonly computed: true } ? Read<R> : Read<R> & OnLine;

/** As far as an answer is only read, not changed. */
type Sendable<T> = T extends (infer Each)[]
  ? readonly Sendable<Each>[]
  : T extends object
    ? { readonly [Key in keyof T]: Sendable<T[Key]> }
    : T;
/** What a handler returns: JSON by the answer's schema, a document, or nothing where it writes the answer itself. */
type Given<R extends Route> = R['answer'] extends { readonly schema: infer S extends z.ZodType }
  ? Sendable<z.input<S>>
  : R extends { readonly computed: true }
    ? string | Uint8Array
    : R['answer'] extends { readonly media: string }
      ? string | void
      : void;
type Answering<R extends Route> = (call: Call<R>) => Given<R> | Promise<Given<R>>;

/** What takes long is worked out first, beside the server; what is written of it, in one step after. */
export interface Prepared<R extends Route, Works = never> {
  works(call: Read<R>): Works | Promise<Works>;
  writes(call: Head<R>, works: Works): Given<R> | Promise<Given<R>>;
}
export type Handler<R extends Route> = Answering<R> | Prepared<R>;
/** A handler for each of these routes. */
export type Handlers<Names extends Partial<Routes>> = {
  readonly [Name in keyof Names & RouteName]: Handler<Routes[Name]>;
};

/** A route that is worked out first and written after; both sides agree on what is worked out. */
export const prepared = <R extends Route, Works>(handler: Prepared<R, Works>): Prepared<R> =>
  handler as unknown as Prepared<R>;
export const isPrepared = <R extends Route>(handler: Handler<R>): handler is Prepared<R> =>
  typeof handler !== 'function';

/** An answer as it is sent; undefined: nothing but its status. */
export type Body = string | Uint8Array | undefined;

/**
 * Reads a call by its route's schemas.
 * @throws FaultsError for what does not fit them, ProblemError (428) where a version has to be named
 */
export function callOf(route: Route, asked: Asked): Read<Route> {
  const head = headOf(route, asked);
  const sent = route.body ? parsed(asked.bytes) : undefined;
  return { ...head, sent, body: (route.body ? read(sent, route.body, route.sense) : undefined) as undefined };
}

/** Reads what a call says beside its body. @throws FaultsError, ProblemError (428) as `callOf` */
export function headOf(route: Route, { params, query, actor, ifMatch, nonce }: Asked): Head<Route> {
  if (route.method === 'put') requireAddressable(params);
  return {
    params,
    query: route.query ? (read(query, route.query) as object) : {},
    // Only what is tapped at the bay arrives late: everything else is by whoever is signed in now.
    actor: route.needs === 'run' ? actor : { ...actor, by: actor.person?.id },
    version: route.versioned ? editedVersion(ifMatch) : 0,
    nonce,
  };
}

/** An answer by its route, as it goes out. */
export function written({ answer }: Route, given: unknown): Body {
  if ('schema' in answer) return JSON.stringify(given);
  return 'media' in answer ? (given as string | Uint8Array) : undefined;
}

/** @throws ProblemError (400) for what is not JSON */
function parsed(bytes: Uint8Array | undefined): unknown {
  if (bytes === undefined) return undefined;
  try {
    return JSON.parse(new TextDecoder().decode(bytes)) as unknown;
  } catch {
    throw notJson();
  }
}

/** What is made under a name of the sender can be found, changed and removed again by it. */
function requireAddressable(params: Readonly<Record<string, string>>): void {
  const faults = Object.entries(params).flatMap(([path, value]): Fault[] => {
    const checked = addressable().safeParse(value);
    return checked.success ? [] : [{ path, message: checked.error.issues[0]!.message }];
  });
  if (faults.length > 0) throw new FaultsError(faults);
}

function editedVersion(ifMatch: string | undefined): number {
  const version = /^(?:W\/)?"?(\d+)"?$/.exec(ifMatch ?? '')?.[1];
  if (version === undefined) throw versionMissing();
  return Number(version);
}
