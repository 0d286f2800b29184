/** From the bays: over TLS by a certificate of the workshop's own, behind a proxy, and never before somebody owns it. */
import { request as httpsRequest } from 'node:https';
import { X509Certificate } from 'node:crypto';
import { createServer, request as httpRequest, type IncomingMessage, type RequestOptions } from 'node:http';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import pino from 'pino';
import { yardThatMorning } from '../demo/that-morning';
import type { Problem } from '#formats/api';
import { MS_PER_DAY } from '#core/measures';
import type { AuditPage, KeptCopies, Me, NetworkState } from '#formats/people';
import { createApp } from './app';
import { openDatabase, photoFolder } from './db/open';
import { isOwnNetwork } from './network/addresses';
import { ownCertificate } from './network/certificates';
import { type Network, networkOf } from './network/network';
import { createServices, type Services } from './services';
import { loadWorkshop } from './services/sample-workshop';
import { settingsFrom, StartFault } from './settings';
import { browser, databaseFolder } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const PASSWORD = 'gull-over-slipway-lamp';
const log = pino({ level: 'silent' });

interface Reply {
  readonly status: number;
  readonly body: string;
  readonly headers: IncomingMessage['headers'];
}
type Options = RequestOptions & { readonly ca?: string | undefined; readonly servername?: string };
/** One question, over whichever line; a browser's own fetch would not let a host be said. */
function ask(send: typeof httpRequest, options: Options, body?: unknown): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const asked = send({ ...options, agent: false }, (response) => {
      let said = '';
      response.on('data', (chunk) => (said += String(chunk)));
      response.on('end', () => resolve({ status: response.statusCode!, body: said, headers: response.headers }));
    });
    asked.on('error', reject);
    if (body !== undefined) asked.setHeader('content-type', 'application/json').write(JSON.stringify(body));
    asked.end();
  });
}

describe('over the network', () => {
  const { file, remove } = databaseFolder();
  let close: () => void;
  let services: Services;
  let network: Network;
  let local: ReturnType<typeof createServer>;
  let base: string;
  let port: number;
  beforeAll(async () => {
    const opened = openDatabase(file);
    close = opened.close;
    services = createServices(opened.db, photoFolder(file), () => new Date(NOW));
    network = networkOf({
      settings: { port: 0, folder: path.join(path.dirname(file), 'tls'), proxy: new URL('https://workshop.example') },
      clock: () => new Date(),
      log,
      isOwned: services.accounts.isAnybody,
      handler: (request, response) => void app(request, response),
    });
    const app = createApp({ db: opened.db, services, log, webFolder: 'none', network, proxied: true });
    local = createServer(app).listen(0, '127.0.0.1');
    await once(local, 'listening');
    base = `http://127.0.0.1:${(local.address() as AddressInfo).port}`;
  });
  afterAll(async () => {
    await network.close();
    local.closeAllConnections();
    local.close();
    close();
    remove();
  });
  const overTls = (address: string, options: Options = {}, body?: unknown) =>
    ask(
      httpsRequest,
      {
        host: '127.0.0.1',
        servername: 'localhost',
        port,
        path: address,
        ca: network.authority()!,
        ...options,
        headers: { host: `localhost:${port}`, ...options.headers },
      },
      body,
    );

  test('it is not opened while nobody owns it, and a proxy lets nobody in either', async () => {
    const desk = browser(base);
    expect((await desk.call('PUT', '/api/network', { open: true })).status).toBe(409);
    const throughProxy = await ask(httpRequest, {
      port: new URL(base).port,
      path: '/api/jobs',
      headers: { host: 'workshop.example', 'x-forwarded-for': '203.0.113.9', 'x-forwarded-proto': 'https' },
    });
    expect(throughProxy.status).toBe(401);
    const made = await ask(
      httpRequest,
      {
        port: new URL(base).port,
        method: 'POST',
        path: '/api/first-owner',
        headers: { host: 'workshop.example', 'x-forwarded-for': '203.0.113.9', 'x-forwarded-proto': 'https' },
      },
      { name: 'Thief', password: PASSWORD },
    );
    expect(made.status).toBe(409);
  });

  test('opened by its owner it answers under the names it shows, over TLS that a taught device believes', async () => {
    const desk = browser(base);
    await desk.call('POST', '/api/first-owner', { name: 'Wren', password: PASSWORD });
    const { body: state } = await desk.call<NetworkState>('PUT', '/api/network', { open: true });
    expect(state).toMatchObject({ open: true, fingerprint: expect.stringMatching(/^([0-9A-F]{2} ?){32}$/) });
    port = Number(new URL(state.urls[0] ?? `https://x:${0}`).port);
    expect((await overTls('/api/jobs')).status).toBe(401);
    await expect(overTls('/api/me', { ca: undefined })).rejects.toThrow(/self-signed|unable to verify|issuer/i);
    const trust = await overTls('/api/trust/authority.crt');
    expect(trust.body).toBe(network.authority());
    const signedIn = await overTls('/api/sign-in', { method: 'POST' }, { name: 'Wren', password: PASSWORD });
    expect((JSON.parse(signedIn.body) as Me).person?.name).toBe('Wren');
    const [cookie] = signedIn.headers['set-cookie']!;
    expect(cookie).toMatch(/^__Host-glaphyra=.*; Path=\/; .*HttpOnly; Secure; SameSite=Strict$/);
    // A name that was made to point here, and a page of another origin.
    expect((await overTls('/api/me', { headers: { host: `evil.example:${port}` } })).status).toBe(421);
    expect(
      (await overTls('/api/sign-out', { method: 'POST', headers: { cookie: cookie!, origin: 'https://evil.example' } }))
        .status,
    ).toBe(403);
    expect((await overTls('/api/me')).headers).toMatchObject({
      'content-security-policy': expect.stringContaining("frame-ancestors 'none'"),
      'x-frame-options': 'SAMEORIGIN',
    });
    await desk.call('PUT', '/api/network', { open: false });
    await expect(overTls('/api/me')).rejects.toThrow(/ECONNREFUSED/);
    expect(services.accounts.isNetworkKeptOpen()).toBe(false);
  });

  test('behind a proxy the host it is shown under counts, cookies are Secure, and attempts by who is behind it', async () => {
    const from = (address: string) => ({
      port: new URL(base).port,
      method: 'POST',
      path: '/api/sign-in',
      headers: {
        host: 'workshop.example',
        origin: 'https://workshop.example',
        'x-forwarded-for': address,
        'x-forwarded-proto': 'https',
      },
    });
    const good = await ask(httpRequest, from('203.0.113.9'), { name: 'Wren', password: PASSWORD });
    expect([good.status, good.headers['set-cookie']?.[0]]).toEqual([200, expect.stringContaining('; Secure;')]);
    for (let index = 0; index < 61; index += 1)
      await ask(httpRequest, from('203.0.113.10'), { name: `nobody ${index}`, password: 'x' });
    expect((await ask(httpRequest, from('203.0.113.10'), { name: 'somebody', password: 'x' })).status).toBe(429);
    expect((await ask(httpRequest, from('203.0.113.11'), { name: 'somebody', password: 'x' })).status).toBe(401);
    expect((await ask(httpRequest, { ...from('203.0.113.9'), headers: { host: 'other.example' } })).status).toBe(421);
    // Ten wrong passwords of the owner's name shut out whoever tried them, and not the owner.
    for (let index = 0; index < 10; index += 1)
      await ask(httpRequest, from('203.0.113.66'), { name: 'Wren', password: `guess ${index}` });
    expect((await ask(httpRequest, from('203.0.113.66'), { name: 'Wren', password: PASSWORD })).status).toBe(429);
    expect((await ask(httpRequest, from('203.0.113.9'), { name: 'Wren', password: PASSWORD })).status).toBe(200);
    expect((await ask(httpRequest, from('203.0.113.50'), { name: 'Wren', password: PASSWORD })).status).toBe(200);
    // However many addresses they come from: strange ones are shut out together, the owner's own is not.
    for (let index = 0; index < 100; index += 1)
      await ask(httpRequest, from(`198.51.100.${index}`), { name: 'Wren', password: `guess ${index}` });
    expect((await ask(httpRequest, from('198.51.100.200'), { name: 'Wren', password: PASSWORD })).status).toBe(429);
    expect((await ask(httpRequest, from('203.0.113.9'), { name: 'Wren', password: PASSWORD })).status).toBe(200);
  });

  test('a proxy that does not say who asks is refused, with what it has to say', async () => {
    for (const headers of [{}, { 'x-forwarded-for': '203.0.113.9' }, { 'x-forwarded-proto': 'https' }]) {
      const { status, body } = await ask(httpRequest, {
        port: new URL(base).port,
        path: '/api/me',
        headers: { host: 'workshop.example', ...headers },
      });
      expect([status, (JSON.parse(body) as Problem).detail]).toEqual([
        421,
        expect.stringContaining('X-Forwarded-For and X-Forwarded-Proto'),
      ]);
    }
  });
});

test('only the workshop’s own network is answered', () => {
  for (const own of [
    '127.0.0.1',
    '::1',
    '192.168.1.20',
    '10.3.4.5',
    '172.20.0.2',
    '::ffff:192.168.1.20',
    'fd12::1',
    'fe80::1',
  ])
    expect([own, isOwnNetwork(own)]).toEqual([own, true]);
  for (const foreign of ['203.0.113.9', '8.8.8.8', '2001:db8::1', '::ffff:203.0.113.9', '', 'x', undefined])
    expect([foreign, isOwnNetwork(foreign)]).toEqual([foreign, false]);
});

describe('a certificate of its own', () => {
  const { file, remove } = databaseFolder();
  const folder = path.join(path.dirname(file), 'tls');
  const now = new Date(NOW);
  afterAll(remove);
  const server = ({ cert }: { readonly cert: string }) => new X509Certificate(cert);

  test('is made once, kept, and made anew for another address or before it ends; what tablets trust stays', async () => {
    const first = await ownCertificate(folder, ['192.168.1.20', 'yard.local'], now);
    expect(await ownCertificate(folder, ['yard.local'], now)).toEqual(first);
    expect(server(first).subjectAltName).toBe('IP Address:192.168.1.20, DNS:yard.local');
    const moved = await ownCertificate(folder, ['192.168.1.77'], now);
    expect(server(moved).subjectAltName).toBe('IP Address:192.168.1.77');
    const nearlyOver = new Date(now.getTime() + 151 * MS_PER_DAY);
    const renewed = await ownCertificate(folder, ['192.168.1.77'], nearlyOver);
    expect(renewed.until.getTime() - nearlyOver.getTime()).toBe(180 * MS_PER_DAY);
    for (const each of [moved, renewed]) expect(each.authority).toEqual(first.authority);
    const authority = new X509Certificate(first.authority!.pem);
    expect(server(renewed).verify(authority.publicKey)).toBe(true);
    // A clock that was put back is no reason to keep one of the future.
    const past = await ownCertificate(folder, ['192.168.1.77'], new Date(now.getTime() - 400 * MS_PER_DAY));
    expect(Date.parse(server(past).validFrom)).toBeLessThan(now.getTime());
    expect(statSync(path.join(folder, 'server.key')).mode & 0o777).toBe(0o600);
  });

  test('one that cannot be read is made anew', async () => {
    writeFileSync(path.join(folder, 'server.pem'), 'not a certificate');
    const made = await ownCertificate(folder, ['10.0.0.1'], now);
    expect(server(made).subjectAltName).toBe('IP Address:10.0.0.1');
  });
});

test('settings of the network are looked at before anything is opened', () => {
  for (const [env, says] of [
    [{ NETWORK_PORT: 'tls' }, /^NETWORK_PORT is "tls"; set it to a whole number/],
    [{ GLAPHYRA_TLS_CERT: '/nowhere.pem' }, /^GLAPHYRA_TLS_CERT is "\/nowhere.pem", where there is no file/],
    [{ GLAPHYRA_PROXY: 'workshop.example' }, /^GLAPHYRA_PROXY is "workshop.example"; set it to where the proxy/],
    [{ GLAPHYRA_PROXY: 'http://workshop.example' }, /^GLAPHYRA_PROXY/],
  ] as const)
    expect(() => settingsFrom(env)).toThrow(
      expect.objectContaining({ constructor: StartFault, message: expect.stringMatching(says) }),
    );
});

describe('the whole server', () => {
  const { file, remove } = databaseFolder();
  afterAll(remove);
  /** Started as `npm start` does, on a port of its own. */
  async function started(...args: string[]) {
    const child = spawn(process.execPath, [path.join(process.cwd(), '.cache/bin/server/main.js'), ...args], {
      env: { ...process.env, PORT: '0', NETWORK_PORT: '0', GLAPHYRA_DB: file, GLAPHYRA_NOW: NOW },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    child.stdout.on('data', (chunk) => (said += String(chunk)));
    child.stderr.on('data', (chunk) => (said += String(chunk)));
    const until = Date.now() + 30_000;
    while (!said.includes('listening on') && child.exitCode === null && Date.now() < until)
      await new Promise((resolve) => setTimeout(resolve, 50));
    const listening = /listening on (http:\/\/127\.0\.0\.1:\d+)/.exec(said)?.[1];
    return {
      said: () => said,
      base: listening,
      async stop() {
        if (child.exitCode !== null) return;
        const gone = once(child, 'exit');
        child.kill('SIGTERM');
        await gone;
      },
    };
  }

  test('--network is refused with a sentence while nobody owns it, opens it once somebody does, and it stays open', async () => {
    const refused = await started('--network');
    await refused.stop();
    expect(refused.said()).toContain('Make the owner’s account first');
    const first = await started();
    const desk = browser(first.base!);
    await desk.call('POST', '/api/first-owner', { name: 'Wren', password: PASSWORD });
    await desk.call('PUT', '/api/network', { open: true });
    await first.stop();
    const second = await started();
    expect(second.said()).toContain('open to the workshop’s network');
    await second.stop();
    const unknown = await started('--netwrok');
    await unknown.stop();
    expect(unknown.said()).toMatch(/--netwrok.*npm start -- \[--network\]/);
  });

  test('a copy is made, fetched, and put back while it runs; what is newer is not written over unasked', async () => {
    const { db, close } = openDatabase(file);
    const yard = yardThatMorning();
    loadWorkshop(
      db,
      createServices(db, photoFolder(file), () => new Date(NOW)),
      { ...yard, jobs: yard.jobs.slice(0, 1), stock: [] },
    );
    close();
    const server = await started();
    const desk = browser(server.base!);
    await desk.call('POST', '/api/sign-in', { name: 'Wren', password: PASSWORD });
    const { body: kept } = await desk.call<KeptCopies>('POST', '/api/backups');
    const { name } = kept.copies[0]!;
    const fetched = await fetch(`${server.base}/api/backups/${name}`, { headers: { cookie: desk.cookie() } });
    expect((await fetched.arrayBuffer()).byteLength).toBe(kept.copies[0]!.bytes);
    expect((await desk.call('GET', '/api/backups/glaphyra-2020-01-01-000000.tar.gz')).status).toBe(404);
    await new Promise((resolve) => setTimeout(resolve, 1100));
    const job = yard.jobs[0]!.id;
    const entry = {
      id: 'after-the-copy',
      at: new Date().toISOString(),
      entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 },
    };
    expect((await desk.call('POST', `/api/jobs/${job}/log`, entry)).status).toBe(201);
    const refused = await desk.call<{ detail: string }>('POST', `/api/backups/${name}/restore`, { overNewer: false });
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(/was changed .* after this copy/),
    ]);
    expect((await desk.call('POST', `/api/backups/${name}/restore`, { overNewer: true })).status).toBe(202);
    // Whoever was in comes in anew.
    for (let tries = 0; tries < 100; tries += 1) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      if ((await desk.call('GET', '/api/backups')).status === 401) break;
    }
    await desk.call('POST', '/api/sign-in', { name: 'Wren', password: PASSWORD });
    const again = await desk.call<KeptCopies>('GET', '/api/backups');
    expect(again.body.putBack).toMatchObject({
      isDone: true,
      said: expect.stringMatching(/^Put back as of .* lies in /),
    });
    const { body: log } = await desk.call<{ id: string }[]>('GET', `/api/jobs/${job}/log`);
    expect(log.some(({ id }) => id === 'after-the-copy')).toBe(false);
    const { body: page } = await desk.call<AuditPage>('GET', '/api/audit');
    expect(page.entries.find(({ what }) => what.startsWith('put back the copy of'))?.by).toBe('Wren');
    const aside = /lies in (.*)\.$/.exec(again.body.putBack!.said)![1]!;
    const before = openDatabase(path.join(aside, path.basename(file)));
    expect(
      createServices(before.db, '')
        .runLog.of(job)
        .some(({ id }) => id === 'after-the-copy'),
    ).toBe(true);
    before.close();
    // A damaged copy is told, and nothing is changed by it.
    const whole = path.join(again.body.folder, name);
    const bytes = readFileSync(whole);
    bytes.fill(0, 2000, 3000);
    chmodSync(whole, 0o600);
    writeFileSync(whole, bytes);
    expect((await desk.call('POST', `/api/backups/${name}/restore`, { overNewer: true })).status).toBe(409);
    expect((await desk.call('GET', '/api/jobs')).status).toBe(200);
    await server.stop();
  });
});
