/** Every view under what a workshop brings: endless names, nothing at all, an address that leads nowhere. */
import type { Page } from '@playwright/test';
import { expect, goOn, test } from './workshop';

const STATIONS = [
  'survey',
  'survey?lens=condition',
  'survey?lens=thickness',
  'survey?lens=map',
  'prepare',
  'layer',
  'layer?view=offers',
  'quantify',
  'time',
  'run',
  'check',
  'care',
];
const LONG = 'Harbourmaster’s second-hand four-wheel-drive estate with the roof box, refinished twice';
/** One word that no line is broken at by itself. */
const ENDLESS = 'Quartersawnteakfinishedcoachworkpanel'.repeat(3);

/** What a page shows beyond its right edge, and what of its own text it cuts without saying so. */
async function sideways(page: Page): Promise<number> {
  return page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
}

/** Renames whatever has a name in a job, by the door every tablet uses. */
async function renamed(page: Page, id: string): Promise<void> {
  const answer = await page.request.get(`/api/jobs/${id}`);
  const { version, document, bayId, airSource } = await answer.json();
  const named = {
    ...document,
    title: LONG,
    item: { ...document.item, name: LONG, ownerName: ENDLESS },
    surfaces: document.surfaces.map((surface: { name?: string }, index: number) => ({
      ...surface,
      name: index % 2 === 0 ? `${LONG}, panel ${index}` : `${ENDLESS}${index}`,
    })),
    products: document.products.map((product: { name?: string }, index: number) => ({
      ...product,
      name: index % 2 === 0 ? `${LONG} ${index}` : `${ENDLESS}${index}`,
    })),
  };
  const kept = await page.request.put(`/api/jobs/${id}`, {
    headers: { 'if-match': `"${version}"` },
    data: { document: named, bayId, airSource },
  });
  expect(kept.status()).toBe(200);
}

const SIZES = [
  ['desk', 1280, 800],
  ['tablet', 820, 1180],
  ['phone', 390, 844],
] as const;

test('endless names push nothing out of sight, on a desk, a tablet and a phone', async ({ page }) => {
  test.slow();
  await renamed(page, 'teal-hatchback');
  const stations = STATIONS.map(
    (station) => `/jobs/teal-hatchback/${station}${station.includes('?') ? '&' : '?'}panel=bonnet`,
  );
  const places = ['/', '/items', '/items/hatchback-of-imke-varga'];
  for (const address of [...stations, ...places]) {
    await goOn(page, address);
    for (const [size, width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      await page.evaluate(() => new Promise(requestAnimationFrame));
      expect([address, size, await sideways(page)]).toEqual([address, size, 0]);
    }
    if (places.includes(address)) await expect(page.getByText(LONG).first()).toBeVisible();
    await page.setViewportSize({ width: 1280, height: 800 });
  }
});

test.describe('with nothing in it', () => {
  test.use({ sample: false });
  test('each place says what comes first, and leads there', async ({ page }) => {
    for (const [address, says, leads] of [
      ['/', 'Nothing in the bays yet', 'Start the first job'],
      ['/shelf', 'No sheets yet', 'New sheet'],
      ['/items', 'No item has been here yet', 'Start the first job'],
    ] as const) {
      await goOn(page, address);
      await expect(page.getByText(says).first()).toBeVisible();
      const link = page.getByRole('link', { name: leads }).first();
      await expect(link).toBeVisible();
      await link.click();
      await expect(page).not.toHaveURL(new RegExp(`:\\d+${address}$`));
    }
  });
});

test('what is not there is said, with a way back', async ({ page }) => {
  for (const [address, says, back, leads] of [
    ['/nowhere', 'Nothing stands here', 'Back to today', '/'],
    ['/items/no-such-item', 'No history to show', 'Back to the items', '/items'],
    ['/shelf/no-such-sheet', 'There is no such sheet on the shelf', 'Back to the shelf', '/shelf'],
    ['/jobs/no-such-job/run', 'This job cannot be opened', 'Back to today', '/'],
  ] as const) {
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(says);
    await page.getByRole('link', { name: back }).click();
    await expect(page).toHaveURL(new RegExp(`:\\d+${leads}$`));
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('the pages of the workshop are read without scrolling sideways, and led to by their names', async ({ page }) => {
    for (const address of [
      '/',
      '/new',
      '/items',
      '/figures',
      '/shelf',
      '/shelf/ledger-base',
      '/shelf/new',
      '/shelf/preparation',
      '/shelf/rules',
      '/shelf/rules?job=marrow-launch',
    ]) {
      await goOn(page, address);
      expect([address, await sideways(page)]).toEqual([address, 0]);
    }
    await page.goto('/');
    for (const [name, address] of [
      ['Items', '/items'],
      ['Shelf', '/shelf'],
      ['Today', '/'],
    ] as const) {
      await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name }).click();
      await expect(page).toHaveURL(new RegExp(`:\\d+${address}$`));
    }
  });
});

test('a sheet open in two windows: what is typed stays, the other is told, and either can be taken', async ({
  page,
  context,
}) => {
  const coverage = (window: Page) => window.getByLabel('Coverage on gloss, units per m² and coat');
  const save = (window: Page) => window.getByRole('button', { name: 'Save the sheet' }).click();
  const kept = async () => {
    const all = await (await page.request.get('/api/products')).json();
    return all.find(({ id }: { id: string }) => id === 'ledger-base').sheet.coveragePerM2;
  };
  const other = await context.newPage();
  for (const window of [page, other]) {
    await window.goto('/shelf/ledger-base');
    await expect(coverage(window)).toHaveValue(String(await kept()));
  }
  await coverage(other).fill('9');
  await coverage(page).fill('5');
  await save(page);
  await expect(page).toHaveURL(/\/shelf$/);
  const told = other.getByRole('alert').filter({ hasText: 'saved in another window' });
  await expect(told).toContainText('What you typed still stands here');
  await expect(coverage(other)).toHaveValue('9');
  expect(await kept()).toBe(5);
  await told.getByRole('button', { name: /Keep mine/ }).click();
  await expect(told).toHaveCount(0);
  await save(other);
  await expect(other).toHaveURL(/\/shelf$/);
  expect(await kept()).toBe(9);

  await page.goto('/shelf/ledger-base');
  await other.goto('/shelf/ledger-base');
  await coverage(page).fill('4');
  await coverage(other).fill('7');
  await save(other);
  await page.getByRole('button', { name: /Drop mine/ }).click();
  await expect(coverage(page)).toHaveValue('7');
});
