import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import { bodyBytesOf, type Route } from '#formats/api';
import type { NewAuditEntry } from '../repositories/audit';
import type { Actor } from '../accounts/actor';
import { type Asked, type Body, callOf, type Handler, headOf, isPrepared, written } from './call';
import { isAllowed, requireRight } from './rights';

/** Puts on record what was done, within what does it where that is one step. */
export type Recorder = <T>(work: () => T, entry: (answer: Awaited<T>) => Omit<NewAuditEntry, 'at'>) => T;

/** What is worked out in a thread of its own, while others are answered. */
export interface Beside {
  /** The answer of a computed route, or what a prepared one writes. */
  answer(asked: Asked): Promise<unknown>;
  /** A body as its route reads it. @throws FaultsError */
  read(asked: Asked): Promise<unknown>;
}

/** A body that is larger is read beside the server, bytes: parsing and checking it would keep others waiting. */
const READ_BESIDE_BYTES = 64 * 1024;

/**
 * Puts a route into the application. Who asks is checked first, query and body are read before anything is done, and
 * what changes something is put on record.
 */
export function mount(
  app: Express,
  [name, route]: readonly [Asked['name'], Route],
  handler: Handler<never>,
  { recorded, beside }: { readonly recorded: Recorder; readonly beside: Beside },
): void {
  const { method, path, fileBytes, audit, computed } = route;
  // Who asks is known before a byte of it is read. What inflates past the limit is only known once it is inflated:
  // nothing of ours sends it compressed.
  const receiver = fileBytes
    ? express.raw({ type: () => true, limit: fileBytes, inflate: false })
    : route.body && express.raw({ type: 'application/json', limit: bodyBytesOf(route), inflate: false });
  const receivers = receiver ? [receiver] : [];
  const admit: RequestHandler = (request, response, next) => {
    requireRight(actorOf(response), route, request.params);
    response.locals.mayGoOn = () => isAllowed((response.locals.actorNow as () => Actor)(), route, request.params);
    next();
  };
  app[method](path.replaceAll(/\{(\w+)\}/g, ':$1'), admit, ...receivers, async (request, response) => {
    const asked = askedBy(name, request, response);
    if (computed) return send(response, route, asked, (await beside.answer(asked)) as Body);
    const head = headOf(route, asked);
    const run = await doingOf(route, handler, asked, { beside, onLine: { request, response } });
    const given = await (audit === undefined
      ? run()
      : recorded(run, (done) => auditEntryOf(path, audit, head.actor, head.params, done)));
    if (response.headersSent || response.writableEnded) return;
    if ('stream' in route.answer || ('media' in route.answer && given === undefined)) return;
    send(response, route, asked, written(route, given));
  });
}

/** What is done once a call is read: by the handler itself, or with what was worked out first. */
async function doingOf(
  route: Route,
  handler: Handler<never>,
  asked: Asked,
  { beside, onLine }: { readonly beside: Beside; readonly onLine: object },
): Promise<() => unknown> {
  if (isPrepared(handler)) {
    const head = headOf(route, asked);
    const works = (await beside.answer(asked)) as never;
    return () => handler.writes(head, works);
  }
  const isLarge = route.body !== undefined && (asked.bytes?.length ?? 0) > READ_BESIDE_BYTES;
  const call = isLarge ? { ...headOf(route, asked), body: await beside.read(asked) } : callOf(route, asked);
  return () => handler({ ...call, ...onLine } as never);
}

const askedBy = (name: Asked['name'], request: Request, response: Response): Asked => ({
  name,
  params: request.params as Record<string, string>,
  query: Object.fromEntries(Object.entries(request.query).filter(([, value]) => typeof value === 'string')),
  ...(Buffer.isBuffer(request.body) && { bytes: request.body }),
  ...(request.get('if-match') !== undefined && { ifMatch: request.get('if-match')! }),
  actor: actorOf(response),
  nonce: response.locals.nonce as string,
});

/** Sends an answer in the media type its route names, under the name it is to be saved by. */
function send(response: Response, { answer }: Route, { params }: Asked, body: Body): void {
  response.status(answer.status);
  if (body === undefined) return void response.end();
  const media = 'media' in answer ? answer.media : 'application/json';
  response.type(media);
  const named =
    'name' in answer ? answer.name?.replaceAll(/\{(\w+)\}/g, (_, each: string) => params[each]!) : undefined;
  // A paper is looked at where it was asked for.
  if (named !== undefined) {
    const how = media === 'application/pdf' ? 'inline' : 'attachment';
    response.setHeader('content-disposition', `${how}; filename="${named}"`);
  }
  response.send(typeof body === 'string' ? body : Buffer.from(body.buffer, body.byteOffset, body.byteLength));
}

export const actorOf = (response: Response): Actor => response.locals.actor as Actor;

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
