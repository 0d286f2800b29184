/** Without the network: the application opens, the day's jobs are on the device, and what is done goes in when it is back. */
import type { Page } from '@playwright/test';
import { expect, NOW, test } from './workshop';

test.use({ serviceWorkers: 'allow' });

/** Whether everything of a job was answered once, so that the device has it. */
const isKept = (page: Page, ...paths: readonly string[]) =>
  page.evaluate(async (wanted) => {
    const cache = await caches.open('glaphyra.answers');
    const kept = new Set((await cache.keys()).map(({ url }) => new URL(url).pathname));
    return wanted.every((path) => kept.has(path));
  }, paths);

test('a tablet that never opened the job runs it for hours without the server, and all of it arrives once, in order', async ({
  page,
  context,
  workshop,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  // Installed by the first visit; in charge from then on.
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await page.reload();
  const job = '/api/jobs/teal-hatchback';
  await expect
    .poll(
      async () => {
        await page.clock.fastForward('00:05');
        return isKept(page, job, `${job}/log`, `${job}/ticks`, `${job}/stock`, `${job}/photos`, '/api/yard/forecast');
      },
      { timeout: 60_000 },
    )
    .toBe(true);
  const photos = (await (await page.request.get(`${job}/photos`)).json()) as { id: string }[];
  await expect.poll(() => isKept(page, ...photos.map(({ id }) => `/api/photos/${id}/picture.jpg`))).toBe(true);
  // What is the owner's alone is not left on it.
  await page.goto('/workshop/record');
  await expect(page.getByRole('row').nth(3)).toBeVisible();
  expect(await isKept(page, '/api/audit')).toBe(false);
  const logged = async () =>
    (await (await page.request.get(`${workshop.address}${job}/log`)).json()) as {
      id: string;
      entry: { type: string };
    }[];
  const before = (await logged()).length;
  await page.close();

  await workshop.kill();
  const bay = await context.newPage();
  await bay.clock.install({ time: new Date(NOW) });
  await bay.goto(`${workshop.address}/jobs/teal-hatchback/run`);
  await expect(bay.getByText('Without the server.')).toBeVisible();
  await bay.getByRole('button', { name: 'Start levelling' }).click();
  await bay.clock.fastForward('00:50');
  await bay.getByRole('button', { name: 'Level, done' }).click();
  await expect(bay.getByRole('alert')).toContainText('2 taps wait on this device');
  // The device is switched off and on: what was tapped still counts.
  await bay.reload();
  await bay.getByRole('button', { name: 'Start laying' }).click();
  await bay.clock.fastForward('02:00:00');
  await bay.getByRole('button', { name: 'Laid', exact: true }).click();
  // Ticks and notes go the same way.
  await bay.goto(`${workshop.address}/jobs/teal-hatchback/quantify?view=list`);
  const tick = bay.getByRole('checkbox', { checked: false }).first();
  await tick.check();
  await expect(bay.getByRole('status').filter({ hasText: /^1 of/ })).toBeVisible();
  await expect(bay.getByRole('alert')).toContainText('5 taps wait on this device');

  workshop.now = '2027-03-02T12:50:00+01:00';
  await workshop.start();
  await expect(async () => {
    await bay.clock.fastForward('00:02');
    expect((await logged()).slice(before).map(({ entry }) => entry.type)).toEqual([
      'level-start',
      'level-end',
      'lay-start',
      'lay-end',
    ]);
  }).toPass();
  await expect(bay.getByText('Without the server.')).toBeHidden();
  await expect(bay.getByRole('alert')).toBeHidden();
  await expect
    .poll(async () => ((await (await bay.request.get(`${workshop.address}${job}/ticks`)).json()) as unknown[]).length)
    .toBe(1);
});
