import { expect, goOn, saved, test } from './workshop';

test('wishes are said, the frontier is found beside the interface, a choice is taken, and undone', async ({ page }) => {
  await page.goto('/jobs/taped-shuttle/layer?view=choose');
  await page.getByLabel('Washing').selectOption({ label: 'Brush wash' });
  await page.getByLabel('Depth and gloss').selectOption({ label: 'some' });
  await page.getByRole('button', { name: 'Find what to lay where' }).click();
  await expect(page.getByText(/looked for|Looking for the best/)).toBeVisible();
  const choices = page.getByRole('radiogroup', { name: 'Choices' });
  await expect(page.getByRole('button', { name: 'Find anew' })).toBeVisible({ timeout: 90_000 });
  await expect(choices.getByRole('radio', { name: /^Best for the wishes/ })).toHaveAttribute('aria-checked', 'true');
  expect(await choices.getByRole('radio').count()).toBeGreaterThan(3);
  await expect(choices).toContainText(/cheaper now|dearer now|times the money now/);
  await expect(page.getByText(/Washing: brush wash costs \d+ months/)).toBeVisible();
  await expect(page.getByText(/Proven to be (the best|within \d\.\d % of the best) there is/)).toBeVisible();
  await expect(page.getByText('Why the rest fell away')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Expected \d+ months; renewed/ }).first()).toBeVisible();
  // Two proposals side by side: what differs is said, and marked on the net.
  const beside = page.getByLabel('This choice beside');
  const marked = page.getByRole('option', { name: /, differs$/ });
  await expect(marked).toHaveCount(7);
  await beside.selectOption({ label: 'Cheapest now' });
  const panels = await page.getByRole('table').filter({ hasText: 'there' }).getByRole('rowheader').allInnerTexts();
  const differing = panels.reduce(
    (sum, told) => sum + Number(/^(\d+) panels$/.exec(told)?.[1] ?? told.split('; ').length),
    0,
  );
  await expect(marked).toHaveCount(differing);
  expect(differing).toBeGreaterThan(0);
  await beside.selectOption({ label: 'what is planned' });
  await page.getByRole('button', { name: /^Plan it like this: 7 panels change/ }).click();
  await saved(page);
  await expect(page.getByRole('button', { name: 'Planned like this already' })).toBeDisabled();
  await expect(page.getByRole('link', { name: /^Layer/ })).toContainText('every panel chosen');

  // One panel given by hand: the rest is chosen around it.
  await page.getByRole('option', { name: /^Roof/ }).click();
  await page.getByLabel('Rather by hand, and the rest around it').selectOption({ label: 'stays bare' });
  await expect(page.getByLabel('Keep this: choose the rest around it')).toBeChecked();
  await page.getByRole('button', { name: 'Whole item' }).click();
  await expect(page.getByRole('button', { name: 'Find anew' })).toBeVisible({ timeout: 90_000 });
  await expect(choices.getByRole('radio').first()).toBeVisible();
  await expect(page.getByRole('option', { name: 'Roof', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  await expect(page.getByRole('link', { name: /^Layer/ })).toContainText('nothing chosen yet');

  // What cannot be met together is said, and stopped is stopped.
  await page.getByLabel('Money now, at most').fill('20');
  await page.getByLabel('Money now, at most').press('Enter');
  await page.getByRole('button', { name: 'Find anew' }).click();
  await expect(page.getByRole('alert')).toContainText('cannot be met together', { timeout: 90_000 });
  await page.getByLabel('Money now, at most').fill('');
  await page.getByLabel('Money now, at most').press('Enter');
  await page.getByRole('button', { name: /^Find/ }).click();
  await page.getByRole('button', { name: /^Stop/ }).click();
  await expect(page.getByRole('button', { name: /^Find/ })).toBeVisible();
});

test('a rule is set aside with a written reason that stays, a matter of safety is not; the rules page says what each touches', async ({
  page,
}) => {
  await page.goto('/jobs/two-seater/layer?panel=door-window-left');
  await expect(page.getByText('A matter of safety: this is not overruled.').first()).toBeVisible();

  await goOn(page, '/jobs/taped-shuttle/layer?panel=roof');
  await page.getByRole('button', { name: 'Add a layer on top' }).click();
  await page.getByRole('button', { name: /^Ledger Top/ }).click();
  await expect(page.getByText('Ledger Top does not bond to the bare surface.')).toBeVisible();
  await page.getByRole('button', { name: 'Overrule with a reason' }).click();
  await page.getByLabel('Why it is done all the same').fill('the base was laid by another shop');
  await page.getByRole('button', { name: 'Overrule', exact: true }).click();
  await expect(page.getByText('Overruled: the base was laid by another shop. Try it hidden first.')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText('Overruled: the base was laid by another shop.')).toBeVisible();
  await page.getByRole('button', { name: 'Let the rule stand' }).click();
  await expect(page.getByText('Overruled:')).toHaveCount(0);

  await page.getByRole('link', { name: /^A layer lies only on something it can bond to/ }).click();
  await expect(page).toHaveURL(/shelf\/rules#bond/);
  const bond = page.getByRole('listitem', { name: 'A layer lies only on something it can bond to.' });
  await bond.getByText(/^Touches \d+ of 41 products/).click();
  await expect(bond.getByRole('listitem').filter({ hasText: 'Ledger Top' })).toContainText('bare surface');
  // With a job: each rule names the panels it touches there, and leads to them.
  await page.getByLabel('With the panels of').selectOption({ label: 'Taped shuttle, wrapped sides' });
  await bond.getByRole('list', { name: 'Panels it touches' }).getByRole('link', { name: 'Roof' }).click();
  await expect(page).toHaveURL(/taped-shuttle\/layer\?panel=roof/);
});

test('what is laid needs a wash: left out it stops the job, and is done after all, or taken as done on somebody’s word', async ({
  page,
}) => {
  const leaveOut = async () => {
    await page.getByRole('link', { name: /^Prepare/ }).click();
    await expect(page).toHaveURL(/\/prepare/);
    await page.getByRole('option', { name: /^Tank, side, left/ }).click();
    const wash = page.getByRole('listitem').filter({ has: page.getByText('Two-bucket wash', { exact: true }) });
    await wash.getByRole('checkbox', { name: 'Leave it out here' }).check();
    await page.getByRole('link', { name: /^Layer/ }).click();
    await expect(page.getByRole('radio', { name: 'As planned' })).toBeVisible();
    await page.getByRole('button', { name: 'Whole item' }).click();
  };
  await page.goto('/jobs/satin-tourer/layer');
  await leaveOut();
  const before = page.locator('section').filter({ hasText: 'Before anything is laid' });
  await expect(before).toContainText('One panel is not washed: two-bucket wash is left out.');
  await expect(page.getByRole('link', { name: /^Layer/ })).toContainText('1 not clean');
  await before.getByRole('button', { name: 'Do it after all' }).click();
  await expect(before).toBeHidden();

  await leaveOut();
  await before.getByRole('button', { name: 'It came washed' }).click();
  await before.getByLabel('Who washed it, and when').fill('the owner, this morning');
  await page.keyboard.press('Tab');
  await expect(before).toContainText('Taken as washed: the owner, this morning.');
  await expect(page.getByRole('link', { name: /^Layer/ })).not.toContainText('not clean');
  await saved(page);
  await before.getByRole('button', { name: 'Take back' }).click();
  await expect(before).toContainText('One panel is not washed');
});

test('a stack is taken in hand and laid by tap and by zone; what the rules refuse says why where it was tapped', async ({
  page,
}) => {
  await page.goto('/jobs/taped-shuttle/layer?panel=roof');
  await page.getByRole('button', { name: 'Add a layer on top' }).click();
  await page.getByRole('button', { name: /^Mainstay One/ }).click();
  await page.getByRole('button', { name: 'Take this stack in hand and tap where else it goes' }).click();
  const hand = page.getByRole('group', { name: 'Stack in hand' });
  await expect(hand).toContainText('Tap what gets Mainstay One');
  await page.getByRole('option', { name: /^Windscreen/ }).click();
  await expect(hand.getByRole('alert')).toContainText(
    /Not on the windscreen: the sheet of Mainstay One does not name windscreen/,
  );
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect(page.getByRole('option', { name: /^Bonnet.*Mainstay One/ })).toBeVisible();
  await expect(hand.getByRole('alert')).toHaveCount(0);
  // Drawn round: what lies inside gets it, what the rules refuse stays.
  await hand.getByRole('button', { name: 'Draw round' }).click();
  const sheet = (await page.locator('[data-sheet]').boundingBox())!;
  const at = (across: number, down: number) => [sheet.x + across * sheet.width, sheet.y + down * sheet.height] as const;
  await page.mouse.move(...at(0.02, 0.02));
  await page.mouse.down();
  for (const [across, down] of [
    [0.98, 0.02],
    [0.98, 0.98],
    [0.02, 0.98],
  ] as const)
    await page.mouse.move(...at(across, down), { steps: 5 });
  await page.mouse.up();
  await expect(hand.getByRole('alert')).toContainText(/Not on the side, left: .*; nor on 3 more/);
  await expect(page.getByRole('option', { name: /Mainstay One/ })).toHaveCount(3);
  await hand.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('radio', { name: 'As planned' })).toBeVisible();
  await saved(page);
});

test('layers are dragged in the core sample, by pointer and by key; a refused drop says why where it was dropped', async ({
  page,
}) => {
  await page.goto('/jobs/taped-shuttle/layer?panel=roof');
  for (const product of [/^Bedrock Base/, /^Bedrock Top/, /^Spindrift Topper/]) {
    await page.getByRole('button', { name: 'Add a layer on top' }).click();
    await page.getByRole('button', { name: product }).click();
  }
  const stack = page.getByRole('list', { name: 'The stack, from the top down' });
  const order = () =>
    stack.getByRole('button', { name: /^Drag / }).evaluateAll((all) => all.map((one) => one.ariaLabel));
  const asPlanned = ['Drag Spindrift Topper', 'Drag Bedrock Top', 'Drag Bedrock Base'];
  expect(await order()).toEqual(asPlanned);

  const handle = (name: string) => stack.getByRole('button', { name: `Drag ${name}` });
  const middle = async (name: string) => {
    const { x, y, width, height } = (await handle(name).boundingBox())!;
    return [x + width / 2, y + height / 2] as const;
  };
  await page.mouse.move(...(await middle('Bedrock Base')));
  await page.mouse.down();
  await page.mouse.move(...(await middle('Bedrock Top')), { steps: 8 });
  await page.mouse.up();
  const refusal = stack.getByRole('listitem').filter({ hasText: 'Bedrock Top' }).getByRole('alert');
  await expect(refusal).toContainText('Not here: Bedrock Top does not bond to the bare surface.');
  expect(await order()).toEqual(asPlanned);

  // The base is gone; what is left of the stack moves by key.
  await page.getByRole('button', { name: 'Take Bedrock Base out' }).click();
  await page.getByRole('button', { name: 'Take Bedrock Top out' }).click();
  await page.getByRole('button', { name: 'Add a layer on top' }).click();
  await page.getByRole('button', { name: /^Mainstay One/ }).click();
  expect(await order()).toEqual(['Drag Mainstay One', 'Drag Spindrift Topper']);
  await saved(page);
  await handle('Mainstay One').focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Mainstay One at its own place.')).toBeAttached();
  // A key pressed before the places were measured moves nothing: pressed again, it does.
  await expect(async () => {
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText('Mainstay One at the place of Spindrift Topper.')).toBeAttached({ timeout: 1000 });
  }).toPass();
  await page.keyboard.press('Space');
  await expect.poll(order).toEqual(['Drag Spindrift Topper', 'Drag Mainstay One']);
  await saved(page);
});

test('the shop’s offers stand side by side with their prices; one is agreed, and a job’s own stacks become another', async ({
  page,
}) => {
  await page.goto('/jobs/taped-shuttle/layer?view=offers');
  const open = page.getByRole('listitem', { name: 'Open Sea' });
  const inner = page.getByRole('listitem', { name: 'Inner Harbour' });
  const priceOf = async (offer: typeof open) =>
    Number((await offer.locator('.figure').innerText()).replace(/[^\d.]/g, ''));
  await expect(open).toContainText(/Plan for \d+ to \d+ months/);
  expect(await priceOf(open)).toBeGreaterThan(await priceOf(inner));
  await open.getByText('How the price is made').click();
  await expect(open.getByRole('row', { name: /Tax, 20 %/ })).toBeVisible();
  await open.getByRole('button', { name: 'Agree Open Sea' }).click();
  await expect(open.getByText('Agreed', { exact: true })).toBeVisible();
  await saved(page);
  // What was agreed stays as it stood then, whatever is planned or priced later.
  const record = page
    .getByRole('status')
    .filter({ hasText: /Open Sea agreed with Breakwater House Hotel on 2 Mar 2027/ });
  await expect(record).toContainText(await open.locator('.figure').innerText());
  await record.getByText('What was promised then').click();
  await expect(record).toContainText('A look every year, free of charge.');
  await goOn(page, '/jobs/taped-shuttle/layer?panel=bonnet');
  await page.getByRole('button', { name: 'Take Bedrock Top out' }).click();
  await goOn(page, '/jobs/taped-shuttle/layer?view=offers');
  await open.getByRole('button', { name: /The plan has changed since/ }).click();
  await expect(open.getByRole('button', { name: /The plan has changed since/ })).toBeHidden();
  await saved(page);
  await expect(page.getByRole('link', { name: /^Prepare/ })).toContainText(/h/);

  await page.getByRole('button', { name: 'Keep this job’s stacks as an offer' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Fleet');
  await dialog.getByLabel('Promised, a line each', { exact: true }).fill('Clean by Friday\nOne wash free');
  await dialog.getByLabel('Tax').fill('10');
  await dialog.getByLabel('Tax').press('Tab');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('listitem', { name: 'Fleet' })).toContainText('One wash free.');
  // On a satin item the same offer is adapted by the rules.
  await goOn(page, '/jobs/taped-tourer/layer?view=offers');
  await expect(page.getByRole('listitem', { name: 'Fleet' })).toBeVisible();
});

test('a table of sheets is taken in whole; one with a fault is refused with its line, and nothing changes', async ({
  page,
}) => {
  await page.goto('/shelf');
  const file = page.getByLabel('A shelf as a file');
  const table = (text: string) => ({ name: 'shelf.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(table('id;name;family;coveragePerM2\ngannet;Gannet;ceramic;6,2\nauk;Auk;ceramic;none\n'));
  await expect(page.getByRole('alert')).toContainText('Nothing was taken in.');
  await expect(page.getByRole('alert')).toContainText('line 3, coveragePerM2');
  await file.setInputFiles(table('id;name;family;coveragePerM2\ngannet;Gannet;ceramic;6,2\n'));
  await expect(page.getByText('1 added, 0 changed, 0 as before.')).toBeVisible();
  await page.getByRole('link', { name: /^Gannet/ }).click();
  await expect(page.getByLabel('Milestones', { exact: true })).toHaveValue('assumed');

  // A new sheet begins from what is usual for its family.
  await goOn(page, '/shelf/new');
  await page.getByLabel('Family').selectOption({ label: 'Paste wax' });
  await expect(page.getByLabel('Sold by')).toHaveValue('g');
  await expect(page.getByLabel('Rated life', { exact: true })).toHaveValue('assumed');
});

test('a sheet shows what it comes to while it is written, and keeps what the film and its removal say', async ({
  page,
}) => {
  await page.goto('/shelf/satin-sail');
  const preview = page.getByRole('region', { name: 'What this sheet comes to' });
  await expect(preview).toContainText('Plan for');
  const material = preview.getByText('Material, m² and coat').locator('..');
  const before = await material.textContent();
  await page.getByLabel(/^Coverage on gloss, units/).fill('2,2');
  await expect(material).not.toHaveText(before!);
  await page.getByLabel('Rated life, months').fill('-3');
  await expect(preview).toContainText('ratedMonths: expected a positive number.');
  await page.getByLabel('Rated life, months').fill('72');
  await page.getByRole('checkbox', { name: 'Approved for aircraft' }).check();
  await page.getByLabel('Warm and pull').check();
  await page.getByRole('button', { name: 'Save the sheet' }).click();
  await expect(page).toHaveURL(/\/shelf$/);
  const products = (await (await page.request.get('/api/products')).json()) as {
    id: string;
    sheet: { film?: { finish: string }; properties: string[]; comesOffBy?: string[]; coveragePerM2: number };
  }[];
  expect(products.find(({ id }) => id === 'satin-sail')!.sheet).toMatchObject({
    film: { finish: 'matte' },
    properties: expect.arrayContaining(['aviation-approved']),
    comesOffBy: ['heat-and-pull'],
    coveragePerM2: 2.2,
  });
});
