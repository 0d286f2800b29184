import type { z } from 'zod';
import type { Right } from '#formats/people';
import type { Fault } from '#formats/values';
import type { ProblemKind } from './problems';
import type { Subject } from './subjects';

/** What an answer is made of, or a call changes: all of a kind, or the one an address parameter names. */
export type SubjectOf = Subject | `${Subject}:{${string}}`;

/** The name a browser saves it under; address parameters in braces. */
interface Named {
  readonly name?: string;
}

/** The good answer: JSON by a schema, a document in a media type, an event stream, or nothing at all. */
export type GoodAnswer =
  | (Named & { readonly status: number; readonly schema: z.ZodType })
  | (Named & { readonly status: number; readonly media: string })
  | { readonly status: number; readonly stream: true }
  | { readonly status: number };

/** One way to call the server. Server, browser, OpenAPI document and contract test all read it from here. */
export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** With parameters in braces: `/api/jobs/{id}`. */
  readonly path: string;
  readonly summary: string;
  /** The right it needs; absent: `look` for a question, `own` for everything else. */
  readonly needs?: Right | 'nothing';
  /** Someone with a link to the job in the address may ask it too. */
  readonly guests?: true;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  /** Largest JSON body it takes, bytes; absent: as much as a form sends (`bodyBytesOf`). */
  readonly bodyBytes?: number;
  /** Faults of a body that no schema can find. */
  readonly sense?: (body: unknown) => readonly Fault[];
  /** A file sent as it is, instead of JSON, of at most so many bytes. */
  readonly fileBytes?: number;
  /** `If-Match` has to name the version that was edited; 0 where it is new. */
  readonly versioned?: true;
  readonly answer: GoodAnswer;
  /** What can go wrong beyond what follows from the rest (`problemsOf`). */
  readonly problems?: readonly ProblemKind[];
  /** What the answer is made of: read again when that changes. */
  readonly reads?: readonly SubjectOf[];
  /** What a good answer has changed. */
  readonly changes?: readonly SubjectOf[];
  /** Worked out when it is asked for, beside the server: where too much is asked at once, it is answered `busy`. */
  readonly computed?: true;
  /** Worked with in the bays: a tablet keeps the answer, and shows it where the server cannot be reached. */
  readonly offline?: true;
  /** How the audit list says it, as a verb with its object; absent where a log of its own records it, or nothing changes. */
  readonly audit?: string;
}

/** A whole job, calendar, passport or file. */
export const WHOLE_FILE_BYTES = 8 * 1024 ** 2;
/** What a form sends; and what somebody may send who is not signed in: a name, a password, a code. */
const FORM_BYTES = 256 * 1024;
const STRANGER_BYTES = 16 * 1024;

/** How much a route reads of a body, bytes. */
export const bodyBytesOf = ({ bodyBytes, needs }: Pick<Route, 'bodyBytes' | 'needs'>): number =>
  bodyBytes ?? (needs === 'nothing' ? STRANGER_BYTES : FORM_BYTES);

/** Keeps the literal types of a route for the two sides that are typed by them. */
export const route = <const R extends Route>(definition: R): R => definition;

type NamesIn<Path extends string> = Path extends `${string}{${infer Name}}${infer Rest}` ? Name | NamesIn<Rest> : never;

/** The parameters in a route's path. */
export type ParamsOf<R extends Route> = { readonly [Name in NamesIn<R['path']>]: string };
/** A route's query as it is sent, and as the server reads it. */
export type QuerySent<R extends Route> = R extends { readonly query: infer Q extends z.ZodType } ? z.input<Q> : object;
export type QueryRead<R extends Route> = R extends { readonly query: infer Q extends z.ZodType } ? z.output<Q> : object;
export type BodySent<R extends Route> = R extends { readonly body: infer B extends z.ZodType } ? z.input<B> : undefined;
export type BodyRead<R extends Route> = R extends { readonly body: infer B extends z.ZodType }
  ? z.output<B>
  : undefined;
/** What is answered, as it is read; nothing where the answer has no JSON. */
export type AnswerOf<R extends Route> = R['answer'] extends { readonly schema: infer S extends z.ZodType }
  ? z.output<S>
  : void;

/** The names of a path's parameters, in their order. */
export const paramNames = (path: string): string[] => [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!);
