import { expect, saved, test } from './workshop';

test('film by one tap, its edges by tap, nested, moved, pinned, gone on with, and cut off the roll once', async ({
  page,
}) => {
  await page.goto('/jobs/moss-saloon/quantify?view=film');
  const side = page.getByRole('complementary', { name: 'Chosen panel' });
  await expect(side).toContainText('10 pieces');
  await side.getByRole('button', { name: /^Partial front/ }).click();
  await expect(side).toContainText('10 pieces');
  await side.getByRole('button', { name: 'No film anywhere' }).click();
  await expect(side).toContainText('0 pieces');
  await side.getByRole('button', { name: /^Full front/ }).click();
  await expect(side).toContainText('10 pieces');
  await expect(side).toContainText('More stretch than the film has in hand');
  await expect(side).toContainText(/of soap in .* of water/);

  await saved(page);
  await page.goto('/jobs/moss-saloon/quantify?view=film&panel=bonnet');
  const edge = side.getByRole('checkbox').first();
  const before = await edge.isChecked();
  await edge.click();
  await expect(edge).toBeChecked({ checked: !before });
  await saved(page);

  await page
    .getByRole('radio', { name: 'Film on the roll' })
    .or(page.getByRole('button', { name: 'Film on the roll' }))
    .click();
  const cut = page.getByRole('complementary', { name: 'The cut' });
  const length = () => cut.locator('.figure').first();
  await page.getByRole('button', { name: 'Nest anew' }).click();
  await expect(page.getByRole('progressbar', { name: 'Time given to nesting' })).toBeVisible();
  // The interface answers while it nests.
  await expect(length()).toHaveText(/^\d\.\d\d m$/);
  await page.getByRole('button', { name: 'Stop and keep' }).click();
  const roll = page.getByRole('group', { name: 'The roll and what is cut from it' });
  await expect(roll.getByRole('button')).toHaveCount(10);
  const first = Number.parseFloat((await length().textContent())!);
  expect(first).toBeGreaterThan(1.5);
  await page.getByRole('button', { name: 'Go on from here' }).click();
  await expect(page.getByRole('button', { name: 'Nest anew' })).toBeVisible({ timeout: 20_000 });
  expect(Number.parseFloat((await length().textContent())!)).toBeLessThanOrEqual(first);

  await roll.getByRole('button', { name: /Bonnet/ }).focus();
  await page.keyboard.press('Enter');
  await expect(roll.getByRole('button', { name: /Bonnet, pinned/ })).toBeVisible();
  await saved(page);

  const svg = await page.request.get('/api/jobs/moss-saloon/film/pilot-film.svg');
  expect(await svg.text()).toContain('id="bonnet/1"');
  await cut.getByRole('button', { name: /^Cut: draw/ }).click();
  await expect(cut).toContainText('Drawn from stock');
  await cut.getByRole('button', { name: /^Cut: draw/ }).click();
  await expect(cut.getByRole('alert')).toContainText('cut for the job already');
});

test('a flaw is marked on the roll, widths are compared in money, and a narrower roll is nested anew', async ({
  page,
}) => {
  await page.goto('/jobs/moss-saloon/quantify?view=roll');
  const cut = page.getByRole('complementary', { name: 'The cut' });
  const flaw = { 'Along, from': '0', 'Across, from': '0' };
  for (const [label, value] of Object.entries(flaw)) await cut.getByLabel(label).fill(value);
  await cut.getByLabel('to', { exact: true }).first().fill('300');
  await cut.getByLabel('to', { exact: true }).last().fill('1524');
  await cut.getByLabel('to', { exact: true }).last().press('Enter');
  await cut.getByRole('button', { name: 'Mark it' }).click();
  await expect(cut).toContainText('Flaws on this roll: 1');
  // What lies in it is told, and cannot be cut.
  await expect(cut.getByRole('alert')).toContainText('Not clear any more');
  await expect(cut.getByRole('button', { name: /^Cut: draw/ })).toBeHidden();
  await cut.getByRole('button', { name: 'Try each width' }).click();
  await expect(cut.getByRole('row')).toHaveCount(2);
  await expect(cut.getByRole('row').last()).toContainText(/m.*€/, { timeout: 20_000 });

  await cut.getByLabel('Width').selectOption('610');
  await expect(cut).toContainText('not nested yet');
  await page.getByRole('button', { name: 'Nest', exact: true }).click();
  await expect(cut).toContainText(/of 610 mm/, { timeout: 20_000 });
  await page.getByRole('button', { name: 'Stop and keep' }).click();
});
