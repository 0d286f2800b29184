import { expect, goOn, saved, sayItIsDone, test } from './workshop';

test.use({ sample: false });

test('one job from an empty database to a removal plan', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Nothing in the bays yet')).toBeVisible();

  await test.step('a sheet for the shelf', async () => {
    await page.getByRole('link', { name: 'Shelf' }).click();
    await page.getByRole('link', { name: 'New sheet' }).click();
    await page.getByRole('button', { name: 'Save the sheet' }).click();
    await expect(page.getByRole('alert')).toContainText('name: expected text');
    await page.getByLabel('Name', { exact: true }).fill('Quayside Ceramic');
    await page.getByLabel('Short id, as in files').fill('quayside');
    await page.getByLabel('Coverage on gloss, units per m² and coat').fill('6,5');
    await page.getByLabel('Price, minor units (cents)').fill('4200');
    await page.getByRole('button', { name: 'Save the sheet' }).click();
    await expect(page.getByRole('link', { name: /Quayside Ceramic/ })).toContainText('6.5 ml/m²');
  });

  await test.step('survey: surfaces by tape, their area with its spread', async () => {
    await page.getByRole('link', { name: 'Today', exact: true }).click();
    await page.getByRole('link', { name: 'Start the first job' }).click();
    await page.getByLabel('Job', { exact: true }).fill('Grey hatchback, bonnet and door');
    await page.getByLabel('Measured from').selectOption({ label: 'Tape only: add surfaces one by one' });
    await page.getByRole('button', { name: 'Start the job' }).click();
    await expect(page.getByText('Nothing is measured yet')).toBeVisible();
    await page.getByRole('button', { name: 'Add a surface by tape' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Bonnet');
    await page.getByLabel('Side a').fill('1400');
    await page.getByLabel('Side b').fill('980');
    await page.getByLabel('Side b').press('Tab');
    await expect(page.getByRole('dialog')).toContainText('1.37 m²');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('button', { name: 'Area: how it was worked out' })).toHaveText('1.37 m²');
    await page.getByRole('button', { name: 'Whole item' }).click();
    await page.getByRole('button', { name: 'Add a surface by tape' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Glass');
    await page.getByRole('dialog').getByLabel('Made of').selectOption('glass');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('option', { name: /Bonnet/ })).toBeVisible();
    await saved(page);
  });

  await test.step('layer: allowed on the bonnet, refused on the glass with the rule', async () => {
    await page.getByRole('option', { name: /Bonnet/ }).click();
    await page.getByRole('link', { name: /^Layer/ }).click();
    await page.getByRole('button', { name: 'Add a layer on top' }).click();
    await page.getByRole('button', { name: /Quayside Ceramic Allowed/ }).click();
    await expect(page.getByRole('list', { name: 'The stack, from the top down' })).toContainText('Quayside Ceramic');
    await page.getByRole('option', { name: /Glass/ }).click();
    await page.getByRole('button', { name: 'Add a layer on top' }).click();
    await page.getByRole('button', { name: /Quayside Ceramic Refused/ }).click();
    await expect(page.getByRole('list', { name: 'The stack, from the top down' })).toContainText(
      'The sheet of Quayside Ceramic does not name glass',
    );
    await page.getByRole('button', { name: 'Nothing on the shelf may go here: leave it bare' }).click();
    await expect(page.getByRole('link', { name: /^Layer/ })).toContainText('1 stay bare');
  });

  await test.step('quantify: amounts, packs, and how they were got', async () => {
    await page.getByRole('option', { name: /Bonnet/ }).click();
    await page.getByRole('link', { name: /^Quantify/ }).click();
    await expect(page.getByRole('button', { name: /on this panel: how/ })).toHaveText('8.9 ml');
    await page.getByRole('button', { name: 'Whole item' }).click();
    await expect(page.getByText('€42.00').first()).toBeVisible();
    await page.getByRole('button', { name: /to cover: how/ }).click();
    await expect(page.getByText('To cover, nine times in ten')).toBeVisible();
    await page.keyboard.press('Escape');
  });

  await test.step('time: the air, the window, the sections, the promise', async () => {
    await page.getByRole('link', { name: /^Time/ }).click();
    await page.getByLabel('Air', { exact: true }).fill('28');
    await page.getByLabel('Air', { exact: true }).press('Enter');
    await page.getByRole('option', { name: /Bonnet/ }).click();
    await expect(page.getByText(/1\.5× faster than the sheet: panel 28 °C/).first()).toBeVisible();
    await page.getByLabel('Measured by infrared spot; empty: as the air').fill('14');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/above the dew point after about/)).toBeVisible();
    await page.getByLabel('Measured by infrared spot; empty: as the air').fill('');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Largest section')).toBeVisible();
    await saved(page);
  });

  await test.step('quantify: nothing begins without gloves; what lies ready is ticked, and printed on one sheet', async () => {
    await page.getByRole('link', { name: /^Run/ }).click();
    await expect(page.getByRole('alert')).toContainText(/Do not begin.*Nitrile gloves/s);
    await page.getByRole('link', { name: 'What has to lie ready' }).click();
    const worn = page.getByRole('region', { name: 'To be worn' });
    // The list comes with the stock: nothing is ticked before it is there.
    await expect(worn.getByRole('checkbox').first()).toBeVisible();
    for (const line of await worn.getByRole('checkbox').all()) await line.check();
    await expect(page.getByText('Do not begin')).toBeHidden();
    await expect(worn.getByRole('img', { name: 'All there' }).or(worn.getByLabel('All there'))).toBeVisible();
    await page.reload();
    await expect(worn.getByRole('checkbox').first()).toBeChecked();
    const paper = await page.getByRole('link', { name: 'Print on one sheet' }).getAttribute('href');
    expect((await page.request.get(paper!)).headers()['content-type']).toContain('pdf');
  });

  await test.step('run: every patch laid and levelled', async () => {
    await page.getByRole('link', { name: /^Run/ }).click();
    // The order of work begins with its preparation; what is done elsewhere is passed over.
    await page.getByRole('button', { name: 'Go on to laying' }).click();
    const asked = page.getByRole('dialog', { name: /stages are not ticked off/ });
    await asked.getByRole('button', { name: 'Go on to laying' }).click();
    await expect(page.getByRole('region', { name: 'Before the first patch' })).toContainText('things are open');
    // Nobody lays on what was not washed and wiped: somebody says that it was.
    const gate = page.getByRole('region', { name: 'Before the first patch' });
    await expect(gate).toContainText(/Washed.*Not ticked off: two-bucket wash on 1 panel/);
    await sayItIsDone(page);
    await page.getByRole('button', { name: /lies ready$/ }).click();
    const begin = page.getByRole('button', { name: 'Start laying' });
    // Where the bottle is opened, what to wear and what to mind; once something lies, the hands know.
    const opened = page.getByRole('note', { name: /^Before .* is opened$/ });
    await expect(opened).toContainText('Wear nitrile gloves');
    const finished = page.getByRole('heading', { name: /patches laid and levelled/ });
    for (let patch = 0; patch < 6 && !(await finished.isVisible()); patch++) {
      await begin.click();
      await page.clock.fastForward('01:00');
      await page.getByRole('button', { name: 'Laid', exact: true }).click();
      await expect(opened).toBeHidden();
      await page.clock.fastForward('01:30');
      if (patch === 0) await page.getByRole('button', { name: 'Cue seen' }).click();
      await page.getByRole('button', { name: 'Start levelling' }).click();
      await page.clock.fastForward('00:50');
      await page.getByRole('button', { name: 'Level, done' }).click();
      await expect(begin.or(finished)).toBeVisible();
    }
    await expect(finished).toBeVisible();
    await expect(page.getByText(/Keep it dry, still and free of dust until/)).toBeVisible();
  });

  await test.step('care and removal: what is on it, and how it comes off', async () => {
    await goOn(page, page.url().replace('/run', '/care'));
    await page.getByRole('option', { name: /Bonnet/ }).click();
    await expect(page.getByText(/Laid 2 Mar 2027/)).toBeVisible();
    await page.getByRole('button', { name: 'in two years' }).click();
    await expect(page.getByText(/How it comes off on 2 Mar 2029|How it comes off on 1 Mar 2029/)).toBeVisible();
    await expect(page.getByText('Nobody has measured the clear coat here').first()).toBeVisible();
    await expect(page.getByText(/Finishing polish/).first()).toBeVisible();
    await page.getByRole('link', { name: /^Survey/ }).click();
    await page.getByLabel('Clear coat, if known').fill('28');
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: /^Care/ }).click();
    await expect(page.getByText(/less than the reserve of 25/).first()).toBeVisible();
    await saved(page);
  });
});
