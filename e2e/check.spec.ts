import { expect, test } from './workshop';

test('checked by hand light: walked panel by panel, a fault found by two taps, mended while it is wet, and looked at again', async ({
  page,
}) => {
  await page.goto('/jobs/teal-hatchback/check');
  const look = page.getByRole('region', { name: 'Look at' });
  const light = page.getByRole('radio', { name: /^Hand light/ });
  const seen = async () => Number(/Hand light (\d+)/.exec(await light.innerText())![1]);
  const first = await look.getByRole('heading').innerText();
  await look.getByRole('button', { name: 'Nothing found' }).click();
  await expect.poll(seen).toBe(1);
  await expect(look.getByRole('heading')).not.toHaveText(first);

  // A fault where it lies: the place, then what it is.
  const panel = page.locator('[data-panel="front-door-left"] path').first();
  const box = (await panel.boundingBox())!;
  await page.mouse.click(box.x + box.width / 3, box.y + box.height / 2);
  await page.getByRole('region', { name: 'A fault' }).getByRole('button', { name: 'High spot' }).click();
  await expect(page.getByRole('link', { name: /^Check/ })).toContainText('1 fault open');
  const found = page.getByRole('listitem', { name: /^High spot, Front door, left/ });
  await expect(found.getByRole('timer')).toContainText(/within \d+ min, until \d+:\d\d/);
  await found.getByRole('button', { name: 'Re-wetted' }).click();
  await expect(found).toContainText('re-wetted at 10:4');
  await expect(page.getByRole('link', { name: /^Check/ })).toContainText('all found is mended');

  // The mended place is on the list again, and is looked at before its panel counts.
  await page
    .getByRole('option', { name: /^Front door/ })
    .last()
    .click();
  await page.getByRole('region', { name: 'A fault' }).getByRole('button', { name: 'Nothing there' }).click();
  while (!(await look.innerText()).includes('Front door, left')) {
    const before = await seen();
    await look.getByRole('button', { name: 'Nothing found' }).click();
    await expect.poll(seen).toBe(before + 1);
  }
  await expect(look).toContainText('Mended: look again');
  const log = await (await page.request.get('/api/jobs/teal-hatchback/log')).json();
  const [fault] = log.filter(({ entry }: { entry: { type: string } }) => entry.type === 'fault').slice(-1);
  expect(fault.entry.at[0]).toBeCloseTo(1 / 3, 1);
  expect(fault.entry.patch.surface).toBe('front-door-left');

  // Late, it is too late for that: polished at a price in clear, while the record says what was done.
  await page.clock.fastForward('02:00:00');
  await page.mouse.click(box.x + box.width / 3, box.y + box.height / 2);
  await page.getByRole('region', { name: 'A fault' }).getByRole('button', { name: 'High spot' }).click();
  const late = page.getByRole('listitem', { name: /^High spot, Front door, left/ }).first();
  await expect(late.getByRole('button', { name: 'Polished, laid again' })).toBeVisible();
  await expect(late).toContainText(/up to [\d.]+ µm of clear/);
});

test('before it goes: what was forgotten on one side is told, left out with its reason, and the list is closed', async ({
  page,
}) => {
  // A coat more is wanted on both doors, and only one of them has it.
  const { version, document, bayId, airSource } = await (await page.request.get('/api/jobs/two-door-classic')).json();
  const door = document.surfaces.find(({ id }: { id: string }) => id === 'door-left');
  door.layers[0].coats += 1;
  const answer = await page.request.put('/api/jobs/two-door-classic', {
    headers: { 'if-match': `"${version}"` },
    data: { document, bayId, airSource },
  });
  expect(answer.status()).toBe(200);
  await page.goto('/jobs/two-door-classic/check');
  const lacking = page.getByRole('note');
  await expect(lacking).toContainText('Door, left: 2 coats are refused. Door, right is done');
  await lacking.getByRole('button', { name: 'Leave it out' }).click();
  await page.getByRole('button', { name: 'No product for it left' }).click();
  await expect(page.getByText('Door, left is left out: no product for it left')).toBeVisible();
  await expect(lacking).toBeHidden();

  const lines = page.getByRole('list', { name: 'Closing list' }).getByRole('button');
  for (const line of await lines.all()) {
    await line.click();
    await expect(line).toHaveAttribute('aria-pressed', 'true');
  }
  await page.reload();
  await expect(lines.first()).toHaveAttribute('aria-pressed', 'true');
  // Nobody has looked at it yet: closed, and not done.
  const done = page.getByText('Done: every panel');
  await expect(done).toBeHidden();
  for (const light of ['Hand light', 'Overhead', 'Daylight']) {
    await page.getByRole('radio', { name: new RegExp(`^${light}`) }).click();
    const nothing = page.getByRole('button', { name: 'Nothing found' });
    await expect(nothing).toBeVisible();
    const heading = page.getByRole('region', { name: 'Look at' }).getByRole('heading');
    for (let at = await heading.innerText(); await nothing.isVisible(); at = await heading.innerText()) {
      await nothing.click();
      await expect(heading).not.toHaveText(at);
    }
  }
  await expect(done).toBeVisible();
});
