/** Passports over real requests: made, signed, handed over, read by another shop and taken in there. */
import { generateKeyPairSync, sign } from 'node:crypto';
import { type Handover, type PassportFile, type PassportRead, signedText } from '#formats/passport';
import type { CareDue, JobRecord } from '#formats/job';
import { startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
let ours: Awaited<ReturnType<typeof startStocked>>;
let theirs: typeof ours;
beforeAll(async () => {
  ours = await startStocked(() => new Date(NOW));
  theirs = await startStocked(() => new Date(NOW));
  await theirs.call('PUT', '/api/shop', { name: 'Fairlead Works' });
});
afterAll(async () => {
  await ours.stop();
  await theirs.stop();
});

const signature = { signedBy: 'Tove Lindgren', strokes: [[0.1, 0.5, 0.3, 0.2, 0.9, 0.6]] };
const passportOf = async (job: string) => (await ours.call<PassportFile>('GET', `/api/jobs/${job}/passport.json`)).body;

test('what is signed is kept as it was, once, whatever is done after; nobody changes it', async () => {
  await ours.call('PUT', '/api/shop', { name: 'Ternmouth Yard' });
  const first = await ours.call<Handover>('POST', '/api/jobs/slate-estate/handovers', { id: 'h1', ...signature });
  expect([first.status, first.body.passport.passport.shop]).toEqual([201, 'Ternmouth Yard']);
  await ours.call('PUT', '/api/shop', { name: 'Another name' });
  await ours.call('POST', '/api/jobs/slate-estate/log', {
    id: 'later',
    at: first.body.at,
    entry: { type: 'bead', surface: 'roof', deg: 99, sigmaDeg: 2 },
  });
  const again = await ours.call<Handover>('POST', '/api/jobs/slate-estate/handovers', {
    id: 'h1',
    signedBy: 'Else',
    strokes: [[0, 0]],
  });
  expect(again.body).toEqual(first.body);
  expect((await ours.call<Handover[]>('GET', '/api/jobs/slate-estate/handovers')).body).toEqual([first.body]);
  expect(await passportOf('slate-estate')).toEqual(first.body.passport);
  const other = await ours.call('POST', '/api/jobs/satin-tourer/handovers', { id: 'h1', ...signature });
  expect(other.status).toBe(409);
  for (const bent of [
    { id: 'h2', ...signature, strokes: [] },
    { id: 'h2', ...signature, signedBy: '' },
    { id: 'h2', ...signature, strokes: [[2, 0]] },
  ])
    expect((await ours.call('POST', '/api/jobs/slate-estate/handovers', bent)).status).toBe(400);
});

test('another shop reads it without the first one: it holds; with any word changed it does not, and is not taken in', async () => {
  const file = await passportOf('slate-estate');
  const read = async (body: unknown) => (await theirs.call<PassportRead>('POST', '/api/passports/read', body)).body;
  expect(await read(file)).toMatchObject({ holds: true, signer: 'unknown' });
  const turned = { ...file, passport: Object.fromEntries(Object.entries(file.passport).reverse()) };
  expect((await read(turned)).holds).toBe(true);
  const bent = structuredClone(file) as { passport: { panels: { layers: { batches: string[] }[] }[] } };
  bent.passport.panels[0]!.layers[0]!.batches.push('K-999');
  expect((await read(bent)).holds).toBe(false);
  const refused = await theirs.call<{ detail: string }>('POST', '/api/passports/take', bent);
  expect([refused.status, refused.body.detail]).toEqual([409, expect.stringContaining('changed since it was signed')]);
  for (const key of ['', 'AAAA', file.signature.value])
    expect((await read({ ...file, signature: { ...file.signature, key: key || 'x' } })).holds).toBe(false);
  expect((await theirs.call('POST', '/api/passports/read', { ...file, format: 'glaphyra.job/1' })).status).toBe(400);
});

test('taken in, it is the item’s past: what lies on it with its age, its clear, its marks; twice it is refused', async () => {
  const file = await passportOf('teal-hatchback');
  const bare = { ...file.passport, item: { ...file.passport.item } };
  // The sample stands there too: to them it is another item.
  const taken = await theirs.call<JobRecord>('POST', '/api/passports/take', file);
  expect(taken.status).toBe(409);
  expect(bare.item.id).toBe('hatchback-of-imke-varga');

  const own = await ours.call<JobRecord>(
    'PUT',
    '/api/jobs/guest-van',
    {
      bayId: null,
      airSource: 'typed',
      document: {
        ...(await ours.call<JobRecord>('GET', '/api/jobs/slate-estate')).body.document,
        item: { id: 'guest-van', name: 'Guest van' },
      },
    },
    0,
  );
  expect(own.status).toBe(200);
  const log = (await ours.call<{ id: string; at: string; entry: object }[]>('GET', '/api/jobs/slate-estate/log')).body;
  for (const { id, at, entry } of log.slice(0, 80))
    await ours.call('POST', '/api/jobs/guest-van/log', { id, at, entry });
  const there = await theirs.call<JobRecord>('POST', '/api/passports/take', await passportOf('guest-van'));
  expect(there.status).toBe(201);
  const [surface] = there.body.document.surfaces.filter(({ existing }) => existing.includes('sealant'));
  expect(surface!.existingTold![0]!.since).toMatch(/^2027-03-01/);
  expect(there.body.document.item).toMatchObject({ id: 'guest-van', name: 'Guest van' });
  // What was done elsewhere stays in the history it hands on.
  const onward = await theirs.call<PassportFile>('GET', `/api/jobs/${there.body.id}/passport.json`);
  expect(onward.body.passport.visits.length).toBe(2);
  expect((await theirs.call('POST', '/api/passports/take', await passportOf('guest-van'))).status).toBe(409);
  // Removed, it can be taken in anew.
  expect((await theirs.call('DELETE', `/api/jobs/${there.body.id}`, undefined, 1)).status).toBe(204);
  expect((await theirs.call('POST', '/api/passports/take', await passportOf('guest-van'))).status).toBe(201);
});

/** The passport of a job with its item’s own name left out, signed with a key made for it. */
async function signedElsewhere(shop: string) {
  const { privateKey, publicKey } = generateKeyPairSync('ed25519');
  const { id: _, ...item } = (await passportOf('slate-estate')).passport.item;
  const passport = { ...(await passportOf('slate-estate')).passport, item, shop };
  const value = sign(null, Buffer.from(signedText(passport)), privateKey).toString('base64url');
  const key = publicKey.export({ type: 'spki', format: 'der' }).toString('base64url');
  return { format: 'glaphyra.passport/1', passport, signature: { algorithm: 'Ed25519', key, value } };
}

test('a name says nothing: a key is known once a passport was taken in with it, and nobody else takes its name', async () => {
  const read = async (body: unknown) => (await theirs.call<PassportRead>('POST', '/api/passports/read', body)).body;
  const first = await signedElsewhere('Sandquay Coatings');
  expect(await read(first)).toMatchObject({ holds: true, signer: 'unknown' });
  expect((await theirs.call('POST', '/api/passports/take', first)).status).toBe(201);
  // Without an item’s name it is known by what was signed: not a second item.
  expect((await theirs.call('POST', '/api/passports/take', first)).status).toBe(409);
  expect(await read(first)).toMatchObject({ holds: true, signer: 'met' });
  expect((await read(first)).knownAs).toBe('Sandquay Coatings');
  const forged = await signedElsewhere('  sandquay COATINGS ');
  const told = await read(forged);
  expect(told).toMatchObject({ holds: true, signer: 'impostor' });
  expect(told.fingerprint).not.toBe((await read(first)).fingerprint);
  const refused = await theirs.call<{ detail: string }>('POST', '/api/passports/take', forged);
  expect([refused.status, refused.body.detail]).toEqual([409, expect.stringContaining('another key')]);
  // The neutral point as a key: this “signature” fits any text.
  const neutral = Buffer.concat([
    Buffer.from('302a300506032b6570032100', 'hex'),
    Buffer.from([1, ...Array(31).fill(0)]),
  ]);
  const anything = Buffer.from([1, ...Array(63).fill(0)]).toString('base64url');
  const small = { ...first, signature: { ...first.signature, key: neutral.toString('base64url'), value: anything } };
  expect((await read(small)).holds).toBe(false);
});

test('as a page it needs nothing but itself, holds its own data, and shows pictures only where the owner lets it', async () => {
  const page = async () => (await fetch(`${ours.base}/api/jobs/teal-hatchback/passport.html`)).text();
  const html = await page();
  expect(html).not.toMatch(/(src|href)="(?!data:)/);
  expect(html).not.toMatch(/https?:\/\/(?!www\.w3\.org)/);
  const data = /<script type="application\/json" id="passport">(.*?)<\/script>/s.exec(html)![1]!;
  const read = await theirs.call<PassportRead>('POST', '/api/passports/read', JSON.parse(data));
  expect(read.body.holds).toBe(true);
  // Cut open: panels with the same on them once, every panel of the passport in one of them.
  const cut = /<h2>Cut open<\/h2>(.*?)<h2>/s.exec(html)![1]!;
  const { panels } = JSON.parse(data).passport;
  const stacks = new Set(panels.map(({ layers, found }: Record<string, unknown>) => JSON.stringify([layers, found])));
  expect(cut.match(/<svg/g)!.length).toBeLessThanOrEqual(stacks.size);
  for (const { name } of panels) expect(cut).toContain(name);
  const pdf = await fetch(`${ours.base}/api/jobs/slate-estate/passport.pdf`);
  expect([
    pdf.headers.get('content-type'),
    Buffer.from(await pdf.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ]).toEqual(['application/pdf', '%PDF-']);
});

test('what is out is due for its first wash, its look and its renewal, as a list, a calendar and a table', async () => {
  const { body } = await ours.call<{ rows: CareDue[]; found: number }>('GET', '/api/care');
  expect(body.rows.length).toBe(body.found);
  const estate = body.rows.find(({ jobId }) => jobId === 'slate-estate')!;
  expect(estate.due.map(({ what }) => what)).toEqual(expect.arrayContaining(['first-wash', 'look', 'renew']));
  // The same day as on its passport: by the weather it goes out into.
  const { passport } = await passportOf('slate-estate');
  const wash = passport.care.find(({ says }) => says.startsWith('The first wash'))!;
  expect(Date.parse(wash.at!)).toBe(Date.parse(estate.due.find(({ what }) => what === 'first-wash')!.at));
  // An item that came back is its last visit's matter.
  expect(body.rows.map(({ jobId }) => jobId)).not.toContain('teal-hatchback-sealant');
  const ics = await (await fetch(`${ours.base}/api/care.ics`)).text();
  expect(ics.match(/BEGIN:VEVENT/g)).toHaveLength(body.rows.flatMap(({ due }) => due).length);
  const csv = await (await fetch(`${ours.base}/api/care.csv`)).text();
  expect(csv).toContain('Tove Lindgren,Slate estate,');
  expect((await ours.call('GET', '/api/care?from=x')).status).toBe(400);
});

test('any one value of it changed, wherever it stands, breaks the signature', async () => {
  const file = await passportOf('two-door-classic');
  const text = JSON.stringify(file.passport);
  const leaves: (readonly (string | number)[])[] = [];
  const walk = (value: unknown, path: readonly (string | number)[]): void => {
    if (Array.isArray(value)) value.forEach((each, nth) => walk(each, [...path, nth]));
    else if (typeof value === 'object' && value !== null)
      for (const [key, each] of Object.entries(value)) walk(each, [...path, key]);
    else leaves.push(path);
  };
  walk(file.passport, []);
  expect(leaves.length).toBeGreaterThan(500);
  const isWhole = (passport: unknown) => ours.services.passports.read(file, passport).holds;
  expect(isWhole(JSON.parse(text))).toBe(true);
  // Every so many of them, so that no part of it goes untried.
  for (let nth = 0; nth < leaves.length; nth += 41) {
    const bent: unknown = JSON.parse(text);
    const path = leaves[nth]!;
    let at = bent as Record<string | number, unknown>;
    for (const key of path.slice(0, -1)) at = at[key] as typeof at;
    const last = path.at(-1)!;
    const before = at[last];
    at[last] = typeof before === 'number' ? before + 1 : typeof before === 'string' ? `${before} ` : !before;
    expect([path.join('.'), isWhole(bent)]).toEqual([path.join('.'), false]);
  }
});
