import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import type { z } from 'zod';
import { type Fault, FaultsError, id as addressable, read } from '#formats/values';
import type { Actor } from '../accounts/actor';
import type { NewAuditEntry } from '../repositories/deeds';
import { versionMissing } from './problem';
import { type Door, requireRight } from './rights';

/** One way into the server: what it takes, what it answers, and what it does; the OpenAPI document is made from these. */
export interface Endpoint<Body extends z.ZodType = z.ZodType> extends Door {
  /** With parameters in braces: `/api/jobs/{id}`. */
  readonly path: string;
  readonly summary: string;
  /** How it stands on record, as a verb with its object; what is logged elsewhere, or changes nothing, is not told here. */
  readonly deed?: string;
  readonly body?: Body;
  /** A file sent as it is, at most so many bytes; the handler gets it as a Buffer. */
  readonly fileBytes?: number;
  /** Faults no schema can tell. */
  readonly sense?: (body: unknown) => readonly Fault[];
  /** Status and schema of the good answer; no schema: no content. Streams and documents write their own. */
  readonly answer: {
    readonly status: number;
    readonly schema?: z.ZodType;
    readonly stream?: true;
    readonly media?: string;
  };
  /** Whether the edited version has to be named in `If-Match`. */
  readonly versioned?: true;
  readonly run: (call: Call<z.output<Body>>) => unknown;
}

export interface Call<Body> {
  readonly params: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, string>>;
  readonly body: Body;
  /** Who asks. */
  readonly actor: Actor;
  /** From `If-Match`; only where the endpoint is versioned. */
  readonly version: number;
  readonly request: Request;
  readonly response: Response;
}

/** Keeps the type of a body for its handler. */
export function endpoint<Body extends z.ZodType>(definition: Endpoint<Body>): Endpoint {
  return definition as unknown as Endpoint;
}

/** Puts on record what was done, within what does it where that is one step. */
export type Recorder = <T>(work: () => T, deed: (answer: Awaited<T>) => Omit<NewAuditEntry, 'at'>) => T;

/**
 * Puts an endpoint into the application. Whoever asks is looked at first, bodies are read by their schema before anything
 * is done, and what changes something is put on record.
 */
export function mount(app: Express, definition: Endpoint, recorded: Recorder): void {
  const path = definition.path.replaceAll(/\{(\w+)\}/g, ':$1');
  const receivers = definition.fileBytes
    ? [express.raw({ type: () => true, limit: definition.fileBytes, inflate: false })]
    : [];
  const admit: RequestHandler = (request, response, next) => {
    requireRight(actorOf(response), definition, request.params);
    next();
  };
  app[definition.method](path, admit, ...receivers, async (request, response) => {
    const who = actorOf(response);
    // Only what is tapped at the bay arrives late: all else is whose it is now.
    const actor = definition.needs === 'run' ? who : { ...who, by: who.person?.id };
    const body = definition.body ? read(request.body, definition.body, definition.sense) : undefined;
    const version = definition.versioned ? editedVersion(request) : 0;
    const query = Object.fromEntries(
      Object.entries(request.query).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
    );
    const params = request.params as Record<string, string>;
    if (definition.method === 'put') requireAddressable(params);
    const run = () => definition.run({ params, query, body, version, actor, request, response });
    const { deed } = definition;
    const answer = await (deed === undefined
      ? run()
      : recorded(run, (done) => auditEntryOf(definition.path, deed, actor, params, done)));
    if (definition.answer.stream || definition.answer.media) return;
    response.status(definition.answer.status);
    if (definition.answer.schema) response.json(answer);
    else response.end();
  });
}

export const actorOf = (response: Response): Actor => response.locals.actor as Actor;

/** What a deed was done to: by the address, and the name of what came of it. */
function auditEntryOf(
  path: string,
  deed: string,
  { by, tablet }: Actor,
  params: Readonly<Record<string, string>>,
  answer: unknown,
): Omit<NewAuditEntry, 'at'> {
  const ofKind = KINDS[path.split('/')[2]!] ?? null;
  const made = typeof answer === 'object' && answer !== null && 'id' in answer ? String(answer.id) : null;
  return { by: by ?? null, tablet: tablet?.id ?? null, deed, ofKind, ofId: params.id ?? made };
}
const KINDS: Readonly<Record<string, string>> = {
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

/** What is made under an id of the sender can be found, changed and taken away again by it. */
function requireAddressable(params: Readonly<Record<string, string>>): void {
  const faults = Object.entries(params).flatMap(([path, value]): Fault[] => {
    const said = addressable().safeParse(value);
    return said.success ? [] : [{ path, message: said.error.issues[0]!.message }];
  });
  if (faults.length > 0) throw new FaultsError(faults);
}

function editedVersion(request: Request): number {
  const version = /^(?:W\/)?"?(\d+)"?$/.exec(request.get('if-match') ?? '')?.[1];
  if (version === undefined) throw versionMissing();
  return Number(version);
}
