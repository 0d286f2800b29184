import { expect, goOn, test } from './workshop';

test('things are taken in, found by batch, weighed, and thrown away; each once, on both tablets', async ({
  page,
  context,
}) => {
  await page.goto('/stock');
  await page.getByRole('button', { name: 'Take in' }).click();
  const dialog = page.getByRole('dialog', { name: 'Take in' });
  await dialog.getByLabel('What it is').selectOption({ label: 'Mainstay One' });
  await dialog.getByLabel('How many').fill('2');
  await dialog.getByLabel('Batch').fill('Z-900');
  await dialog.getByLabel('Place').fill('Cold locker');
  await dialog.getByLabel('Place').press('Enter');
  await dialog.getByRole('button', { name: 'Take 2 of them in' }).click();
  await expect(dialog).toBeHidden();
  await page.getByLabel('Find by name, batch, place or code').fill('z-900');
  const things = page.getByRole('list', { name: 'Things in stock' }).getByRole('button');
  await expect(things).toHaveCount(2);
  await things.first().click();
  const chosen = page.getByRole('complementary', { name: 'The thing chosen' });
  await expect(chosen).toContainText('full as bought');
  await chosen.getByRole('button', { name: 'Weigh it' }).click();
  // The first weighing of a full one tells what it weighs empty.
  await expect(chosen).toContainText('Weighs empty');
  await expect(chosen).toContainText(/weighed, today/);

  const second = await context.newPage();
  await second.goto(page.url());
  await expect(second.getByRole('complementary', { name: 'The thing chosen' })).toContainText('Weighs empty');
  await chosen.getByLabel('Left in it, as you see it').fill('18');
  await chosen.getByLabel('Left in it, as you see it').press('Enter');
  await expect(second.getByText('18 ml of 30 ml').first()).toBeVisible();
  await expect(chosen).toContainText('18 ml of 30 ml');
  // More than it holds is refused where it is typed.
  await chosen.getByLabel('Left in it, as you see it').fill('400');
  await chosen.getByLabel('Left in it, as you see it').press('Enter');
  await expect(chosen).toContainText('it holds only 30 ml');
  await chosen.getByRole('button', { name: 'It leaves the stock' }).click();
  await expect(second.getByRole('complementary', { name: 'The thing chosen' })).toContainText('Gone');
  await expect(second.getByRole('button', { name: 'Weigh it' })).toBeHidden();
});

test('the shelf is counted by keyboard alone', async ({ page }) => {
  await page.goto('/stock/take');
  await expect(page.getByRole('textbox', { name: /^Left of/ }).first()).toBeVisible();
  await page.getByLabel('Code, scanned or typed').focus();
  // Enter by itself goes to the first that is not counted.
  await page.keyboard.press('Enter');
  await page.keyboard.type('7,5');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^1 of \d+ counted/)).toBeVisible();
  // As it stands: Enter alone; then a slip, told where it was typed, and the cursor stays there.
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^2 of \d+ counted/)).toBeVisible();
  await page.keyboard.type('9999999');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(/holds only/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('textbox', { name: /^Left of/ }).first()).toBeFocused();
  // A code takes one straight to its thing; one that is on nothing is said.
  await page.getByRole('button', { name: 'Simulated reader' }).click();
  await expect(page.getByRole('textbox', { name: /^Left of/ }).nth(2)).toBeFocused();
  await page.getByLabel('Code, scanned or typed').fill('no-such-code');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('no-such-code');
});

test('a batch is recalled, what is short is ordered, what was learned is taken back, rubbish is refused by its line', async ({
  page,
}) => {
  await page.goto('/stock/recall');
  await page.getByLabel('Batch, as printed on it').fill('b-902');
  await page.getByRole('button', { name: 'Find everything of it' }).click();
  await expect(page.getByRole('link', { name: /classic/i }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Print the list' })).toBeVisible();
  await page.getByRole('link', { name: 'To order' }).click();
  await expect(page.getByRole('cell', { name: /Breakwater Sealant/ })).toBeVisible();
  await page.getByRole('link', { name: 'Learned' }).click();
  const sealant = page.getByRole('region', { name: 'Breakwater Sealant' });
  await expect(sealant).toContainText(/% more than predicted/);
  const lessons = sealant.getByRole('button', { name: 'Take it back' });
  for (let left = await lessons.count(); left > 0; left--) {
    await lessons.first().click();
    await expect(lessons).toHaveCount(left - 1);
  }
  await expect(sealant.locator('.figure').first()).toHaveText('as predicted');
  await page.getByRole('link', { name: 'In hand' }).click();
  const file = {
    name: 'stock.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('id;kind;of;size\nx1;potion;y;5\n;product;y;-1\n'),
  };
  await page.getByLabel('Stock as a file').setInputFiles(file);
  await expect(page.getByRole('alert')).toContainText(/Nothing was taken in.*line 2, kind.*line 3/s);
});

test('the bottle in hand: taken in one tap, drawn from as patches are laid, never one that is elsewhere', async ({
  page,
}) => {
  await page.goto('/jobs/satin-tourer/quantify?view=list');
  await expect(page.getByText('Do not begin')).toBeHidden();
  await goOn(page, '/jobs/teal-hatchback/run');
  const bottle = page.getByRole('group', { name: 'Bottle in hand' });
  await expect(bottle).toContainText('batch K-117');
  await bottle.getByRole('button', { name: 'Change' }).click();
  await page.getByRole('dialog').getByRole('button', { name: /K-121/ }).click();
  await expect(bottle).toContainText('batch K-121');
  await expect(bottle).toContainText('30 ml left');
  await bottle.getByRole('button', { name: 'Empty: next' }).click();
  await expect(bottle).toContainText('batch K-117');
});

test('sections on the sheet: numbered, reordered by school, one waits for another, and in one piece', async ({
  page,
}) => {
  await page.goto('/jobs/two-seater/quantify?view=sections');
  const order = page.getByRole('list', { name: 'Order of work' });
  const first = () => order.getByRole('listitem').first();
  await expect(first()).toBeVisible();
  const before = await order.textContent();
  await page.getByRole('button', { name: 'Clockwise round' }).click();
  await expect.poll(() => order.textContent()).not.toBe(before);
  await order.getByRole('button', { name: /^Wing, upper, left/ }).click();
  const side = page.getByRole('complementary', { name: 'Chosen panel' });
  await side.getByRole('button', { name: 'Wait for another panel' }).click();
  await page.getByRole('option', { name: /^Belly/ }).click();
  await expect(side).toContainText(/It waits for\s*Belly/);
  await side.getByLabel('In one piece, whatever its size').check();
  await expect(side).toContainText('One section');
});
