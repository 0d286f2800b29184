import { expect, saved, test } from './workshop';

test('a few letters lead to any item, job, panel, product, rule, station and command', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/layer');
  await expect(page.getByRole('option', { name: /^Bonnet/ })).toBeVisible();
  const jumpTo = async (letters: string, name: RegExp) => {
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/^Jump to/).fill(letters);
    await page.getByRole('option', { name }).first().click();
    await expect(page.getByPlaceholder(/^Jump to/)).toBeHidden();
  };
  await jumpTo('bonn', /^Bonnet/);
  await expect(page).toHaveURL(/teal-hatchback\/layer\?panel=bonnet/);
  await expect(page.getByRole('heading', { level: 2, name: 'Bonnet' })).toBeVisible();
  await jumpTo('quan', /^Quantify/);
  await expect(page).toHaveURL(/teal-hatchback\/quantify/);
  await jumpTo('taped t', /^Taped tourer/);
  await expect(page).toHaveURL(/taped-tourer/);
  await jumpTo('keelst', /^Keelstone/);
  await expect(page).toHaveURL(/shelf\/keelstone/);
  await jumpTo('wipers', /not made for wipers/);
  await expect(page).toHaveURL(/shelf\/rules/);
  await jumpTo('imke', /^Teal hatchback.*Imke/);
  await jumpTo('where fig', /^Where figures/);
  await expect(page.getByRole('region', { name: 'Clocks' })).toContainText('45 kJ/mol');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('walk from panel to panel');
});

test('measures are shown and typed in either system, and what is stored stays metric', async ({ page }) => {
  await page.goto('/jobs/taped-shuttle/survey?panel=roof');
  await page.getByLabel('Side a').fill('204.72 in');
  await page.getByLabel('Side a').press('Enter');
  await expect(page.getByLabel('Side a')).toHaveValue('5199.9');
  await page.getByLabel('Side a').fill('204 furlongs');
  await page.getByLabel('Side a').press('Enter');
  await expect(page.getByText('is not a number in mm or in')).toBeVisible();
  await page.getByLabel('Side a').press('Escape');
  await page.getByRole('button', { name: /^Light:/ }).click();
  await page.getByRole('menuitem', { name: 'Imperial', exact: true }).click();
  await expect(page.getByLabel('Side a')).toHaveValue('204.7');
  await expect(page.getByRole('link', { name: /^Survey/ })).toContainText('sq ft');
  await page.getByLabel('Side a').fill('200');
  await page.getByLabel('Side a').press('Enter');
  await saved(page);
  const { document } = (await (await page.request.get('/api/jobs/taped-shuttle')).json()) as {
    document: { surfaces: { id: string; shape: { aMm: number } }[] };
  };
  expect(document.surfaces.find(({ id }) => id === 'roof')!.shape.aMm).toBeCloseTo(5080, 6);
});

test('a day is typed as one writes it or chosen from a month, and shown one way', async ({ page }) => {
  await page.goto('/jobs/taped-tourer/time');
  const day = page.getByLabel('Work begins: day');
  await expect(day).toHaveValue('4 Mar 2027');
  await day.fill('5.3.');
  await day.press('Enter');
  await expect(day).toHaveValue('5 Mar 2027');
  await day.fill('soon');
  await day.press('Enter');
  await expect(page.getByText(/^not a day:/)).toBeVisible();
  await day.fill('5 March 2027');
  await page.getByLabel('Work begins: time').fill('830');
  await page.getByLabel('Work begins: time').press('Enter');
  await expect(page.getByLabel('Work begins: time')).toHaveValue('08:30');
  await page.getByRole('group', { name: 'Owner needs it by' }).getByRole('button').click();
  await page.getByRole('button', { name: 'Saturday, 20 March 2027' }).click();
  await expect(page.getByLabel('Owner needs it by: day')).toHaveValue('20 Mar 2027');
  await saved(page);
  expect(await (await page.request.get('/api/jobs/taped-tourer')).json()).toMatchObject({
    document: { startAt: '2027-03-05T08:30:00+01:00', owner: { needsBy: expect.stringMatching(/^2027-03-20T/) } },
  });
});

test('panel, lens and scroll are where they were when one comes back to a station', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/survey?lens=thickness&panel=bonnet');
  const side = page.getByRole('complementary', { name: 'Chosen panel' });
  await expect(page.getByRole('heading', { level: 2, name: 'Bonnet' })).toBeVisible();
  await side.evaluate((element) => element.scrollTo(0, 120));
  const left = await side.evaluate((element) => element.scrollTop);
  await page.getByRole('link', { name: /^Layer/ }).click();
  await expect(page).toHaveURL(/layer\?panel=bonnet$/);
  await page.getByRole('option', { name: /^Roof,/ }).click();
  await page.getByRole('link', { name: /^Survey/ }).click();
  await expect(page).toHaveURL(/lens=thickness/);
  await expect(page).toHaveURL(/panel=roof/);
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect.poll(() => side.evaluate((element) => element.scrollTop)).toBe(left);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('every station is reached by its whole name, and nothing scrolls sideways', async ({ page }) => {
    await page.goto('/jobs/teal-hatchback/survey');
    for (const name of ['Prepare', 'Layer', 'Quantify', 'Time', 'Care & removal', 'Survey']) {
      const link = page.getByRole('navigation', { name: 'Stations of the job' }).getByRole('link', { name });
      const label = link.locator('span').first();
      const [room, needs] = await label.evaluate((span) => [span.clientWidth, span.scrollWidth]);
      expect(needs).toBeLessThanOrEqual(room);
      await link.click();
      await expect(link).toHaveAttribute('aria-current', 'page');
      const [shown, whole] = await page.evaluate(() => [innerWidth, document.documentElement.scrollWidth]);
      expect(whole).toBeLessThanOrEqual(shown);
    }
  });
});

test('long thin strips are drawn folded and do not shrink the item', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Job').fill('Another hatchback');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Another hatchback' })).toBeVisible();
  await page.getByRole('checkbox', { name: /Seals of doors/ }).check();
  const seal = page.getByRole('option', { name: /seal/i }).first();
  await expect(seal).toBeVisible();
  const roof = await page.getByRole('option', { name: /^Roof,/ }).boundingBox();
  const sealBox = await seal.boundingBox();
  expect(sealBox!.width).toBeLessThan(1.2 * roof!.width);
  expect(roof!.width).toBeGreaterThan(100);
});
