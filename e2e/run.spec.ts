import type { Page } from '@playwright/test';
import { expect, goOn, NOW, recordOf, saved, sayItIsDone, test } from './workshop';

const inHand = (page: Page) => page.getByRole('region', { name: 'In hand' });
const large = (page: Page) => inHand(page).getByRole('heading');

async function does(page: Page, role: 'Lay only' | 'Level only'): Promise<void> {
  await page.getByRole('button', { name: /^This screen/ }).click();
  await page.getByRole('button', { name: role }).click();
  await expect(page.getByRole('button', { name: `This screen: ${role}` })).toBeVisible();
}

test('two screens, one lays and one levels: each sees its own next thing, the oldest first, and what the other has in hand', async ({
  page,
  browser,
  baseURL,
}) => {
  // Another device, not another tab.
  const context = await browser.newContext({ timezoneId: 'Europe/Berlin', baseURL: baseURL! });
  const leveller = await context.newPage();
  await leveller.clock.install({ time: new Date(NOW) });
  await page.goto('/jobs/teal-hatchback/run');
  await leveller.goto('/jobs/teal-hatchback/run');
  await does(page, 'Lay only');
  await does(leveller, 'Level only');
  // What lies already is the leveller's; whoever lays goes on with the next piece.
  await expect(large(leveller)).toHaveText('Rear door, right');
  await expect(large(page)).toHaveText('Rear bumper');
  await expect(inHand(page).getByRole('button', { name: /^Level Rear door, right opens in/ })).toBeVisible();

  await page.getByRole('button', { name: 'Start laying' }).click();
  await expect(inHand(leveller).getByRole('button', { name: 'Rear bumper is laid' })).toBeVisible();
  await page.getByRole('button', { name: 'Laid', exact: true }).click();
  await expect(inHand(leveller).getByRole('button', { name: /^Level Rear bumper/ })).toBeVisible();
  // Working ahead: the layer goes on, the leveller stays with what was laid first.
  await expect(large(page)).toHaveText('Front bumper');
  await expect(large(leveller)).toHaveText('Rear door, right');

  for (const each of [page, leveller]) await each.clock.fastForward(60_000);
  await leveller.getByRole('button', { name: 'Start levelling' }).click();
  await expect(inHand(page).getByRole('button', { name: 'Rear door, right is level' })).toBeVisible();
  await leveller.getByRole('button', { name: 'Level, done' }).click();
  await expect(large(leveller)).toHaveText('Rear bumper');

  // A slip at one screen is taken back there, whatever has been tapped at the other since.
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /^Takes back: Laid Rear bumper/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(large(page)).toHaveText('Rear bumper');
  await expect(inHand(leveller).getByText('Being laid', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Laid', exact: true }).click();
  await leveller.getByRole('button', { name: 'Undo' }).click();
  await expect(large(leveller)).toHaveText('Rear door, right');
  await leveller.getByRole('button', { name: 'Level, done' }).click();
  await expect(large(leveller)).toHaveText('Rear bumper');

  // Both lie open at last: whoever only lays may help, and ends what they began.
  for (const each of [page, leveller]) await each.clock.fastForward(150_000);
  await inHand(page)
    .getByRole('button', { name: /^Level Rear bumper/ })
    .click();
  await expect(large(page)).toHaveText('Rear bumper');
  await expect(page.getByRole('button', { name: 'Level, done' })).toBeVisible();
  await expect(inHand(leveller).getByRole('heading')).not.toHaveText('Rear bumper');
  await context.close();
});

test('somebody comes to help, and leaves again: the rest is laid out anew for whoever is there', async ({ page }) => {
  // Without the collection that is saved in the calendar, it is ready as soon as it can be.
  await page.goto('/jobs/teal-hatchback/time?view=days');
  await page.getByRole('button', { name: 'Release it' }).click();
  await saved(page);
  await goOn(page, '/jobs/teal-hatchback/run');
  const ready = page.getByText(/^ready /);
  const alone = await ready.innerText();
  await page.getByRole('button', { name: /^This screen/ }).click();
  const there = page.getByRole('region', { name: 'Who is there' });
  await expect(there).toContainText('Person 1 lays and levels');
  await there.getByRole('button', { name: 'Lays and levels' }).click();
  await expect(there).toContainText('Person 2 lays and levels');
  await expect(ready).not.toHaveText(alone);
  await there.getByRole('button', { name: 'Person 1 leaves' }).click();
  await expect(there).toContainText('Person 1, gone');
  await expect(there.getByRole('button', { name: /leaves$/ })).toBeHidden();
  await there.getByRole('button', { name: 'Person 1 is back' }).click();
  await there.getByRole('button', { name: 'Person 2 leaves' }).click();
  await expect(there).toContainText('Person 2, gone');
  await expect
    .poll(async () => (await recordOf(page, 'teal-hatchback')).slice(-4).map(({ type }) => type))
    .toEqual(['hands-join', 'hands-leave', 'hands-join', 'hands-leave']);
});

test('another way than planned: a panel before its turn, one left out for a reason and taken up again, a pause', async ({
  page,
}) => {
  await page.goto('/jobs/teal-hatchback/run');
  await does(page, 'Lay only');
  await page.getByRole('option', { name: /^Tailgate/ }).click();
  const map = page.getByRole('region', { name: 'Map' });
  await map.getByRole('button', { name: 'Do it now' }).click();
  await expect(large(page)).toHaveText('Tailgate');

  const count = async () => Number(/of (\d+) patches/.exec(await page.getByText(/of \d+ patches/).innerText())![1]);
  const before = await count();
  await page.getByRole('option', { name: /^Tailgate/ }).click();
  await map.getByRole('button', { name: 'Leave it out' }).click();
  await page.getByRole('button', { name: 'Damaged, or not fit for it' }).click();
  await expect.poll(count).toBeLessThan(before);
  await expect(large(page)).not.toHaveText('Tailgate');
  await page.getByRole('option', { name: /^Tailgate/ }).click();
  await expect(map).toContainText('left out. Damaged, or not fit for it.');
  await map.getByRole('button', { name: 'Take it up again' }).click();
  await expect.poll(count).toBe(before);

  await page.getByRole('button', { name: 'Pause the work' }).click();
  await expect(page.getByRole('dialog')).toContainText('One patch is still wet');
  await page.getByRole('button', { name: 'No power' }).click();
  await expect(large(page)).toHaveText('No power');
  await page.clock.fastForward('05:00');
  await expect(inHand(page)).toContainText('5:0');
  await page.reload();
  await expect(large(page)).toHaveText('No power');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('button', { name: 'Start laying' })).toBeVisible();
  await expect
    .poll(async () => (await recordOf(page, 'teal-hatchback')).slice(-4).map(({ type }) => type))
    .toEqual(['left-out', 'taken-up', 'run-pause', 'run-resume']);
});

test('levelling long before its window, and laying with no bottle in hand, are asked about first', async ({ page }) => {
  // Somebody put the bottle back.
  const stock = (await (await page.request.get('/api/jobs/teal-hatchback/stock')).json()) as {
    kinds: { things: { id: string; inHand?: string }[] }[];
  };
  const held = stock.kinds.flatMap(({ things }) => things).filter(({ inHand }) => inHand === 'teal-hatchback');
  for (const { id: thing } of held)
    await page.request.post('/api/stock/log', {
      data: { id: `back-${thing}`, at: NOW, entry: { type: 'put-back', thing } },
    });
  await page.goto('/jobs/teal-hatchback/run');
  await does(page, 'Lay only');
  await expect(page.getByRole('group', { name: 'Bottle in hand' })).toContainText('No bottle in hand');
  await page.getByRole('button', { name: 'Start laying' }).click();
  const bottle = page.getByRole('dialog', { name: /^No bottle of Ledger Base in hand$/ });
  await bottle.getByRole('button', { name: 'Take one first' }).click();
  const types = async () => (await recordOf(page, 'teal-hatchback')).map(({ type }) => type);
  const before = (await types()).length;
  await page.getByRole('button', { name: 'Start laying' }).click();
  await bottle.getByRole('button', { name: 'Lay without' }).click();
  await page.getByRole('button', { name: 'Laid', exact: true }).click();
  await expect.poll(async () => (await types()).slice(before)).toEqual(['answered', 'lay-start', 'lay-end']);

  // Seconds after it was laid: whoever levels it now is asked, and waits.
  const soon = page.getByRole('button', { name: /^Level Rear bumper opens in/ });
  await soon.click();
  const early = page.getByRole('dialog', { name: 'Too early to level' });
  await expect(early).toContainText(/opens in \d/);
  await early.getByRole('button', { name: 'Wait' }).click();
  await soon.click();
  await early.getByRole('button', { name: 'Level it now' }).click();
  await expect
    .poll(async () => (await types()).slice(before))
    .toEqual(['answered', 'lay-start', 'lay-end', 'level-start']);
});

test('from the first foam: stages one after the other with their clocks, then what the first patch wants at hand', async ({
  page,
}) => {
  await page.goto('/jobs/satin-tourer/run');
  const stage = page.getByRole('region', { name: 'Stage in hand' });
  await expect(stage.getByRole('heading')).toHaveText('Wheels');
  await expect(stage).toContainText('Cold wheels only');
  await stage.getByRole('button', { name: 'Start' }).click();
  await expect(stage.getByRole('timer')).toContainText(/rinse within\s*2:5\d/);
  await stage.getByRole('button', { name: 'Front wheel, left is done' }).click();
  await expect(page.getByRole('option', { name: /^Front wheel, left.*done/ })).toBeVisible();
  await expect(page.getByRole('option', { name: /^Rear wheel, left/ })).not.toHaveAccessibleName(/done/);
  // The next wheel is wet from then on. A pause does not stop what dwells on it, nor the time to rinse it.
  await page.clock.fastForward('01:05');
  await stage.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'No power' }).click();
  await expect(stage.getByRole('button', { name: 'Go on', exact: true })).toBeVisible();
  await expect(stage.getByRole('timer')).toContainText(/rinse within\s*1:[45]\d/);
  await page.clock.fastForward('03:00');
  await expect(stage.getByRole('timer')).toContainText(/rinse now, late by\s*1:\d\d/);
  await stage.getByRole('button', { name: 'Go on', exact: true }).click();
  await expect(stage.getByRole('timer')).toContainText('rinse now, late by');
  await stage.getByRole('button', { name: 'Finished' }).click();
  await expect(stage.getByRole('heading')).not.toHaveText('Wheels');

  await stage.getByRole('button', { name: 'Go on to laying' }).click();
  const asked = page.getByRole('dialog', { name: /stages are not ticked off/ });
  await asked.getByRole('button', { name: /^Back to/ }).click();
  await expect(stage).toBeVisible();
  await stage.getByRole('button', { name: 'Go on to laying' }).click();
  await asked.getByRole('button', { name: 'Go on to laying' }).click();
  await page.getByRole('button', { name: 'Move the start to now' }).click();
  const gate = page.getByRole('region', { name: 'Before the first patch' });
  await expect(gate).toContainText('nobody will know which batch lies on it');
  await gate
    .getByRole('button', { name: /^Go without: Doors|^Go without: Hand light/ })
    .first()
    .click();
  await gate.getByRole('group', { name: 'Bottle in hand' }).getByRole('button').first().click();
  await expect(gate).not.toContainText('nobody will know which batch lies on it');
  await gate.getByRole('button', { name: /lies ready$/ }).click();
  // The checklist stops: nobody lays on what is not washed and wiped. That it is done is said, and kept.
  await expect(page.getByRole('button', { name: 'Start laying' })).toBeHidden();
  await expect(gate).toContainText(/Washed\s*Not ticked off: .*two-bucket wash on \d+ panels/);
  await expect(gate.getByRole('button', { name: 'Go without: Washed' })).toHaveCount(0);
  await sayItIsDone(page);
  await expect(page.getByRole('button', { name: 'Start laying' })).toBeVisible();
  const answers = async () =>
    (await recordOf(page, 'satin-tourer')).flatMap((entry) => (entry.type === 'answered' ? [entry.answer] : []));
  await expect.poll(async () => (await answers()).length).toBeGreaterThan(3);
  expect((await answers()).filter((answer) => answer === 'without')).toHaveLength(1);
});

test('at the panel: more sections than the sheet says, another product by the rules, a fresh towel', async ({
  page,
}) => {
  await page.goto('/jobs/teal-hatchback/run?panel=bonnet');
  const inHand = page.getByRole('region', { name: 'In hand' });
  // Another product: what the rules refuse is not offered; the plan of the panel follows.
  await page.getByRole('option', { name: /^Roof spoiler/ }).click();
  await page.getByRole('button', { name: 'Otherwise' }).click();
  const dialog = page.getByRole('dialog', { name: /^Roof spoiler with/ });
  await expect(dialog.getByRole('button', { name: 'Small block' })).toHaveAttribute('aria-pressed', 'true');
  await expect(dialog).not.toContainText('Pilot');
  await dialog
    .getByRole('listitem')
    .filter({ hasText: 'Breakwater Sealant' })
    .getByRole('button', { name: 'Take it' })
    .click();
  await expect(dialog).toHaveCount(0);
  await expect
    .poll(async () => {
      const { document } = await (await page.request.get('/api/jobs/teal-hatchback')).json();
      return document.surfaces.find(({ id }: { id: string }) => id === 'spoiler').layers[0].product;
    })
    .toBe('breakwater');

  // What is in hand is brought to its end.
  const large = inHand.getByRole('button', { name: /^(Start levelling|Level, done|Start laying|Laid)$/ });
  await large.click();
  await inHand.getByRole('button', { name: 'Level, done' }).click();
  const towel = inHand.getByRole('button', { name: 'Fresh towel' });
  await expect(towel).toBeEnabled();
  await towel.click();
  await expect(towel).toBeDisabled();

  // Cut otherwise before its first section: area and drops follow, and the log has it so.
  await page
    .getByRole('option', { name: /^Front bumper/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Do it now' }).click();
  const sections = inHand.getByRole('group', { name: 'Sections' });
  const before = Number(/(\d+) sections/.exec(await sections.innerText())?.[1] ?? 1);
  await sections.getByRole('button', { name: 'More sections' }).click();
  await expect(sections).toContainText(`${before + 1} sections`);
  await large.click();
  await expect
    .poll(async () => {
      const laid = (await recordOf(page, 'teal-hatchback')).filter((entry) => entry.type === 'lay-start').at(-1)!;
      return [laid.patch.surface, laid.start.sections];
    })
    .toEqual(['front-bumper', before + 1]);
  await expect(inHand).toContainText(`section 1 of ${before + 1}`);
});
