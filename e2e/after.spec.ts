/** What follows from a plan, on the screen as the server works it out: what to buy, when it is ready, what becomes of it. */
import { expect, saved, test } from './workshop';
import type { Page } from '@playwright/test';

interface Plan {
  readonly purchase: readonly { readonly product: string; readonly order: number; readonly cost: number }[];
  readonly ready: { readonly handover: string | null };
  readonly findings: readonly { readonly code: string; readonly text: string }[];
}
const planOf = async (page: Page, id: string) =>
  (await (await page.request.get(`/api/jobs/${id}/plan`)).json()) as Plan;
const station = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Stations of the job' }).getByRole('link', { name: new RegExp(`^${name}`) });

test('what stands to buy is what the plan says, product by product, and follows a coat more', async ({ page }) => {
  await page.goto('/jobs/taped-tourer/quantify');
  const side = page.getByRole('complementary', { name: 'Chosen panel' });
  const isBought = async (plan: Plan) => {
    const total = plan.purchase.reduce((sum, { cost }) => sum + cost, 0);
    await expect(side.locator('.figure').first()).toHaveText(`€${(total / 100).toFixed(2)}`);
    const bought = side.getByRole('table', { name: 'What to buy' });
    await expect(bought.getByRole('row')).toHaveCount(plan.purchase.length + 1);
    for (const { order } of plan.purchase) await expect(bought).toContainText(order.toFixed(order < 10 ? 1 : 0));
  };
  const before = await planOf(page, 'taped-tourer');
  await isBought(before);

  await station(page, 'Layer').click();
  await expect(page.getByRole('heading', { name: 'Choose a panel on the net' })).toBeVisible();
  await page.getByRole('option', { name: /^Tank/ }).click();
  await page.getByRole('button', { name: 'One coat of Slack Water Satin more' }).click();
  await saved(page);
  await page.getByRole('button', { name: 'Whole item' }).click();
  await station(page, 'Quantify').click();
  const after = await planOf(page, 'taped-tourer');
  expect(after.purchase[0]!.order).toBeGreaterThan(before.purchase[0]!.order);
  await isBought(after);

  // Where a figure comes from stands behind it, and adds up.
  await side.getByRole('button', { name: /Slack Water Satin to cover/ }).click();
  await expect(page.getByText('To cover, nine times in ten')).toBeVisible();
});

test('warmer is ready earlier, in dry air never; what the air does is said with its panels', async ({ page }) => {
  await page.goto('/jobs/taped-tourer/time');
  const main = page.getByRole('main');
  await page.getByLabel('Where the air comes from').selectOption({ label: 'Typed in: holds all through' });
  const typed = async (label: string, value: string) => {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press('Enter');
    await saved(page);
    return planOf(page, 'taped-tourer');
  };
  /** When it is ready as the desk has it: prepared first, in the hours the bay is open. */
  const promised = async () => {
    const jobs = (await (await page.request.get('/api/today')).json()) as { id: string; ready: string }[];
    return jobs.find(({ id }) => id === 'taped-tourer')!.ready;
  };
  const dates: number[] = [];
  for (const airC of ['12', '18', '25']) {
    await typed('Air', airC);
    const ready = await promised();
    dates.push(Date.parse(ready));
    await expect(main).toContainText(new RegExp(`Ready .*${ready.slice(11, 16)}`));
  }
  expect([...dates].sort((a, b) => b - a)).toEqual(dates);

  const dry = await typed('Humidity', '0');
  expect(dry.ready.handover).toBeNull();
  await expect(main).toContainText('Never ready in this air');
  const [never] = dry.findings.filter(({ code }) => code === 'never-cures');
  await expect(page.getByText(never!.text).first()).toBeVisible();
  // One step back, and it is ready again.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(main).toContainText(/Ready \w+ \d/);
});

test('what lies on an item wears, wants renewing, and comes off mildest first', async ({ page }) => {
  await page.goto('/jobs/two-door-classic/care');
  const left = async () => {
    const told = await page.getByRole('option', { name: /^Bonnet/ }).getAttribute('aria-label');
    return Number(/(\d+) %/.exec(told ?? '')?.[1]);
  };
  const today = await left();
  expect(today).toBeGreaterThan(0);
  const side = page.getByRole('complementary', { name: 'Chosen panel' });
  const hours = side.getByText('of work, expected; mildest first').locator('..');
  await expect(hours).toContainText(/\d/);
  await page.getByRole('button', { name: 'in two years' }).click();
  await expect.poll(left).toBeLessThan(today);
  await page.getByRole('button', { name: 'Today', exact: true }).click();
  await expect.poll(left).toBe(today);

  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect(side.getByRole('heading', { name: /^How it comes off on/ })).toBeVisible();
  await expect(side.getByText(/rated \d+/).first()).toBeVisible();
  const steps = side.getByRole('list').last().getByRole('listitem');
  expect(await steps.count()).toBeGreaterThan(0);
  // Every step that is tried carries its caution.
  await expect(side).toContainText(/gloves|goggles|Gloves|mask/i);
});
