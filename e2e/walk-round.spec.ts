import { expect, saved, test } from './workshop';

test('a walk-round of 30 marks and 60 readings takes at most 200 taps', async ({ page }) => {
  test.slow();
  await page.goto('/jobs/teal-hatchback/survey');
  await expect(page.getByRole('option', { name: /^Bonnet/ })).toBeVisible();
  let taps = 0;
  const tap = async (act: () => Promise<void>) => {
    taps += 1;
    await act();
  };
  const panel = (id: string) => page.locator(`[data-panel="${id}"]`);
  const panels = ['bonnet', 'roof', 'front-door-left', 'front-door-right', 'rear-door-left', 'rear-door-right'];

  await tap(() => page.getByRole('radio', { name: 'Condition' }).click());
  const before = Number(/\d+/.exec(await page.getByRole('heading', { name: /marks$/ }).innerText()));
  for (const kind of ['Swirls', 'Stain', 'Stone chip', 'Water-spot etching', 'Random deep scratch']) {
    await tap(() => page.getByRole('group', { name: 'What is seen' }).getByRole('button', { name: kind }).click());
    for (const [index, id] of panels.entries()) {
      const box = (await panel(id).locator('path').first().boundingBox())!;
      await tap(() => page.mouse.click(box.x + box.width * (0.35 + 0.05 * index), box.y + box.height / 2));
    }
  }
  await expect(page.getByRole('heading', { name: `${before + 30} marks` })).toBeVisible();

  await tap(() => page.getByRole('radio', { name: 'Thickness' }).click());
  await tap(() => page.getByRole('button', { name: 'Gauge in hand' }).click());
  const read = async () => Number(/\d+/.exec(await page.getByRole('heading', { name: /readings on/ }).innerText()));
  const readBefore = await read();
  for (let nth = 1; nth <= 10; nth++) {
    for (const id of panels) {
      const box = (await panel(id).locator('path').first().boundingBox())!;
      await tap(() => page.mouse.click(box.x + box.width / 2, box.y + box.height / 2));
    }
    await expect.poll(read, { intervals: [20, 40, 80] }).toBe(readBefore + nth * panels.length);
  }
  expect(taps).toBeLessThanOrEqual(200);
  await saved(page);
});

test('marks carry what becomes of them, on satin nothing that polishes is promised, and the sheet says it all', async ({
  page,
}) => {
  await page.goto('/jobs/taped-tourer/survey?lens=condition');
  await page.getByRole('group', { name: 'What is seen' }).getByRole('button', { name: 'Swirls' }).click();
  await page.getByRole('option', { name: 'Tank' }).click();
  await page.getByRole('group', { name: 'What is seen' }).getByRole('button', { name: 'Swirls' }).click();
  await page.getByRole('option', { name: 'Tank' }).click();
  const becomes = page.getByLabel('What becomes of it: Swirls');
  await expect(becomes.locator('option:checked')).toHaveText('Stays, by the plan');
  await expect(becomes.getByRole('option')).toHaveText([
    'Stays, by the plan',
    'Is hidden, as agreed',
    'Stays, as agreed',
  ]);
  await page.getByLabel('How grave: Swirls').selectOption('heavy');
  await page.getByRole('radio', { name: 'Beads' }).click();
  await expect(page.getByText('take something to be there until it sheets')).toBeVisible();
  await page.getByRole('button', { name: 'Whole item' }).click();
  await expect(page.getByRole('heading', { name: '1 mark', exact: true })).toBeVisible();
  await saved(page);
  const sheet = await page.request.get('/api/jobs/taped-tourer/walk-round.pdf');
  expect(sheet.headers()['content-type']).toContain('application/pdf');
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing is marked yet' })).toBeVisible();
});

test('a side that was repainted is told, and readings come in from a file or not at all', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/survey?lens=condition');
  await expect(page.getByText(/right is 1\d\d µm thicker/)).toBeVisible();
  await page.getByRole('radio', { name: 'Thickness' }).click();
  await page.getByRole('button', { name: 'Readings from a file' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox').fill('panel;um\nRear wing, left;61,5\nTowbar;110\nRoof;4000000');
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Towbar: no surface of this job is called that');
  await expect(dialog.getByRole('alert')).toContainText('line 4');
  await dialog.getByRole('textbox').fill('panel;um\nRear wing, left;61,5\nRear wing, left;63');
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(page.getByRole('row', { name: /Rear wing, left/ })).toContainText('thin');
});

test('a panel splits along a drawn line, keeps its place and its area, and is joined again by undo', async ({
  page,
}) => {
  await page.goto('/jobs/teal-hatchback/survey');
  const tailLamp = page.locator('[data-panel="tail-lamp-left"]');
  await expect(tailLamp).toBeVisible();
  const area = page.getByText(/^14\.\d m²$/).first();
  const before = await area.innerText();
  await page.getByRole('radio', { name: 'Map' }).click();
  await page.getByRole('button', { name: 'Split', exact: true }).click();
  const tap = async (panel: string, across: number, down: number) => {
    const box = (await page.locator(`[data-panel="${panel}"] path`).first().boundingBox())!;
    await page.mouse.click(box.x + across * box.width, box.y + down * box.height);
  };
  await tap('bonnet', 0.5, 0.3);
  await expect(page.getByText(/cannot be split: work has been logged on it/)).toBeVisible();
  await tap('rear-bumper', 0.7, 0.1);
  await expect(page.getByText('Now tap where the line ends.')).toBeVisible();
  await tap('rear-bumper', 0.7, 0.9);
  await expect(page.getByText('Rear bumper is in 2 pieces; Undo joins them again.')).toBeVisible();
  await expect(page.getByRole('option', { name: /^Rear bumper [ab]/ })).toHaveCount(2);
  await saved(page);
  await page.getByRole('radio', { name: 'What it is' }).click();
  expect(await area.innerText()).toBe(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('option', { name: /^Rear bumper, / })).toHaveCount(1);
});
