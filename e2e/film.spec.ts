import { expect, goOn, saved, test } from './workshop';

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
  await goOn(page, '/jobs/moss-saloon/quantify?view=film&panel=bonnet');
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
  await page.getByRole('button', { name: 'Stop and keep' }).click();
  await expect(page.getByRole('button', { name: 'Nest anew' })).toBeVisible();
  expect(Number.parseFloat((await length().textContent())!)).toBeLessThanOrEqual(first);

  await roll.getByRole('button', { name: /Bonnet/ }).focus();
  await page.keyboard.press('Enter');
  await expect(roll.getByRole('button', { name: /Bonnet, pinned/ })).toBeVisible();
  await saved(page);

  const svg = await page.request.get('/api/jobs/moss-saloon/film/pilot-film/1.svg');
  expect(await svg.text()).toContain('id="bonnet/1"');
  await cut.getByRole('button', { name: /^Cut: draw/ }).click();
  await expect(cut).toContainText('Cut, and drawn from stock');
  // What is cut stays as it is: nothing of it is nested or cut again.
  await expect(cut.getByRole('button', { name: /^Cut: draw/ })).toBeHidden();
  await expect(cut.getByLabel('Cut from')).toBeHidden();
  const again = await page.request.post('/api/jobs/moss-saloon/film/pilot-film/1/cut');
  expect([again.status(), (await again.json()).detail]).toEqual([
    409,
    expect.stringContaining('cut for the job already'),
  ]);
});

test('stock is used up first: the offcut takes what it holds, the rest goes on the roll, a piece changes over by hand', async ({
  page,
}) => {
  await page.goto('/jobs/moss-saloon/quantify?view=roll');
  const cut = page.getByRole('complementary', { name: 'The cut' });
  await expect(cut).toContainText('2.82 m');
  await cut.getByRole('button', { name: 'Use up stock first' }).click();
  // The second is at work once the first has had its time; what it has is kept.
  await expect(page.getByRole('status').filter({ hasText: 'Roll 2 of' })).toBeVisible({ timeout: 40_000 });
  await page.waitForTimeout(2000);
  await page.getByRole('button', { name: 'Stop and keep' }).click();
  const rolls = page.getByRole('radiogroup', { name: 'Roll', exact: true });
  await expect(rolls.getByRole('radio')).toHaveText(['1 · Offcut', '2 · Batch F-1502'], { timeout: 60_000 });
  await expect(cut).toContainText('All 2 rolls: 10 of 10 pieces');
  // Nothing is paid for the offcut again.
  await expect(cut).toContainText('€0.00');
  const mirror = cut.getByLabel('Roll for Mirror cap, left');
  await mirror.selectOption({ label: 'Roll 2' });
  await expect(mirror).toBeHidden();
  await rolls.getByRole('radio', { name: /^2/ }).click();
  const roll = page.getByRole('group', { name: 'The roll and what is cut from it' });
  await expect(roll.getByRole('button', { name: /Mirror cap left, pinned|Mirror cap, left, pinned/ })).toBeVisible();
  await cut.getByRole('button', { name: 'Take this one out' }).click();
  await expect(cut.getByRole('alert')).toContainText('are on no roll');
  await saved(page);
  // Amounts and money follow the rolls: not nested whole, they are estimated by area again.
  await goOn(page, '/jobs/moss-saloon/quantify');
  await expect(page.getByRole('table', { name: 'What to buy' })).toContainText('by area, until it is nested');
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
  await saved(page);

  // The cut between the two parts of the bonnet is moved on the panel.
  await goOn(page, '/jobs/moss-saloon/quantify?view=film&panel=bonnet');
  const seam = page.getByRole('slider', { name: 'Cut between the two parts' });
  const share = page.getByLabel('Cut at, share of the way across');
  // Its rolls come after it: only then is it known how wide they are.
  await expect(share).toBeVisible();
  const at = Number(await seam.getAttribute('aria-valuenow'));
  await seam.press('ArrowRight');
  await expect(seam).toHaveAttribute('aria-valuenow', String(at + 1));
  await expect(share).toHaveValue(String(at + 1));
});
