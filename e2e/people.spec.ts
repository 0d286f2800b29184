/** Who is at it: accounts, a tablet of the shop that passes from hand to hand, and a link for the owner of an item. */
import type { Page } from '@playwright/test';
import { expect, NOW, test } from './workshop';

const PASSWORD = 'gull-over-slipway-lamp';

async function ownerMade(page: Page): Promise<void> {
  await page.goto('/workshop');
  await page.getByLabel('Your name').fill('Wren');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('button', { name: 'Wren: account' })).toBeVisible();
}

async function added(page: Page, name: string, pin: string): Promise<void> {
  await page.getByRole('button', { name: 'Somebody new' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByLabel('PIN', { exact: true }).fill(pin);
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog).toBeHidden();
}

async function switchedTo(page: Page, name: string, pin: string): Promise<void> {
  await page.getByRole('button', { name, exact: true }).click();
  for (const digit of pin) await page.getByRole('button', { name: digit, exact: true }).click();
  await page.getByRole('button', { name: 'OK', exact: true }).click();
}

test('a tablet in the bay is paired over TLS, passes from hand to hand by PIN, and is cut off from the desk', async ({
  page,
  browser,
}) => {
  await ownerMade(page);
  await added(page, 'Ash', '4071');
  await added(page, 'Rowan', '2958');
  await page.getByRole('link', { name: 'Devices and network' }).click();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByText('Open to the workshop’s network')).toBeVisible();
  const fingerprint = await page.getByText(/^([0-9A-F]{2} ){31}[0-9A-F]{2}$/).textContent();
  const port = /:(\d+)$/m.exec((await page.getByRole('region', { name: 'From the bays' }).innerText()).trim())![1];
  await page.getByRole('button', { name: 'Pair a device' }).click();
  await page.getByLabel('What it is called').fill('Tablet in the wet bay');
  await page.getByRole('button', { name: 'Show the code' }).click();
  await expect(page.getByRole('img', { name: 'Code to pair a device' })).toBeVisible();
  const code = await page.getByText(/^[A-Z0-9]{10}$/).textContent();

  const bay = await browser.newContext({
    ignoreHTTPSErrors: true,
    viewport: { width: 1180, height: 820 },
    baseURL: `https://localhost:${port}`,
  });
  const tablet = await bay.newPage();
  await tablet.clock.install({ time: new Date(NOW) });
  await tablet.goto('/trust');
  await expect(tablet.getByText(fingerprint!)).toBeVisible();
  await tablet.goto(`/pair#${code}`);
  await tablet.getByRole('button', { name: 'Pair it' }).click();
  await expect(tablet.getByRole('heading')).toHaveText('This is “Tablet in the wet bay” now');
  expect(new URL(tablet.url()).hash).toBe('');
  await tablet.goto('/jobs/teal-hatchback/run');
  await switchedTo(tablet, 'Ash', '1111');
  await expect(tablet.getByRole('alert')).toHaveText('That is not the PIN.');
  await switchedTo(tablet, 'Ash', '4071');
  await tablet.getByRole('button', { name: 'Start levelling' }).click();
  await expect(tablet.getByRole('button', { name: 'Level, done' })).toBeVisible();
  await tablet.getByRole('button', { name: 'Ash; somebody else?' }).click();
  await switchedTo(tablet.getByRole('dialog').page(), 'Rowan', '2958');
  await tablet.clock.fastForward('00:50');
  await tablet.getByRole('button', { name: 'Level, done' }).click();
  await expect(tablet.getByRole('button', { name: 'Start laying' })).toBeVisible();

  await page.goto('/workshop/record');
  const row = (words: string) => page.getByRole('row').filter({ hasText: words }).first();
  await expect(row('levelled Teal hatchback')).toContainText('Rowan');
  await expect(row('began to level Teal hatchback')).toContainText('Ash');
  await page.getByRole('link', { name: 'Devices and network' }).click();
  await page.getByRole('button', { name: 'Cut off Tablet in the wet bay' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Cut off Tablet in the wet bay' }).click();
  await expect(page.getByText('Cut off: Tablet in the wet bay')).toBeVisible();
  await expect(tablet.getByRole('heading', { name: 'Who is it?' })).toBeVisible();
  await bay.close();
});

test('at the desk one comes in by a password and goes out; a helper is not shown what is the owner’s', async ({
  page,
}) => {
  await ownerMade(page);
  await page.getByRole('button', { name: 'Somebody new' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Rowan');
  await dialog.getByLabel('Helper: runs and ticks').check();
  await dialog.getByLabel('Password').fill('rowanrowan');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog.getByRole('alert')).toContainText('is among the first that are tried');
  await dialog.getByLabel('Password').fill('net-of-blue-cork-floats');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'Wren: account' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await page.getByLabel('Name').fill('rowan');
  await page.getByLabel('Password').fill('not it at all');
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('alert')).toHaveText('That name and password do not go together.');
  await page.getByLabel('Password').fill('net-of-blue-cork-floats');
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('button', { name: 'Rowan: account' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Workshop' })).toHaveCount(0);
  await page.goto('/workshop/backups');
  await expect(page.getByText('This is the owner’s to see and to change.')).toBeVisible();
});

test('a link shows one job to whoever has it, and nothing else', async ({ page, browser, workshop }) => {
  await ownerMade(page);
  await page.goto('/jobs/teal-hatchback/time');
  await page.getByRole('button', { name: 'Show this job to its owner' }).click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByText(/\/guest#/).textContent();
  const context = await browser.newContext({ viewport: { width: 390, height: 800 } });
  const phone = await context.newPage();
  await phone.clock.install({ time: new Date(NOW) });
  await phone.goto(link!);
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Teal hatchback, full coat');
  await expect(phone.getByText('It is being worked on.')).toBeVisible();
  await expect(phone.getByText(/Fetch it/)).toBeVisible();
  await phone.goto(`${workshop.address}/jobs/satin-tourer/survey`);
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Teal hatchback, full coat');
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByRole('button', { name: 'End it' })).toBeHidden();
  await phone.goto(link!);
  await expect(phone.getByRole('alert')).toContainText('This link is over, or was ended.');
  await context.close();
});

test.describe('later that morning', () => {
  // After all that stands in the workshop was entered.
  test.use({ serverNow: '2027-03-02T11:00:00+01:00' });

  test('a copy is made and put back at the desk, and everybody comes in again', async ({ page }) => {
    await ownerMade(page);
    await page.getByRole('link', { name: 'Backups' }).click();
    const copies = page.getByRole('button', { name: /^Put back the copy/ });
    // One was made by the server itself when it began, before anybody had an account.
    await expect(copies).toHaveCount(1);
    await page.getByRole('button', { name: 'Copy it now' }).click();
    await expect(copies).toHaveCount(2);
    await copies.first().click();
    await page.getByRole('dialog').getByRole('button', { name: 'Put it back' }).click();
    await expect(async () => {
      await page.clock.fastForward('00:02');
      await expect(page.getByLabel('Name')).toBeVisible({ timeout: 1000 });
    }).toPass();
    await page.getByLabel('Name').fill('Wren');
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Come in' }).click();
    await expect(page.getByText(/Put back as of/)).toBeVisible();
  });
});
