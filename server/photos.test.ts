import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import type { Problem } from '#formats/api';
import type { Photo } from '#formats/job';
import tapedTourer from '../e2e/jobs/taped-tourer.json';
import { draftOf, type RunningServer, startServer } from './testing/client';

// Generous: the machine may be busy with a browser.

let now = '2027-03-02T10:40:00+01:00';
const tourer = { draft: draftOf(tapedTourer) };

let server: RunningServer;
beforeEach(async () => {
  now = '2027-03-02T10:40:00+01:00';
  server = await startServer(() => new Date(now));
  await server.call('PUT', '/api/jobs/tourer', { ...tourer.draft, bayId: null }, 0);
});
afterEach(() => server.stop());

/** A picture, one half dark and one half light, so that a turn shows. */
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#204060' } }).composite([
    { input: { create: { width: width >> 1, height, channels: 3, background: '#f0e0a0' } }, left: 0, top: 0 },
  ]);

async function send(id: string, file: Buffer, query = ''): Promise<{ status: number; body: Photo & Problem }> {
  const response = await fetch(`${server.base}/api/jobs/tourer/photos/${encodeURIComponent(id)}?${query}`, {
    method: 'PUT',
    body: new Uint8Array(file),
  });
  return { status: response.status, body: (await response.json()) as Photo & Problem };
}

test('a picture is kept upright, within bounds, without what the camera wrote into it, and with a thumbnail', async () => {
  const sideways = await picture(4000, 3000)
    .withExif({ IFD0: { Copyright: 'somebody' }, IFD3: { GPSLatitude: '51/1 0/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
  const { status, body } = await send('one', sideways, 'surface=tank&role=before');
  expect(status).toBe(200);
  expect(body).toMatchObject({ jobId: 'tourer', surface: 'tank', role: 'before', widthPx: 1920, heightPx: 2560 });

  const full = await fetch(`${server.base}/api/photos/one/picture.jpg`);
  expect(full.headers.get('content-type')).toContain('image/jpeg');
  const kept = sharp(Buffer.from(await full.arrayBuffer()));
  const { width, height, orientation, exif } = await kept.metadata();
  expect({ width, height, orientation, exif }).toEqual({
    width: 1920,
    height: 2560,
    orientation: undefined,
    exif: undefined,
  });
  // What was left is on top once it is turned upright.
  const corner = await kept.extract({ left: 900, top: 100, width: 8, height: 8 }).png().toBuffer();
  const { channels } = await sharp(corner).stats();
  expect(channels[0]!.mean).toBeGreaterThan(200);

  const thumb = await fetch(`${server.base}/api/photos/one/thumb.jpg`);
  expect((await sharp(Buffer.from(await thumb.arrayBuffer())).metadata()).height).toBe(360);
});

test('sent twice it is kept once, said otherwise of, and told to other windows', async () => {
  const file = await picture(200, 100).png().toBuffer();
  const heard: unknown[] = [];
  server.services.changes.listen((change) => heard.push(change));
  const first = await send('one', file);
  expect((await send('one', file)).body).toEqual(first.body);
  const { status, body } = await server.call<Photo>('PUT', '/api/photos/one', {
    role: 'half-and-half',
    tape: [0.5, 0, 0.5, 1],
  });
  expect(status).toBe(200);
  // Two things said at once by two people: neither is lost.
  const { body: both } = await server.call<Photo>('PUT', '/api/photos/one', { note: 'left of the tape: one step' });
  expect(both).toEqual({ ...body, note: 'left of the tape: one step' });
  expect((await server.call<Photo[]>('GET', '/api/jobs/tourer/photos')).body).toEqual([both]);
  expect(heard).toEqual([
    { kind: 'photos', id: 'tourer' },
    { kind: 'photos', id: 'tourer' },
    { kind: 'photos', id: 'tourer' },
  ]);
});

test('one taken away can be brought back for thirty days, and is gone with its files after', async () => {
  await send('one', await picture(200, 100).webp().toBuffer());
  const folder = server.photoFolder;
  expect((await server.call('DELETE', '/api/photos/one')).status).toBe(204);
  expect((await server.call('GET', '/api/photos/one/picture.jpg')).status).toBe(404);
  server.services.photos.tidy();
  expect((await server.call('POST', '/api/photos/one/bring-back')).status).toBe(200);
  expect((await server.call<Photo[]>('GET', '/api/jobs/tourer/photos')).body).toHaveLength(1);

  await server.call('DELETE', '/api/photos/one');
  now = '2027-04-03T10:40:00+02:00';
  server.services.photos.tidy();
  expect((await server.call('POST', '/api/photos/one/bring-back')).status).toBe(404);
  expect(readdirSync(folder)).toEqual([]);
});

test('a job taken away comes back with its pictures; tidied up after a month it is gone with them', async () => {
  await send('one', await picture(200, 100).jpeg().toBuffer());
  expect((await server.call('DELETE', '/api/jobs/tourer', undefined, 7)).status).toBe(412);
  expect((await server.call('DELETE', '/api/jobs/tourer', undefined, 1)).status).toBe(204);
  expect((await server.call('GET', '/api/jobs/tourer')).status).toBe(404);
  expect((await server.call('POST', '/api/jobs/tourer/bring-back')).status).toBe(200);
  expect((await server.call<Photo[]>('GET', '/api/jobs/tourer/photos')).body).toHaveLength(1);

  await server.call('DELETE', '/api/jobs/tourer', undefined, 1);
  now = '2027-04-03T10:40:00+02:00';
  expect(server.services.jobs.tidy()).toBe(1);
  expect(server.services.photos.setAside()).toEqual({ aside: 2, back: 0 });
  now = '2027-05-06T10:40:00+02:00';
  expect(server.services.photos.tidy()).toBe(2);
});

test('a start deletes no file: what the database does not know lies aside, and comes back with it', async () => {
  await send('one', await picture(200, 100).jpeg().toBuffer());
  const folder = server.photoFolder;
  mkdirSync(path.join(folder, 'holidays'));
  writeFileSync(path.join(folder, 'letter.txt'), 'not ours');
  const other = await startServer(() => new Date(now), folder);
  try {
    expect(other.services.photos.setAside()).toEqual({ aside: 2, back: 0 });
  } finally {
    await other.stop();
  }
  expect(readdirSync(folder).sort()).toEqual(['holidays', 'letter.txt', 'set-aside']);
  expect(readdirSync(path.join(folder, 'set-aside')).sort()).toEqual(['one.jpg', 'one.thumb.jpg']);
  expect(server.services.photos.setAside()).toEqual({ aside: 0, back: 2 });
  expect((await server.call('GET', '/api/jobs/tourer/photos')).body).toHaveLength(1);
  expect((await fetch(`${server.base}/api/photos/one/picture.jpg`)).status).toBe(200);
});

test('one picture sent three times at once is kept once', async () => {
  const file = await picture(1200, 900).jpeg().toBuffer();
  const answers = await Promise.all([send('one', file), send('one', file), send('one', file)]);
  expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
  expect((await server.call<Photo[]>('GET', '/api/jobs/tourer/photos')).body).toHaveLength(1);
});

describe('what is no picture is named, with what to do, and nothing is kept', () => {
  const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic\0\0\0\0mif1heic'), Buffer.alloc(200)]);
  test.each<[string, () => Promise<Buffer>, RegExp]>([
    ['HEIC', () => Promise.resolve(heic), /HEIC photograph: set the phone to save JPEG/],
    ['PDF', () => Promise.resolve(Buffer.from('%PDF-1.7\n%âãÏÓ')), /This is a PDF/],
    [
      'SVG',
      () => Promise.resolve(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')),
      /SVG/,
    ],
    ['GIF', () => picture(9, 9).gif().toBuffer(), /moving GIF/],
    ['text', () => Promise.resolve(Buffer.from('bonnet;120')), /no picture that can be read/],
    ['nothing', () => Promise.resolve(Buffer.alloc(0)), /empty/],
    ['half a file', async () => (await picture(900, 900).jpeg().toBuffer()).subarray(0, 2000), /damaged/],
  ])('%s', async (_, file, says) => {
    const { status, body } = await send('bad', await file());
    expect([status, body.detail]).toEqual([415, expect.stringMatching(says)]);
    expect((await server.call<Photo[]>('GET', '/api/jobs/tourer/photos')).body).toEqual([]);
  });

  test('too large, without a name, for no job', async () => {
    expect((await send('big', Buffer.alloc(26e6))).body).toMatchObject({
      status: 413,
      detail: expect.stringContaining('25 MB'),
    });
    const file = await picture(20, 20).jpeg().toBuffer();
    expect((await send('../../etc', file)).body.faults?.[0]?.path).toBe('photo');
    expect((await send('one', file, 'role=portrait')).body.faults?.[0]?.path).toBe('role');
    const elsewhere = await fetch(`${server.base}/api/jobs/none/photos/one`, {
      method: 'PUT',
      body: new Uint8Array(file),
    });
    expect(elsewhere.status).toBe(404);
  });
});
