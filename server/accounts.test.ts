/** Who may come in, what they may do, and whose it is: real requests on a real file. */
import { randomBytes } from 'node:crypto';
import fc from 'fast-check';
import { yardThatMorning } from '../demo/that-morning';
import type { AuditPage, MadeGuestLink, Me, Pairing, Person, PersonName, Tablet } from '#formats/people';
import { personDraftSchema, RIGHTS_OF, ROLES } from '#formats/people';
import { type Problem, type Route, ROUTES } from '#formats/api';
import type { LogEntry } from '#formats/log';
import { MS_PER_DAY, MS_PER_MIN } from '#core/measures';
import { isSecret } from './accounts/secrets';
import { people, sessions, shopSettings } from './db/schema';
import { loadWorkshop } from './services/sample-workshop';
import { browser, draftOf, filledOnce, type RunningServer } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const yard = yardThatMorning();
const JOBS = ['teal-hatchback', 'satin-tourer', 'hotel-shuttle'];
const PASSWORD = 'gull-over-slipway-lamp';
let atMs = Date.parse(NOW);
let server: RunningServer;
const small = filledOnce(
  () => new Date(atMs),
  ({ db, services }) => loadWorkshop(db, services, { ...yard, jobs: yard.jobs.filter(({ id }) => JOBS.includes(id)) }),
);
beforeEach(async () => {
  atMs = Date.parse(NOW);
  server = await small.start();
});
afterAll(small.remove);
afterEach(() => server.stop());

const air = (id: string) => ({
  id,
  at: new Date(atMs).toISOString(),
  entry: { type: 'air' as const, airC: 20, rhPct: 50, airSpeed: 0.1 },
});

const isRefusedPin = (pin: string) => !personDraftSchema.safeParse({ name: 'Ash', role: 'helper', pin }).success;

/** An owner at the desk, a shop with an installer and a helper, and a tablet of its own in the bay. */
async function shop() {
  const desk = browser(server.base);
  const first = await desk.call<Me>('POST', '/api/first-owner', { name: 'Wren', password: PASSWORD });
  expect([first.status, first.body.person?.role]).toEqual([200, 'owner']);
  const owner = first.body.person!.id;
  for (const [id, role, pin] of [
    ['ash', 'installer', '4071'],
    ['rowan', 'helper', '2958'],
  ] as const)
    expect((await desk.call('PUT', `/api/people/${id}`, { name: id, role, pin })).status).toBe(200);
  const { body: pairing } = await desk.call<Pairing>('POST', '/api/devices/codes', { name: 'Bay tablet' });
  const tablet = browser(server.base);
  expect((await tablet.call<Me>('POST', '/api/pair', { code: pairing.code.toLowerCase() })).body.tablet?.name).toBe(
    'Bay tablet',
  );
  return { desk, tablet, owner, pairing };
}

test('what is told to an open window ends with the right it was opened with: signed out, another role, cut off', async () => {
  const { desk, tablet } = await shop();
  await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' });
  const open = async ({ cookie }: ReturnType<typeof browser>) => {
    const answer = await fetch(`${server.base}/api/changes`, { headers: { cookie: cookie() } });
    expect(answer.status).toBe(200);
    let told = '';
    const ended = (async () => {
      const decoder = new TextDecoder();
      for await (const part of answer.body!) told += decoder.decode(part, { stream: true });
    })().catch(() => undefined);
    return { ended: ended.then(() => told), told: () => told };
  };
  const [atDesk, atTablet] = [await open(desk), await open(tablet)];
  const tap = (id: string) => desk.call('POST', '/api/jobs/teal-hatchback/log', air(id));
  await tap('heard');
  await tablet.call('POST', '/api/sign-out');
  await tap('not-heard-at-the-tablet');
  const said = await atTablet.ended;
  expect(said.match(/"kind":"log"/g)).toHaveLength(1);
  for (let nth = 0; nth < 50 && atDesk.told().match(/"kind":"log"/g)?.length !== 2; nth += 1)
    await new Promise((resolve) => setTimeout(resolve, 20));
  expect(atDesk.told().match(/"kind":"log"/g)).toHaveLength(2);
  await tablet.call('POST', '/api/switch', { person: 'rowan', pin: '2958' });
  const again = await open(tablet);
  const { body: devices } = await desk.call<{ id: string }[]>('GET', '/api/devices');
  expect((await desk.call('POST', `/api/devices/${devices[0]!.id}/cut-off`)).status).toBe(200);
  await tap('not-heard-either');
  expect(await again.ended).not.toContain('"kind":"log"');
});

test('a session that was idle for too long is over, however often it asks again', async () => {
  const { desk } = await shop();
  expect((await desk.call('GET', '/api/jobs/teal-hatchback')).status).toBe(200);
  atMs += 12 * 60 * MS_PER_MIN + 1000;
  for (let again = 0; again < 3; again += 1)
    expect((await desk.call('GET', '/api/jobs/teal-hatchback')).status).toBe(401);
});

test('with the clock put back meanwhile the record shows every entry once, however many pages it has', async () => {
  const { desk } = await shop();
  const said: string[] = [];
  const work = async (nth: number) => {
    atMs += MS_PER_MIN;
    said.push(new Date(atMs).toISOString());
    expect((await desk.call('POST', '/api/jobs/teal-hatchback/log', air(`air-${nth}`))).status).toBe(201);
    expect(
      (await desk.call('PUT', '/api/people/rowan', { name: `rowan ${nth}`, role: 'helper', pin: '2958' })).status,
    ).toBe(200);
  };
  for (let nth = 0; nth < 30; nth += 1) await work(nth);
  atMs -= 3 * 60 * MS_PER_MIN;
  for (let nth = 30; nth < 65; nth += 1) await work(nth);
  const seen: string[] = [];
  for (let from: string | null | undefined; from !== null;) {
    const address = `/api/audit${from === undefined ? '' : `?from=${from}`}`;
    const { entries, next } = (await desk.call<AuditPage>('GET', address)).body;
    seen.push(...entries.map(({ at }) => at));
    from = next;
  }
  // Of each moment its tap and its change, both once.
  const times = (moment: string) => seen.filter((at) => Date.parse(at) === Date.parse(moment)).length;
  expect(said.map(times)).toEqual(said.map(() => 2));
});

test('of a stranger nothing is read but a name, a password or a code; of anyone no more than a form, where no file is sent', async () => {
  const { desk } = await shop();
  const send = (method: string, address: string, body: string, cookie = '') =>
    fetch(server.base + address, {
      method,
      body,
      headers: { 'content-type': 'application/json', 'if-match': '"1"', cookie },
    });
  const stranger = async (address: string, body: string) => (await send('PUT', address, body)).status;
  // Neither read nor parsed: it is no JSON, and far too large.
  expect(await stranger('/api/jobs/teal-hatchback', '{'.repeat(40_000))).toBe(401);
  expect(await stranger('/api/jobs/teal-hatchback', '['.repeat(8_000_000))).toBe(401);
  expect((await send('POST', '/api/sign-in', JSON.stringify({ name: 'x'.repeat(20_000) }))).status).toBe(413);
  const form = JSON.stringify({ name: 'x'.repeat(300_000) });
  expect((await send('PUT', '/api/people/ash', form, desk.cookie())).status).toBe(413);
  const nested = await send('PUT', '/api/jobs/teal-hatchback', '['.repeat(40_000) + ']'.repeat(40_000), desk.cookie());
  expect([nested.status, ((await nested.json()) as Problem).faults?.[0]?.message]).toEqual([
    400,
    'more than 64 levels one inside another',
  ]);
});

test('while nobody has an account everybody at this machine may do everything; with the first one nobody may unseen', async () => {
  const passer = browser(server.base);
  expect((await passer.call<Me>('GET', '/api/me')).body).toMatchObject({ accounts: false, person: null });
  expect((await passer.call('POST', '/api/jobs/teal-hatchback/log', air('before'))).status).toBe(201);
  const { desk } = await shop();
  for (const [method, address] of [
    ['GET', '/api/jobs'],
    ['GET', '/api/jobs/teal-hatchback'],
    ['GET', '/api/changes'],
    ['GET', '/api/people'],
    ['GET', '/api/audit'],
    ['GET', '/api/stock.csv'],
    ['POST', '/api/jobs/teal-hatchback/log'],
    ['PUT', '/api/jobs/teal-hatchback'],
  ] as const)
    expect([address, (await passer.call(method, address, method === 'GET' ? undefined : air('x'))).status]).toEqual([
      address,
      401,
    ]);
  expect((await passer.call('POST', '/api/first-owner', { name: 'Thief', password: PASSWORD })).status).toBe(409);
  expect((await desk.call('GET', '/api/jobs')).status).toBe(200);
});

test('each role does what it may and no more, at every door', async () => {
  const { desk, tablet } = await shop();
  const logins = { owner: desk, installer: tablet, helper: tablet };
  for (const role of ROLES) {
    if (role !== 'owner')
      await tablet.call('POST', '/api/switch', {
        person: role === 'installer' ? 'ash' : 'rowan',
        pin: role === 'installer' ? '4071' : '2958',
      });
    for (const { method, path, needs } of Object.values<Route>(ROUTES)) {
      const needed = needs ?? (method === 'get' ? 'look' : 'own');
      if (needed === 'nothing') continue;
      // Nobody of that name: whoever is let in hears that, and whoever is not never learns it.
      const address = path.replaceAll(/\{\w+\}/g, 'nobody');
      if (method === 'get' && !address.includes('nobody')) continue;
      const { status } = await logins[role].call(method.toUpperCase(), address, method === 'get' ? undefined : {});
      const may = RIGHTS_OF[role].includes(needed);
      expect([role, method, path, status === 403]).toEqual([role, method, path, !may]);
    }
  }
});

test('what changes something says how it stands on record, or is a log of its own', () => {
  const ELSEWHERE = ['/log', '/plan', '/readings', '/stock', '/read', '/restore'];
  for (const { method, path, needs, audit } of Object.values<Route>(ROUTES)) {
    if (method === 'get' || needs === 'nothing' || ELSEWHERE.some((end) => path.endsWith(end))) continue;
    expect([path, audit]).toEqual([path, expect.any(String)]);
  }
});

test('who laid it is who was switched to, whatever is sent, and who it was when a tap arrives late', async () => {
  const { desk, tablet, owner } = await shop();
  const ash = await tablet.call<Me>('POST', '/api/switch', { person: 'ash', pin: '4071' });
  await tablet.call('POST', '/api/jobs/teal-hatchback/log', air('of-ash'));
  expect((await tablet.call('POST', '/api/jobs/teal-hatchback/log', { ...air('forged'), by: 'rowan' })).status).toBe(
    400,
  );
  await tablet.call('POST', '/api/switch', { person: 'rowan', pin: '2958' });
  await tablet.call('POST', '/api/jobs/teal-hatchback/log', air('of-rowan'));
  // Tapped by Ash without a network, sent while Rowan is at the tablet.
  await tablet.call('POST', '/api/jobs/teal-hatchback/log', air('late-of-ash'), undefined, {
    'glaphyra-turn': ash.body.turn!,
  });
  await desk.call('POST', '/api/jobs/teal-hatchback/log', air('of-wren'));
  // A turn of another device, or of none, is nobody's: not of whoever is in when it arrives.
  for (const [id, turn] of [
    ['of-another-device', ash.body.turn!],
    ['of-nobody', 'none'],
  ] as const) {
    const { body } = await desk.call<LogEntry>('POST', '/api/jobs/teal-hatchback/log', air(id), undefined, {
      'glaphyra-turn': turn,
    });
    expect(body.by).toBeUndefined();
  }
  await tablet.call('PUT', '/api/jobs/teal-hatchback/ticks', { line: 'worn/gloves', ticked: true });
  const { body: log } = await desk.call<LogEntry[]>('GET', '/api/jobs/teal-hatchback/log');
  const by = Object.fromEntries(log.map((entry) => [entry.id, entry.by]));
  expect(by).toMatchObject({ 'of-ash': 'ash', 'of-rowan': 'rowan', 'late-of-ash': 'ash', 'of-wren': owner });
  expect((await desk.call<object[]>('GET', '/api/jobs/teal-hatchback/ticks')).body).toContainEqual(
    expect.objectContaining({ line: 'worn/gloves', by: 'rowan' }),
  );
  const { body: page } = await desk.call<AuditPage>('GET', '/api/audit');
  expect(page.entries).toContainEqual(
    expect.objectContaining({ by: 'rowan', what: 'ticked a line of the job', tablet: 'Bay tablet' }),
  );
  expect(page.entries).toContainEqual(
    expect.objectContaining({
      by: 'Wren',
      what: 'changed the account of',
      of: { kind: 'person', id: 'ash', title: 'ash' },
    }),
  );
  const { body: ofAsh } = await desk.call<AuditPage>('GET', '/api/audit?person=ash');
  expect(ofAsh.entries.map(({ what }) => what)).toEqual(['read the air', 'read the air']);
});

test('the turn of somebody who may more lends its name to taps, and its rights to nobody', async () => {
  const { desk, tablet, owner } = await shop();
  await desk.call('PUT', `/api/people/${owner}`, { name: 'Wren', role: 'owner', pin: '8302' });
  const { body: wren } = await tablet.call<Me>('POST', '/api/switch', { person: owner, pin: '8302' });
  await tablet.call('POST', '/api/switch', { person: 'rowan', pin: '2958' });
  const asWren = { 'glaphyra-turn': wren.turn! };
  for (const [method, address] of [
    ['GET', '/api/people'],
    ['GET', '/api/audit'],
    ['PUT', '/api/people/rowan'],
    ['PUT', '/api/jobs/hotel-shuttle'],
  ] as const)
    expect([
      address,
      (await tablet.call(method, address, method === 'GET' ? undefined : {}, undefined, asWren)).status,
    ]).toEqual([address, 403]);
  expect((await tablet.call<Me>('GET', '/api/me', undefined, undefined, asWren)).body.person?.name).toBe('rowan');
  // What an installer changes is the installer's, whatever turn is named.
  await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' });
  await tablet.call('POST', '/api/links', { job: 'teal-hatchback', days: 1 }, undefined, asWren);
  const { body: page } = await desk.call<AuditPage>('GET', '/api/audit');
  expect(page.entries.find(({ what }) => what === 'made a link to')!.by).toBe('ash');
  // Another PIN does not make a former tap somebody else's.
  const { body: ash } = await tablet.call<Me>('GET', '/api/me');
  await desk.call('PUT', '/api/people/ash', { name: 'ash', role: 'installer', pin: '6174' });
  await tablet.call('POST', '/api/switch', { person: 'rowan', pin: '2958' });
  const late = await tablet.call<LogEntry>('POST', '/api/jobs/teal-hatchback/log', air('before-the-pin'), undefined, {
    'glaphyra-turn': ash.turn!,
  });
  expect(late.body.by).toBe('ash');
});

test('the record reads on page by page, each thing once, the last first', async () => {
  const { desk } = await shop();
  const read: string[] = [];
  let from: string | null = '';
  do {
    const { body }: { body: AuditPage } = await desk.call<AuditPage>('GET', `/api/audit${from && `?from=${from}`}`);
    read.push(...body.entries.map((entry) => JSON.stringify(entry)));
    from = body.next;
  } while (from !== null);
  const { count } = server.db.get<{ count: number }>(
    'select (select count(*) from deeds) + (select count(*) from run_log) + (select count(*) from stock_log) as count',
  );
  expect(read.length).toBe(count);
  const times = read.map((entry) => Date.parse((JSON.parse(entry) as { at: string }).at));
  expect(times).toEqual(times.toSorted((a, b) => b - a));
  expect((await desk.call('GET', '/api/audit?from=nowhere')).status).toBe(400);
});

test('a wrong name, a wrong password and somebody who left are told alike, in about the same time', async () => {
  const { desk } = await shop();
  await desk.call('PUT', '/api/people/finch', { name: 'Finch', role: 'installer', password: 'another-lamp-of-tin' });
  await desk.call('PUT', '/api/people/finch', { name: 'Finch', role: 'installer', hasLeft: true });
  const told = new Set<string>();
  for (const [name, password] of [
    ['Nobody', PASSWORD],
    ['Wren', 'not-the-password'],
    ['Finch', 'another-lamp-of-tin'],
    ['ash', '4071'],
  ]) {
    const { status, body } = await browser(server.base).call('POST', '/api/sign-in', { name, password });
    told.add(JSON.stringify([status, body]));
  }
  expect(told.size).toBe(1);
  // Where there is no such account a secret is compared all the same.
  const took = async (kept: string | undefined) => {
    const began = process.hrtime.bigint();
    for (let i = 0; i < 5; i += 1) await isSecret('guess', kept);
    return Number(process.hrtime.bigint() - began);
  };
  await took(undefined);
  const kept = server.db
    .select()
    .from(people)
    .all()
    .find(({ passwordHash }) => passwordHash !== null)!.passwordHash!;
  const [nobody, somebody] = [await took(undefined), await took(kept)];
  expect(nobody / somebody).toBeGreaterThan(0.3);
});

test('guesses are counted: of a name from anywhere, of a PIN at its tablet, and a right one after them is refused too', async () => {
  const { tablet } = await shop();
  const statuses: number[] = [];
  // All at once: each counts before it is looked at.
  await Promise.all(
    Array.from({ length: 14 }, async (_, index) => {
      const { status } = await browser(server.base).call('POST', '/api/sign-in', {
        name: 'wren',
        password: `guess ${index}`,
      });
      statuses.push(status);
    }),
  );
  expect(statuses.filter((status) => status === 401)).toHaveLength(10);
  expect(statuses.filter((status) => status === 429)).toHaveLength(4);
  const locked = await browser(server.base).call<{ detail: string; retryAfterS: number }>('POST', '/api/sign-in', {
    name: 'Wren',
    password: PASSWORD,
  });
  expect([locked.status, locked.body.detail]).toEqual([
    429,
    expect.stringMatching(/^Too many wrong attempts. Wait \d+ min/),
  ]);
  for (let i = 0; i < 5; i += 1)
    expect((await tablet.call('POST', '/api/switch', { person: 'ash', pin: `000${i}` })).status).toBe(401);
  expect((await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' })).status).toBe(429);
  // Others at the same tablet go on.
  expect((await tablet.call('POST', '/api/switch', { person: 'rowan', pin: '2958' })).status).toBe(200);
});

test('a PIN opens nothing but a tablet of the shop; a code pairs one device, once, for ten minutes', async () => {
  const { desk, pairing } = await shop();
  expect((await browser(server.base).call('POST', '/api/switch', { person: 'ash', pin: '4071' })).status).toBe(401);
  expect((await browser(server.base).call('POST', '/api/pair', { code: pairing.code })).status).toBe(401);
  const { body: late } = await desk.call<Pairing>('POST', '/api/devices/codes', { name: 'Late' });
  atMs += 10 * MS_PER_MIN + 1;
  expect((await browser(server.base).call('POST', '/api/pair', { code: late.code })).status).toBe(401);
  expect((await browser(server.base).call<PersonName[]>('GET', '/api/at-this-device')).body).toEqual([]);
});

test('a lost tablet is cut off: whoever is at it, and with every PIN they know', async () => {
  const { desk, tablet } = await shop();
  await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' });
  expect((await tablet.call('GET', '/api/jobs')).status).toBe(200);
  const { body: devices } = await desk.call<Tablet[]>('GET', '/api/devices');
  expect((await desk.call('POST', `/api/devices/${devices[0]!.id}/cut-off`)).status).toBe(200);
  expect((await tablet.call('GET', '/api/jobs')).status).toBe(401);
  expect((await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' })).status).toBe(401);
  expect((await tablet.call<Me>('GET', '/api/me')).body).toMatchObject({ person: null, tablet: null, rights: [] });
});

test('a session has another name as soon as somebody is in, and whoever set the old one is not', async () => {
  await shop();
  const victim = browser(server.base);
  // What an attacker put there is no session of ours and stays none.
  victim.setCookie(`glaphyra=s%3A${randomBytes(24).toString('base64url')}.${randomBytes(32).toString('base64')}`);
  await victim.call('GET', '/api/me');
  const before = victim.cookie();
  await victim.call('POST', '/api/sign-in', { name: 'Wren', password: PASSWORD });
  expect(victim.cookie()).not.toBe(before);
  const stale = victim.cookie();
  await victim.call('POST', '/api/sign-in', { name: 'Wren', password: PASSWORD });
  const thief = browser(server.base);
  thief.setCookie(stale);
  expect((await thief.call('GET', '/api/jobs')).status).toBe(401);
  expect(victim.lastSetCookie()).toMatch(/; HttpOnly; SameSite=Strict$/);
  await victim.call('POST', '/api/sign-out');
  expect((await victim.call('GET', '/api/jobs')).status).toBe(401);
});

test('another password, another role, leaving: every device they are in at asks anew', async () => {
  const { desk, tablet, owner } = await shop();
  await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' });
  await desk.call('PUT', '/api/people/ash', { name: 'ash', role: 'helper' });
  expect((await tablet.call('GET', '/api/jobs')).status).toBe(401);
  const elsewhere = browser(server.base);
  await elsewhere.call('POST', '/api/sign-in', { name: 'Wren', password: PASSWORD });
  const wanted = 'tar-rope-and-oakum-9';
  expect((await desk.call('PUT', '/api/my-password', { password: 'wrong', newPassword: wanted })).status).toBe(401);
  expect((await desk.call('PUT', '/api/my-password', { password: PASSWORD, newPassword: wanted })).status).toBe(200);
  expect([(await desk.call('GET', '/api/jobs')).status, (await elsewhere.call('GET', '/api/jobs')).status]).toEqual([
    200, 401,
  ]);
  // The last owner stays one.
  for (const change of [{ role: 'helper' }, { hasLeft: true }, { password: null }])
    expect((await desk.call('PUT', `/api/people/${owner}`, { name: 'Wren', role: 'owner', ...change })).status).toBe(
      409,
    );
});

test('whoever walks away is signed out after a working day, and after two weeks at all', async () => {
  const { desk } = await shop();
  for (let hours = 0; hours < 14 * 24 + 1; hours += 11) {
    if (hours < 14 * 24 - 11) expect((await desk.call('GET', '/api/bays')).status).toBe(200);
    atMs += 11 * 60 * MS_PER_MIN;
  }
  expect((await desk.call('GET', '/api/bays')).status).toBe(401);
  await desk.call('POST', '/api/sign-in', { name: 'Wren', password: PASSWORD });
  atMs += MS_PER_DAY / 2 + 1;
  expect((await desk.call('GET', '/api/bays')).status).toBe(401);
});

test('a guest sees the one job of their link, as long as it lasts, and changes nothing', async () => {
  const { desk } = await shop();
  const { body: link } = await desk.call<MadeGuestLink>('POST', '/api/links', { job: 'teal-hatchback', days: 3 });
  const guest = browser(server.base);
  expect((await guest.call('POST', '/api/guest', { token: 'made-up' })).status).toBe(401);
  expect((await guest.call<Me>('POST', '/api/guest', { token: link.token })).body.guest?.job).toBe('teal-hatchback');
  expect((await guest.call('GET', '/api/jobs/teal-hatchback/guest')).status).toBe(200);
  expect((await guest.call('GET', '/api/jobs/satin-tourer/guest')).status).toBe(403);
  for (const [method, address] of [
    ['GET', '/api/jobs'],
    ['GET', '/api/jobs/teal-hatchback'],
    ['GET', '/api/names'],
    ['POST', '/api/jobs/teal-hatchback/log'],
  ] as const)
    expect([address, (await guest.call(method, address, method === 'GET' ? undefined : air('x'))).status]).toEqual([
      address,
      403,
    ]);
  await desk.call('DELETE', `/api/links/${link.id}`);
  expect((await guest.call('GET', '/api/jobs/teal-hatchback/guest')).status).toBe(401);
  const { body: short } = await desk.call<MadeGuestLink>('POST', '/api/links', { job: 'teal-hatchback', days: 1 });
  await guest.call('POST', '/api/guest', { token: short.token });
  atMs += MS_PER_DAY + 1;
  expect((await guest.call('GET', '/api/jobs/teal-hatchback/guest')).status).toBe(401);
});

test('passwords that are tried first and PINs in a row are refused where they are set', async () => {
  const { desk } = await shop();
  for (const password of ['password12', 'wrenwrenwren', '1234567890', 'short'])
    expect([
      password,
      (await desk.call('PUT', '/api/people/ash', { name: 'Wren Ash', role: 'installer', password })).status,
    ]).toEqual([password, 400]);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 9 }), fc.constantFrom(0, 1, 9), (start, step) => {
      const pin = Array.from({ length: 4 }, (_, index) => (start + index * step) % 10).join('');
      expect([pin, isRefusedPin(pin)]).toEqual([pin, true]);
    }),
  );
  expect(isRefusedPin('4071')).toBe(false);
});

test('whoever reads the file is not in: no password, PIN, code, link or session stands in it', async () => {
  const { desk, tablet, pairing } = await shop();
  const { body: link } = await desk.call<MadeGuestLink>('POST', '/api/links', { job: 'teal-hatchback', days: 3 });
  await tablet.call('POST', '/api/switch', { person: 'ash', pin: '4071' });
  const kept = JSON.stringify([
    server.db.select().from(people).all(),
    server.db.select().from(sessions).all(),
    server.db.all('select * from pairings'),
    server.db.all('select * from guest_links'),
  ]);
  const sid = decodeURIComponent(tablet.cookie().split('=')[1]!).slice(2).split('.')[0]!;
  for (const secret of [PASSWORD, '"4071"', pairing.code, link.token, sid]) expect(kept).not.toContain(secret);
  expect(kept).toMatch(/\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  expect(server.db.select().from(shopSettings).all()).toHaveLength(1);
});

test('what somebody changed is on record in the same step, and what was refused is not', async () => {
  const { desk } = await shop();
  const { body: job } = await desk.call<Parameters<typeof draftOf>[0] & { version: number }>(
    'GET',
    '/api/jobs/hotel-shuttle',
  );
  expect((await desk.call('PUT', '/api/jobs/hotel-shuttle', draftOf(job), job.version)).status).toBe(200);
  expect((await desk.call('PUT', '/api/jobs/hotel-shuttle', draftOf(job), job.version)).status).toBe(412);
  const { body } = await desk.call<AuditPage>('GET', '/api/audit');
  const changed = body.entries.filter(({ what }) => what === 'changed the job');
  expect(changed).toHaveLength(1);
  expect(changed[0]!.of).toMatchObject({ kind: 'job', id: 'hotel-shuttle' });
  expect(() => server.db.run('delete from deeds')).toThrow(
    expect.objectContaining({ cause: expect.objectContaining({ message: 'what was done is append-only' }) }),
  );
  expect((await desk.call<Person[]>('GET', '/api/people')).body.map(({ name }) => name)).toEqual([
    'Wren',
    'ash',
    'rowan',
  ]);
});

test('whoever lost their password is let in by whoever is at the server’s machine, and is out everywhere else', async () => {
  const { desk } = await shop();
  const password = await server.services.accounts.letIn('wren');
  expect((await desk.call('GET', '/api/jobs')).status).toBe(401);
  expect((await desk.call('POST', '/api/sign-in', { name: 'Wren', password })).status).toBe(200);
  expect(await server.services.accounts.letIn('nobody')).toBeUndefined();
});
