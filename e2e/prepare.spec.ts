import { expect, goOn, saved, test } from './workshop';

test('preparation: levels side by side, the ledger, a step left out, and satin that is never polished', async ({
  page,
}) => {
  await page.goto('/jobs/taped-shuttle/prepare');
  const levels = page.getByRole('radiogroup', { name: 'How far it is corrected' });
  await expect(levels.getByRole('radio')).toHaveCount(5);

  await goOn(page, '/jobs/teal-hatchback/prepare');
  await levels.getByRole('radio', { name: /^Full correction/ }).click();
  await expect(levels.getByRole('radio', { name: /^Full correction/ })).toHaveAttribute('aria-checked', 'true');
  const whole = page.getByRole('complementary');
  const before = await whole.locator('.figure').first().innerText();
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  // 46 µm by readings: what this takes, what is kept for later, what is spare, the reserve.
  const sample = page.getByRole('list', { name: 'The stack, from the top down' });
  await expect(sample).toContainText('This correction, at most');
  await expect(sample).toContainText('Reserve, never touched');
  const clay = page.getByRole('listitem').filter({ hasText: 'Because rough to the fingertip' });
  await clay.getByLabel('Leave it out here').check();
  await expect(page.getByText('Left out. What is bonded to the paint is sealed in')).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Whole item' }).click();
  expect(await whole.locator('.figure').first().innerText()).not.toBe(before);

  await page.getByLabel('Use', { exact: true }).selectOption({ label: 'Daily work' });
  await expect(page.getByText(/Sensible: gloss refresh. New marks come every week/)).toBeVisible();
  await page.getByRole('button', { name: 'Take gloss refresh' }).click();
  await expect(levels.getByRole('radio', { name: /^Gloss refresh/ })).toHaveAttribute('aria-checked', 'true');
  await expect(page.getByText(/Mirror cap, .* Blow them out first/)).toBeVisible();

  // The ladder: mildest first, one stronger where too little went, and on the next panel from what worked.
  await page.getByRole('option', { name: /^Roof, / }).click();
  const note = async (gone: string) => {
    await page.getByLabel('Marks gone').fill(gone);
    await page.getByLabel('Took').fill('4');
    await page.getByLabel('Took').press('Tab');
    await page.getByRole('button', { name: 'Note it' }).click();
  };
  await expect(page.getByText(/Try soft foam, finishing polish: the mildest first/)).toBeVisible();
  await page.getByText('Note a test').click();
  await note('35');
  await expect(page.getByText(/Try polishing foam, finishing polish: 35 % went, 80 are wanted/)).toBeVisible();
  await note('90');
  await expect(page.getByText(/Taken: polishing foam, finishing polish/)).toBeVisible();
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect(
    page.getByText(/Try polishing foam, finishing polish: it worked before on this item or its model/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Whole item' }).click();

  // In frost the wash is rinseless, and what needs rinsing says so.
  await page.getByLabel('Air while washing').fill('-4');
  await page.getByLabel('Air while washing').press('Enter');
  await expect(page.getByRole('listitem', { name: 'Rinseless wash' })).toBeVisible();
  await expect(page.getByText('Not here: it freezes on at -4 °C.').first()).toBeVisible();
  await page.getByLabel('Hour of work, EUR').fill('48');
  await page.getByLabel('Hour of work, EUR').press('Enter');
  await expect(levels.getByRole('radio', { name: /^One step/ })).toContainText('€');

  await goOn(page, '/jobs/taped-tourer/prepare?panel=tank');
  await levels.getByRole('radio', { name: /^Full correction/ }).click();
  await expect(page.getByText(/Milder here: a matte finish turns glossy/)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Cutting' })).toHaveCount(0);
});

test.describe('through a morning', () => {
  test.use({ serverNow: '2027-03-02T13:40:00+01:00' });
  test('a stage is started, dwells, is paused with its reason and finished, on two tablets, and teaches the next quote', async ({
    page,
    context,
  }) => {
    await page.goto('/jobs/taped-shuttle/survey?lens=condition');
    await goOn(page, '/jobs/teal-hatchback/prepare');
    const iron = page.getByRole('listitem', { name: 'Iron remover' });
    const promised = await iron.innerText();
    await iron.getByRole('button', { name: 'Start Iron remover' }).click();
    await expect(iron.getByRole('timer')).toContainText(/rinse by 10:4\d, never dry/);
    const wheels = page.getByRole('listitem', { name: 'Wheels' });
    await wheels.getByRole('button', { name: 'Start Wheels' }).click();
    await expect(wheels.getByRole('button', { name: 'Finished' })).toBeVisible();

    const second = await context.newPage();
    await second.goto('/jobs/teal-hatchback/prepare');
    await expect(second.getByRole('listitem', { name: 'Wheels' }).getByRole('button', { name: 'Pause' })).toBeVisible();
    await second.close();

    await wheels.getByRole('button', { name: 'Pause' }).click();
    await wheels.getByRole('button', { name: 'No power' }).click();
    await expect(wheels.getByRole('button', { name: 'Go on' })).toBeVisible();
    await page.clock.fastForward(10 * 60_000);
    await wheels.getByRole('button', { name: 'Go on' }).click();
    await page.clock.fastForward(64 * 60_000);
    await wheels.getByRole('button', { name: 'Finished' }).click();
    // Twice what was promised: the next quote is dearer, and the pause did not count.
    await expect(wheels.getByLabel('Done')).toBeVisible();
    await expect(wheels).toContainText(/1 h 0\d of/);
    // A stage that a later change plans away is still there to be finished.
    const look = page.getByRole('listitem', { name: 'Inspection under the lamp' });
    await look.getByRole('button', { name: 'Start Inspection under the lamp' }).click();
    await expect(look.getByRole('button', { name: 'Finished' })).toBeVisible();
    await page.getByRole('radio', { name: /^No correction/ }).click();
    await expect(look).toContainText('begun, and no longer planned');
    await expect(page.getByText('Two-bucket wash: not begun.')).toBeVisible();
    const learned = async () =>
      (
        (await (await page.request.get('/api/learned-preparation')).json()) as {
          hours: { wheels?: { factor: number; observations: number } };
        }
      ).hours.wheels;
    await expect.poll(async () => (await learned())?.observations).toBe(1);
    expect((await learned())!.factor).toBeGreaterThan(1.3);
    expect(promised).toContain('Iron remover');
  });
});

test('what was really used, found and gone is noted at the bay, and the next promise follows it', async ({ page }) => {
  await page.goto('/jobs/teal-hatchback/prepare');
  const polish = page.getByRole('listitem', { name: 'Single-stage polish' });
  await expect(polish).toContainText(/Polishing foam 125 with Plain Sail One-Step: loads \d, 2 clean and dry/);
  await polish.getByRole('button', { name: 'Start Single-stage polish' }).click();
  await polish.getByRole('button', { name: 'Finished' }).click();
  // It goes from what runs to its place in the order.
  await expect(polish.getByLabel('Done')).toBeVisible();
  await polish.getByRole('button', { name: 'Note what it took' }).click();
  const dialog = page.getByRole('dialog');
  const used = dialog.getByLabel('Plain Sail One-Step');
  const planned = Number(/planned ([\d.]+)/.exec(await dialog.innerText())![1]);
  await used.fill(String(2 * planned));
  await used.press('Enter');
  await dialog.getByLabel('Found while at it').fill('the badge is loose');
  await dialog.getByRole('button', { name: 'Note it' }).click();
  await expect(dialog.getByText('the badge is loose')).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(polish.getByRole('button', { name: 'What it took' })).toBeVisible();
  // More was poured than planned: the list of what is used follows.
  const row = page.getByRole('row', { name: /Plain Sail One-Step/ });
  await expect.poll(async () => Number(/([\d.]+) ml/.exec(await row.innerText())![1])).toBeGreaterThan(planned * 1.3);

  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await page.getByLabel('What became of it: Swirls').getByText('Eased').click();
  await page.getByLabel(/Measured to have gone/).fill('1.5');
  await page.getByLabel(/Measured to have gone/).press('Enter');
  await expect(page.getByText('1.5 µm noted so far')).toBeVisible();
  await expect(page.getByText(/Longreach 21.* at 1 to 5.*Polishing foam 125, Plain Sail One-Step/)).toBeVisible();
  const { shares } = (await (await page.request.get('/api/learned-preparation')).json()) as { shares: object[] };
  expect(shares).toEqual([{ level: 'one-step', kind: 'swirls', severity: 'medium', count: 1, gone: 0.5 }]);

  await page.getByRole('button', { name: 'Side by side, for the owner' }).click();
  const full = page.getByRole('listitem', { name: 'Full correction' });
  await expect(full).toContainText('The stone chips on the bonnet stay.');
  await full.getByRole('button', { name: 'Agree full correction' }).click();
  await expect(full.getByText('Agreed', { exact: true })).toBeVisible();
});

test('the preparation shelf: a pad keeps its liquid and dries by the clock, a sheet that makes no sense is refused', async ({
  page,
}) => {
  await page.goto('/shelf/preparation');
  const pad = page.getByRole('listitem', { name: 'Pad f2' });
  await expect(pad).toContainText('Dirty');
  await pad.getByRole('button', { name: 'Washed: pad f2' }).click();
  await expect(pad).toContainText('Drying until 20:40');
  await page.clock.fastForward(10 * 3600_000 + 60_000);
  await expect(pad).toContainText('Ready');

  await page.getByRole('button', { name: 'A pad', exact: true }).click();
  await page.getByRole('dialog').getByLabel('Kind').selectOption({ label: 'Polishing foam 125' });
  await page.getByRole('dialog').getByLabel('Liquid').selectOption({ label: 'Fairweather Refine' });
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('region', { name: 'Fairweather Refine' }).getByRole('listitem')).toHaveCount(2);

  await page
    .getByRole('button', { name: /^Capstan Rotary/ })
    .last()
    .click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Throw (rotary: 0)').fill('9');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Throw (rotary: 0): a rotary machine has no throw: 0');
  await dialog.getByLabel('Throw (rotary: 0)').fill('0');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();

  // Pads are marked with a liquid: its sheet stays as long as they do.
  await page.getByRole('button', { name: /^Holystone Cut/ }).click();
  await dialog.getByRole('button', { name: 'Take it away' }).click();
  await dialog.getByRole('button', { name: 'Take it away' }).last().click();
  await expect(dialog.getByRole('alert')).toContainText('is one of these: take that away first');
});
