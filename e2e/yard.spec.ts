import { readFile } from 'node:fs/promises';
import type { Page, Route } from '@playwright/test';
import { expect, goOn, recordOf, saved, test } from './workshop';

test('the yard opens on what is in the bays, and leads to the one thing to do', async ({ page }) => {
  await page.goto('/');
  const inBays = page.getByRole('region', { name: 'In the bays' });
  await expect(inBays.getByRole('link')).toHaveCount(2);
  await expect(page.getByRole('region', { name: 'Curing and due, next two days' })).toContainText('may get wet');
  await inBays.getByRole('link', { name: /Teal hatchback/ }).click();
  await expect(page.getByRole('region', { name: 'In hand' }).getByRole('heading')).toHaveText('Rear door, right');
  await expect(page.getByText('opens in')).toBeVisible();
  await page.clock.fastForward('01:00');
  await expect(page.getByText(/open,/)).toBeVisible();
});

test('taps are logged before the screen says so, can be undone, and outlive a reload', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/run');
  const answered = page.waitForResponse(
    (response) => response.url().endsWith('/log') && response.request().method() === 'POST',
  );
  await page.getByRole('button', { name: 'Start levelling' }).click();
  expect((await answered).status()).toBe(201);
  await expect(page.getByRole('button', { name: 'Level, done' })).toBeEnabled();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Level, done' })).toBeEnabled();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Start levelling' })).toBeEnabled();
  await page.getByRole('button', { name: 'Cue seen' }).click();
  await expect(page.getByText(/sooner than planned|later than planned|as planned/)).toBeVisible();
  // A finger that bounces ends this patch, and begins no other.
  await page.getByRole('button', { name: 'Start levelling' }).click();
  await expect(page.getByRole('button', { name: 'Level, done' })).toBeEnabled();
  const types = async () => (await recordOf(page, 'teal-hatchback')).map(({ type }) => type);
  const before = await types();
  await page.getByRole('button', { name: 'Level, done' }).evaluate(async (button: HTMLElement) => {
    const { x, y, width, height } = button.getBoundingClientRect();
    button.click();
    await new Promise((resolve) => setTimeout(resolve, 60));
    document
      .elementFromPoint(x + width / 2, y + height / 2)
      ?.closest('button')
      ?.click();
  });
  await expect(page.getByRole('button', { name: 'Start laying' })).toBeEnabled();
  await expect.poll(types).toEqual([...before, 'level-end']);
});

test('a fault is noted on its patch with the remedy for its age', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/run');
  await page.getByRole('button', { name: 'Fault' }).click();
  await page.getByRole('button', { name: 'High spot' }).click();
  await expect(page.getByRole('dialog')).toContainText('wipe at once. It can be re-wetted until');
  await page.getByRole('button', { name: 'Back to work' }).click();
  await goOn(page, '/jobs/teal-hatchback/care?panel=rear-door-right');
  await expect(page.getByText('Noted while laying: high spot.')).toBeVisible();
});

test('the server killed under the bay: one goes on tap by tap, in two tabs alike; one closed, the other sends all of it in order', async ({
  page,
  context,
  workshop,
}) => {
  await page.goto('/jobs/teal-hatchback/run');
  await expect(page.getByRole('button', { name: 'Start levelling' })).toBeVisible();
  const other = await context.newPage();
  await other.clock.install({ time: new Date('2027-03-02T10:40:00+01:00') });
  await other.goto(`${workshop.address}/jobs/teal-hatchback/run`);
  await expect(other.getByRole('button', { name: 'Start levelling' })).toBeVisible();
  const logged = async (): Promise<{ id: string; entry: { type: string } }[]> =>
    (await other.request.get(`${workshop.address}/api/jobs/teal-hatchback/log`)).json();
  const before = (await logged()).length;
  await workshop.kill();
  await page.getByRole('button', { name: 'Start levelling' }).click();
  await expect(page.getByRole('alert')).toContainText('1 tap waits on this device');
  // Nothing is held up: the next thing to do stands there, here and in the other tab.
  await page.clock.fastForward('00:50');
  await page.getByRole('button', { name: 'Level, done' }).click();
  await page.getByRole('button', { name: 'Start laying' }).click();
  await expect(page.getByRole('alert')).toContainText('3 taps wait on this device');
  await expect(other.getByRole('button', { name: 'Laid', exact: true })).toBeEnabled();
  await page.close();
  await workshop.start();
  await expect(async () => {
    await other.clock.fastForward('00:02');
    expect((await logged()).slice(before).map(({ entry }) => entry.type)).toEqual([
      'level-start',
      'level-end',
      'lay-start',
    ]);
  }).toPass();
  await expect(other.getByRole('alert')).toBeHidden();
  expect(new Set((await logged()).map(({ id }) => id)).size).toBe(before + 3);
});

test('a tap another tablet was quicker with stands aside with what stands instead; nothing after it is lost', async ({
  page,
  workshop,
}) => {
  await page.goto('/jobs/teal-hatchback/run');
  await expect(page.getByRole('button', { name: 'Start levelling' })).toBeVisible();
  await page.route('**/api/jobs/*/log', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await page.getByRole('button', { name: 'Start levelling' }).click();
  await expect(page.getByRole('alert')).toContainText('1 tap waits');
  const log = `${workshop.address}/api/jobs/teal-hatchback/log`;
  const entries = (await (await page.request.get(log)).json()) as { entry: { type: string; patch?: object } }[];
  const patch = entries.findLast(({ entry }) => entry.type === 'lay-end')!.entry.patch;
  const theirs = { id: 'theirs', at: '2027-03-02T10:40:00+01:00', entry: { type: 'level-start', patch } };
  expect((await page.request.post(log, { data: theirs })).status()).toBe(201);
  await page.getByRole('button', { name: 'Level, done' }).click();
  await page.unroute('**/api/jobs/*/log');
  await page.clock.fastForward('00:05');
  const said = page.getByRole('alert').filter({ hasText: 'did not fit what stands in the record' });
  await expect(said).toContainText('1 tap');
  await expect(page.getByRole('button', { name: 'Start laying' })).toBeVisible();
  await page.reload();
  await said.getByRole('button', { name: 'Look at it' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Began to level Rear door, right');
  await expect(dialog).toContainText('this patch is being levelled');
  await dialog.getByRole('button', { name: 'Let it go' }).click();
  await expect(said).toBeHidden();
  await expect
    .poll(async () => (await recordOf(page, 'teal-hatchback')).slice(entries.length).map(({ type }) => type))
    .toEqual(['level-start', 'level-end']);
});

test('a second tablet sees what the first has done, and the same tap counts once', async ({ page, context }) => {
  await page.goto('/jobs/teal-hatchback/run');
  const other = await context.newPage();
  await other.clock.install({ time: new Date('2027-03-02T10:40:00+01:00') });
  await other.goto('/jobs/teal-hatchback/run');
  await page.getByRole('button', { name: 'Start levelling' }).click();
  await expect(other.getByRole('button', { name: 'Level, done' })).toBeEnabled();
});

test('the chosen panel stays chosen from station to station, by keyboard too', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/survey');
  await page.getByRole('listbox', { name: /The item unfolded/ }).focus();
  await page.keyboard.press('Home');
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowRight');
  const chosen = page.locator('[role=option][aria-selected=true]');
  await expect(chosen).toHaveAttribute('data-panel', 'cowl');
  for (const station of ['Layer', 'Quantify', 'Time', 'Care & removal']) {
    await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
    await expect(chosen).toHaveAttribute('data-panel', 'cowl');
  }
});

test('every no names a way out, and taking it makes the stack allowed', async ({ page }) => {
  await page.goto('/jobs/taped-shuttle/layer?panel=roof');
  const stack = page.getByRole('list', { name: 'The stack, from the top down' });
  await page.getByRole('button', { name: 'Add a layer on top' }).click();
  await page.getByRole('button', { name: /^Ledger Top/ }).click();
  await expect(stack).toContainText('Ledger Top does not bond to the bare surface');
  await page.getByRole('button', { name: 'Put Ledger Base beneath it' }).click();
  await expect(stack.getByText('Refused')).toHaveCount(0);
  await page.getByRole('button', { name: /Same on all 2 panels/ }).click();
  await expect(page.getByRole('link', { name: /^Layer/ })).toContainText('5 stay bare');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Layer/ })).toContainText('6 stay bare');
  await saved(page);
});

test('what another device changed meanwhile is told, and neither is lost', async ({ page, browser, workshop }) => {
  await page.goto('/jobs/taped-shuttle/survey?panel=roof');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Roof');
  await page.route('**/api/jobs/taped-shuttle', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Name', { exact: true }).fill('Mine');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toHaveText('Server offline: stored here');
  const elsewhere = await browser.newContext();
  const other = await elsewhere.newPage();
  await other.goto(`${workshop.address}/jobs/taped-shuttle/survey?panel=roof`);
  await other.getByLabel('Note').fill('Theirs');
  await other.getByLabel('Note').blur();
  await saved(other);
  await page.unroute('**/api/jobs/taped-shuttle');
  await page.clock.fastForward('00:10');
  // The name here, the note there: put together.
  await saved(page);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Mine');
  await expect(page.getByLabel('Note')).toHaveValue('Theirs');
  await page.route('**/api/jobs/taped-shuttle', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Note').fill('Here');
  await page.getByLabel('Note').blur();
  await expect(page.getByRole('status')).toHaveText('Server offline: stored here');
  await other.getByLabel('Note').fill('There');
  await other.getByLabel('Note').blur();
  await saved(other);
  await page.unroute('**/api/jobs/taped-shuttle');
  await page.clock.fastForward('00:10');
  const dialog = page.getByRole('dialog');
  const fact = dialog.getByRole('group', { name: 'document.surfaces[roof].note' });
  await expect(fact).toContainText('Here');
  await fact.getByRole('button', { name: /There/ }).first().click();
  await dialog.getByRole('button', { name: 'Put it together like this' }).click();
  await saved(page);
  await expect(page.getByLabel('Note')).toHaveValue('There');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Note')).toHaveValue('Here');
  await elsewhere.close();
});

test('two tabs without a server: both closed, and the next page has and saves what either had', async ({
  page,
  context,
  workshop,
}) => {
  // No write of any tab of this device reaches the server.
  const noWrites = (route: Route) => (route.request().method() === 'PUT' ? route.abort() : route.continue());
  await context.route('**/api/jobs/*', noWrites);
  const named = (tab: Page, job: string, panel: string) =>
    tab.goto(`${workshop.address}/jobs/${job}/survey?panel=${panel}`);
  await named(page, 'taped-shuttle', 'roof');
  await page.getByLabel('Name', { exact: true }).fill('Roof, first tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toHaveText('Server offline: stored here');
  const [same, different] = [await context.newPage(), await context.newPage()];
  await named(same, 'taped-shuttle', 'roof');
  await expect(same.getByLabel('Name', { exact: true })).toHaveValue('Roof, first tab');
  await same.getByLabel('Note').fill('Second tab');
  await same.getByLabel('Note').blur();
  await named(different, 'taped-tourer', 'tank');
  await different.getByLabel('Note').fill('Third tab');
  await different.getByLabel('Note').blur();
  for (const tab of [same, different]) await expect(tab.getByRole('status')).toHaveText('Server offline: stored here');
  // The first tab has what the second entered, without being asked.
  await expect(page.getByLabel('Note')).toHaveValue('Second tab');
  for (const tab of [same, different, page]) await tab.close();
  await context.unroute('**/api/jobs/*', noWrites);
  const next = await context.newPage();
  await named(next, 'taped-shuttle', 'roof');
  await saved(next);
  await expect(next.getByLabel('Name', { exact: true })).toHaveValue('Roof, first tab');
  await expect(next.getByLabel('Note')).toHaveValue('Second tab');
  const stored = async (job: string, panel: string) => {
    const { document } = (await (await next.request.get(`${workshop.address}/api/jobs/${job}`)).json()) as {
      document: { surfaces: { id: string; name?: string; note?: string }[] };
    };
    return document.surfaces.find(({ id }) => id === panel)!;
  };
  expect(await stored('taped-shuttle', 'roof')).toMatchObject({ name: 'Roof, first tab', note: 'Second tab' });
  await expect.poll(async () => (await stored('taped-tourer', 'tank')).note).toBe('Third tab');
});

test('a job goes out as a file and comes back the same; a bad file comes back as its faults', async ({ page }) => {
  await page.goto('/jobs/taped-tourer/survey');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export this job as a file' }).click();
  const file = await (await download).path();
  const text = await readFile(file, 'utf8');
  await page.goto('/');
  await page.getByRole('button', { name: 'Import a job file' }).click();
  const bad = text.replace('"clear-matte"', '"clear-mat"').replace('"count":2', '"count":-2');
  await page
    .getByLabel('File', { exact: true })
    .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from(bad) });
  await expect(page.getByRole('alert')).toContainText('surfaces[0].substrate');
  await expect(page.getByRole('alert')).toContainText('surfaces[1].count expected a whole number of at least 1');
  await page
    .getByLabel('File', { exact: true })
    .setInputFiles({ name: 'good.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Taped tourer');
  const id = /jobs\/([^/]+)\//.exec(page.url())![1]!;
  const again = await page.request.get(`/api/jobs/${id}/file`);
  expect(await again.json()).toEqual(JSON.parse(text));
});

test('a slip of unit is caught where it is typed', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Job', { exact: true }).fill('Slip');
  await page.getByLabel('Length, mm').fill('388');
  await page.getByLabel('Height, mm').fill('1,45');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByText('if that was in centimetres, it is 3880 mm')).toBeVisible();
  await expect(page.getByText('if that was in metres, it is 1450 mm')).toBeVisible();
});

test('each template begins from its own usual size, and becomes the surfaces of the job', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Job', { exact: true }).fill('Grey estate');
  await page.getByLabel('Measured from').selectOption({ label: 'Estate, five doors' });
  await expect(page.getByLabel('Wheelbase, mm')).toHaveValue('2740');
  await expect(page.getByRole('option', { name: 'Quarter glass, left' })).toBeVisible();
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('link', { name: /^Survey/ })).toContainText('surfaces');
  await page.getByRole('option', { name: /^Quarter glass, left/ }).click();
  await expect(page.getByLabel('Made of')).toHaveValue('glass');
});

test('a cold night and a late owner are said today', async ({ page }) => {
  await page.goto('/jobs/taped-tourer/time');
  await expect(page.getByText(/^✕ .* too late$/)).toBeVisible();
  await page.getByText('How Bay 2, by the door runs through a day').click();
  await page.getByLabel('Falls at night to').fill('18');
  await page.getByLabel('Falls at night to').press('Enter');
  await expect(page.getByText(/^✓ .* before it is needed$/)).toBeVisible();
  await expect(page.getByText(/Simulated instrument in Bay 2/)).toBeVisible();
  const before = await page.getByLabel('Air', { exact: true }).inputValue();
  await page.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByLabel('Air', { exact: true })).not.toHaveValue(before);
  await saved(page);
});

test('a panel too large for one go says what would make it fit, and that does', async ({ page }) => {
  await page.goto('/jobs/taped-shuttle/survey?panel=roof');
  await page.getByLabel('Side a').fill('3200');
  await page.getByLabel('Side a').press('Enter');
  await page.getByLabel('In one piece, without seams').check();
  await page.getByRole('link', { name: /^Layer/ }).click();
  await page.getByRole('button', { name: 'Add a layer on top' }).click();
  await page.getByRole('button', { name: /^Ledger Base/ }).click();
  await page.getByRole('link', { name: /^Time/ }).click();
  await expect(page.getByText(/Too large for one go: 4\.94 m²/)).toBeVisible();
  await expect(page.getByText(/A second person following: up to/)).toBeVisible();
  await page.getByRole('button', { name: 'Whole item' }).click();
  await page.getByLabel('Crew').selectOption('pair');
  await page.getByRole('option', { name: /Roof/ }).click();
  await expect(page.getByRole('option', { name: 'Roof, one go' })).toBeVisible();
  await expect(page.getByText(/Too large for one go/)).toBeHidden();
});

test('a job nothing was done at can be taken away, one with a record cannot', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/survey');
  await expect(page.getByRole('button', { name: 'Take this job away' })).toBeDisabled();
  await page.goto('/jobs/taped-shuttle/survey');
  await page.getByRole('button', { name: 'Take this job away' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Today');
  await expect(page.getByText('Refinished classic')).toBeVisible();
  await expect(page.getByRole('link', { name: /Taped shuttle/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Taped shuttle/ })).toBeVisible();
});
