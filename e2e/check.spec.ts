import { expect, goOn, recordOf, test } from './workshop';

test('checked by hand light: walked panel by panel, a fault found by two taps, mended while it is wet, and looked at again', async ({
  page,
  workshop,
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
  const noted = (await recordOf(page, 'teal-hatchback')).filter((entry) => entry.type === 'fault').at(-1)!;
  expect(noted.at![0]).toBeCloseTo(1 / 3, 1);
  expect(noted.patch.surface).toBe('front-door-left');

  // Late, it is too late for that: polished at a price in clear, while the record says what was done.
  await workshop.kill();
  workshop.now = '2027-03-02T12:45:00+01:00';
  await workshop.start();
  await page.clock.fastForward('02:03:00');
  await page.reload();
  const now = (await panel.boundingBox())!;
  await page.mouse.click(now.x + now.width / 3, now.y + now.height / 2);
  await page.getByRole('region', { name: 'A fault' }).getByRole('button', { name: 'High spot' }).click();
  await expect(found).toHaveCount(2);
  const late = found.first();
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

test('a missed patch is found by its wet picture: matched point by point, touched, mended, and the item kept dry again', async ({
  page,
}) => {
  // Nothing gets wet before it may.
  await page.goto('/jobs/teal-hatchback/check');
  await page.getByRole('radio', { name: 'Water' }).click();
  await expect(page.getByRole('region', { name: 'Keep it dry' })).toContainText(/Not a drop before tomorrow/);
  await expect(page.getByRole('button', { name: 'Take a wet picture' })).toHaveCount(0);

  await goOn(page, '/jobs/slate-estate/check');
  await page.getByRole('radio', { name: 'Water' }).click();
  await page.getByRole('button', { name: 'Match anew' }).click();
  const picture = page.getByRole('img', { name: /^Wet picture/ });
  const at = async (x: number, y: number) => {
    await picture.scrollIntoViewIfNeeded();
    const box = (await picture.boundingBox())!;
    await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
  };
  const bonnet = (await page.locator('[data-panel="bonnet"] path').first().boundingBox())!;
  const onNet = (x: number, y: number) => page.mouse.click(bonnet.x + x * bonnet.width, bonnet.y + y * bonnet.height);
  // As it was drawn: where places of the panel are seen in the picture.
  const seen = (x: number, y: number) => [(210 + 1120 * x + 70 * y) / 1600, (150 + 850 * y - 46 * x) / 1200] as const;
  let matched = 0;
  for (const [x, y] of [
    [0.1, 0.15],
    [0.9, 0.15],
    [0.85, 0.9],
  ] as const) {
    await at(...seen(x, y));
    await expect(page.getByText('Now touch the same point on the net.')).toBeVisible();
    await onNet(x, y);
    await expect(page.getByText('Now touch the same point on the net.')).toHaveCount(0);
    matched += 1;
    // Two lay it over the net; more are asked for.
    if (matched === 2) await page.getByRole('button', { name: 'One more point' }).click();
  }
  await expect(page.getByText(/Held by 3 points, off by \d+ mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Mark dry patches' }).click();

  await at(...seen(0.66, 0.56));
  await page.getByRole('region', { name: 'A fault' }).getByRole('button', { name: 'Missed patch' }).click();
  const found = page.getByRole('listitem', { name: /^Missed patch, Bonnet/ });
  await expect(found).toContainText('Keep it dry for');
  const noted = async () => (await recordOf(page, 'slate-estate')).filter((entry) => entry.type === 'fault').at(-1);
  await expect.poll(async () => (await noted())?.fault).toBe('missed-patch');
  const fault = (await noted())!;
  expect(fault.patch.surface).toBe('bonnet');
  expect(fault.at![0]).toBeCloseTo(0.66, 1);
  expect(fault.at![1]).toBeCloseTo(0.56, 1);

  await found.getByRole('button', { name: 'Laid again' }).click();
  await expect(page.getByRole('region', { name: 'Keep it dry' })).toContainText(/Not a drop before today/);
});

test('a drop from its side is measured by three touches and told from a panel left bare', async ({ page }) => {
  await page.goto('/jobs/slate-estate/check?panel=front-door-right');
  await page.getByRole('radio', { name: 'Water' }).click();
  const drop = await (await page.request.get('/api/photos/estate-drop/picture.jpg')).body();
  await page
    .locator('input[data-takes="Take a drop from its side"]')
    .setInputFiles({ name: 'drop.jpg', mimeType: 'image/jpeg', buffer: drop });
  const picture = page.getByRole('img', { name: 'A drop from its side' });
  // Its feet stand 460 apart on a base line at 620; its top is a base's half times the tangent of half of 103 degrees higher.
  const top = 620 - 230 * Math.tan((103 * Math.PI) / 360);
  for (const [x, y] of [
    [370, 620],
    [830, 620],
    [600, top],
  ] as const) {
    await picture.scrollIntoViewIfNeeded();
    const box = (await picture.boundingBox())!;
    await page.mouse.click(box.x + (x / 1200) * box.width, box.y + (y / 900) * box.height);
  }
  await expect(page.locator('strong').filter({ hasText: /^10[2-4]° ± \d°/ })).toBeVisible();
  await page.getByRole('button', { name: 'Note it' }).click();
  const read = page
    .getByRole('list', { name: 'Drops read' })
    .getByRole('listitem')
    .filter({ hasText: 'Front door, right' });
  await expect(read).toContainText(/10[2-4]°/);
  await expect(read).toContainText('stands clearly above bare');
});

test('the work is proved: gauge and gloss meter before and after, and the after taken from where the before was', async ({
  page,
}) => {
  await page.goto('/jobs/slate-estate/check?panel=tailgate');
  await page.getByRole('button', { name: 'Gauge' }).click();
  const table = page.getByRole('table', { name: 'Measured before and after' });
  await expect(table.getByRole('row', { name: /^Tailgate, thickness \(simulated\)/ })).toContainText(/\d+ µm/);
  const typed = page.getByLabel('or gloss at 60°, typed');
  await typed.fill('400');
  await typed.press('Enter');
  await expect(page.getByText('a surface reads 0 to 120 GU')).toBeVisible();
  await typed.fill('93,4');
  await typed.press('Enter');
  await expect(table.getByRole('row', { name: /^Tailgate, gloss/ })).toContainText('93.4 GU');

  await goOn(page, '/jobs/teal-hatchback/survey?lens=condition&panel=front-door-left');
  await page.getByRole('button', { name: /^Before: / }).click();
  await page.getByRole('button', { name: 'From the same place' }).click();
  const finder = page.getByRole('dialog', { name: 'From the same place' });
  await expect(finder.getByRole('img', { name: /showing through/ })).toBeVisible();
  await expect
    .poll(() => finder.locator('video').evaluate((video) => (video as HTMLVideoElement).videoWidth))
    .toBeGreaterThan(0);
  const afters = async () =>
    (await (await page.request.get('/api/jobs/teal-hatchback/photos')).json()).filter(
      ({ pairOf }: { pairOf: string | null }) => pairOf === 'door-before',
    ).length;
  const before = await afters();
  await finder.getByRole('button', { name: 'Take it' }).click();
  await expect.poll(afters).toBe(before + 1);
});
