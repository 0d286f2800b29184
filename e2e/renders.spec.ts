/** What a tap, an edit and a passing minute draw anew: only what shows something else. */
import type { Page } from '@playwright/test';
import { expect, test } from './workshop';

/** Counts components as React's own tools do, before the page's scripts run. */
function countRenders(): void {
  interface Fiber {
    readonly tag: number;
    readonly flags: number;
    readonly child: Fiber | null;
    readonly sibling: Fiber | null;
    readonly alternate: Fiber | null;
  }
  /** Function components: plain, with a ref, and in a plain `memo`; one that compares by itself holds a plain one. */
  const COMPONENTS = [0, 11, 15];
  const PERFORMED_WORK = 1;
  const counts = { rendered: 0, mounted: 0 };
  const look = (first: Fiber | null): void => {
    for (let fiber = first; fiber; fiber = fiber.sibling) {
      const before = fiber.alternate;
      if (COMPONENTS.includes(fiber.tag) && (fiber.flags & PERFORMED_WORK) !== 0)
        if (before) counts.rendered += 1;
        else counts.mounted += 1;
      // What was not touched is the very tree it was before.
      if (!before || fiber.child !== before.child) look(fiber.child);
    }
  };
  Object.assign(window, {
    renders: counts,
    __REACT_DEVTOOLS_GLOBAL_HOOK__: {
      supportsFiber: true,
      inject: () => 1,
      onCommitFiberUnmount: () => undefined,
      onPostCommitFiberRoot: () => undefined,
      onCommitFiberRoot: (_id: number, root: { readonly current: Fiber }) => look(root.current),
    },
  });
}

/** How often components that were there already are drawn anew while something happens, and until it is quiet again. */
async function drawnAnew(page: Page, happen: () => Promise<void>): Promise<number> {
  const counts = () => page.evaluate(() => ({ ...(window as unknown as { renders: { rendered: number } }).renders }));
  const before = await counts();
  await happen();
  await page.waitForTimeout(1000);
  return (await counts()).rendered - before.rendered;
}

test.beforeEach(async ({ page }) => {
  await page.addInitScript(countRenders);
});

test('a tap draws anew what it moves, and not the station', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/run');
  await expect(page.getByRole('button', { name: 'Start levelling' })).toBeVisible();
  await page.waitForTimeout(3000);
  // What counts down is drawn anew meanwhile, tap or no tap.
  const ticking = await drawnAnew(page, async () => undefined);
  const tap = await drawnAnew(page, async () => {
    await page.getByRole('button', { name: 'Start levelling' }).click();
    await expect(page.getByRole('button', { name: 'Level, done' })).toBeEnabled();
  });
  expect(tap).toBeGreaterThan(ticking);
  // 946 while every part of the station was handed the whole job: less than a tenth of it.
  expect(tap - ticking).toBeLessThan(95);
});

test('a passing minute draws anew what tells the time, and an edit what shows it', async ({ page }) => {
  for (const station of ['survey', 'layer', 'quantify']) {
    await page.goto(`/jobs/satin-tourer/${station}`);
    await expect(page.getByRole('navigation', { name: 'Stations of the job' })).toBeVisible();
    await page.waitForTimeout(3000);
    // 157 to 388 before.
    expect(await drawnAnew(page, () => page.clock.fastForward(60_000))).toBeLessThan(60);
  }
  await page.goto('/jobs/taped-shuttle/survey?panel=roof');
  const name = page.getByLabel('Name', { exact: true });
  await expect(name).toBeVisible();
  await page.waitForTimeout(3000);
  const edit = await drawnAnew(page, async () => {
    await name.fill('Mine');
    await page.keyboard.press('Enter');
  });
  // 554 before; the name is in the list, on the net and in the form.
  expect(edit).toBeGreaterThan(0);
  expect(edit).toBeLessThan(400);
});
