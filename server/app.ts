import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import compression from 'compression';
import { sql } from 'drizzle-orm';
import expressStaticGzip from 'express-static-gzip';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { type RouteName, ROUTES } from '#formats/api';
import { type Beside, mount, type Recorder } from './http/mount';
import { openApiDocument } from './http/openapi';
import { ownHostOnly } from './http/own-host';
import { notFound, problemHandler } from './http/problem';
import { sameOriginOnly } from './http/same-origin';
import { whoAsks } from './http/who';
import { sessionsOf } from './accounts/sessions';
import type { Db } from './db/open';
import { loopbackOnly, type Network } from './network/network';
import { answerer } from './http/answerer';
import type { Keeping } from './backup/keeping';
import { handlersOf } from './routes';
import type { Services } from './services';

const NONCE_PLACE = '__CSP_NONCE__';

interface Parts {
  readonly db: Db;
  readonly services: Services;
  readonly log: Logger;
  /** The interface as it was built. */
  readonly webFolder: string;
  readonly network?: Network;
  readonly keeping?: Keeping;
  /** Where what takes long is worked out; absent: where it is asked. */
  readonly beside?: Beside;
  /** A proxy on this machine stands before it: what it says of whoever asks is believed. */
  readonly proxied?: boolean;
}

/** The whole application: the interface's files, and the API under `/api`. */
export function createApp({
  db,
  services,
  log,
  webFolder,
  network = loopbackOnly,
  keeping,
  beside,
  proxied = false,
}: Parts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', proxied ? 'loopback' : false);
  app.use(ownHostOnly(network));
  app.use('/api', sameOriginOnly);
  app.use('/api', sessionsOf(db), whoAsks(services.accounts, services.now));
  app.use((_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString('base64');
    next();
  });
  app.use(contentPolicy());
  // Streams say no-transform and are left alone.
  app.use(compression());
  const handlers = handlersOf(services, network, keeping);
  const how = { recorded: recorderOf(db, services), beside: beside ?? answerer(handlers) };
  for (const name of Object.keys(ROUTES) as RouteName[]) mount(app, [name, ROUTES[name]], handlers[name], how);
  app.get('/api/openapi.json', (_request, response) => void response.json(openApiDocument()));
  app.all('/api/{*path}', (request) => {
    throw notFound('address', `${request.method} ${request.path}`);
  });
  serveInterface(app, webFolder);
  app.use(problemHandler(log));
  return app;
}

/**
 * What changes something and its place on record are one step; of what takes its time, the first part is, and the record
 * follows the rest at once.
 */
const recorderOf =
  (db: Db, { accounts }: Services): Recorder =>
  (work, entryOf) => {
    const record = <T>(answer: T): T => {
      accounts.did(entryOf(answer as never));
      return answer;
    };
    db.run(sql`begin immediate`);
    try {
      const answer = work();
      const told = answer instanceof Promise ? (answer.then(record) as typeof answer) : record(answer);
      db.run(sql`commit`);
      return told;
    } catch (error) {
      db.run(sql`rollback`);
      throw error;
    }
  };

/** Nothing from outside, nothing inline but styles this very answer has named. */
function contentPolicy() {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // The solver of the choice is compiled to WebAssembly; no text is ever evaluated.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", (_request, response) => `'nonce-${(response as express.Response).locals.nonce}'`],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // A workshop's own certificate may be replaced by one no tablet trusts yet: a browser must not be told to insist.
    hsts: false,
  });
}

/** What was built, as it was compressed then where the browser takes it so. */
const asBuilt = (folder: string, serveStatic: expressStaticGzip.ExpressStaticGzipOptions['serveStatic'] = {}) =>
  expressStaticGzip(folder, { index: false, serveStatic });

/** Whether an address is written as addresses are: a lone percent sign names nothing. */
function isReadable(address: string): boolean {
  try {
    decodeURIComponent(address);
    return true;
  } catch {
    return false;
  }
}

function serveInterface(app: Express, webFolder: string): void {
  const page = path.join(webFolder, 'index.html');
  if (!existsSync(page)) return;
  const html = readFileSync(page, 'utf8');
  app.use((request, _response, next) => {
    if (!isReadable(request.path)) throw notFound('address', `${request.method} ${request.path}`);
    next();
  });
  app.use('/assets', asBuilt(path.join(webFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(asBuilt(webFolder));
  app.get('/{*path}', (_request, response) => {
    response.setHeader('cache-control', 'no-cache');
    response.type('html').send(html.replaceAll(NONCE_PLACE, response.locals.nonce as string));
  });
}
