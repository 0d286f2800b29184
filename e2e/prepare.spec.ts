import { expect, saved, test } from './workshop';

test('preparation: levels side by side, the ledger, a step left out, and satin that is never polished', async ({
  page,
}) => {
  await page.goto('/jobs/hotel-shuttle/prepare');
  const levels = page.getByRole('radiogroup', { name: 'How far it is corrected' });
  await expect(levels.getByRole('radio')).toHaveCount(5);

  await page.goto('/jobs/teal-hatchback/prepare');
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
  await expect(page.getByText(/Try polishing foam, finishing polish: it worked on this item before/)).toBeVisible();
  await page.getByRole('button', { name: 'Whole item' }).click();

  // In frost the wash is rinseless, and what needs rinsing says so.
  await page.getByLabel('Air while washing').fill('-4');
  await page.getByLabel('Air while washing').press('Enter');
  await expect(page.getByRole('listitem', { name: 'Rinseless wash' })).toBeVisible();
  await expect(page.getByText('Not here: it freezes on at -4 °C.').first()).toBeVisible();
  await page.getByLabel('Hour of work, EUR').fill('48');
  await page.getByLabel('Hour of work, EUR').press('Enter');
  await expect(levels.getByRole('radio', { name: /^One step/ })).toContainText('€');

  await page.goto('/jobs/satin-tourer/prepare?panel=tank');
  await levels.getByRole('radio', { name: /^Full correction/ }).click();
  await expect(page.getByText(/Milder here: a matte finish turns glossy/)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Cutting' })).toHaveCount(0);
});

test('a stage is started, dwells, is paused with its reason and finished, on two tablets, and teaches the next quote', async ({
  page,
  context,
}) => {
  await page.goto('/jobs/hotel-shuttle/survey?lens=condition');
  await page.goto('/jobs/teal-hatchback/prepare');
  const iron = page.getByRole('listitem', { name: 'Iron remover' });
  const promised = await iron.innerText();
  await iron.getByRole('button', { name: 'Start Iron remover' }).click();
  await expect(iron.getByRole('timer')).toContainText(/rinse by 10:4\d, never dry/);
  const wheels = page.getByRole('listitem', { name: 'Wheels' });
  await wheels.getByRole('button', { name: 'Start Wheels' }).click();
  await expect(wheels.getByRole('button', { name: 'Finished' })).toBeVisible();

  const second = await context.newPage();
  await second.clock.install({ time: new Date('2027-03-02T10:40:00+01:00') });
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
  await expect(page.getByText('Two-bucket wash is not begun.')).toBeVisible();
  const { wheels: learned } = (await (await page.request.get('/api/learned-hours')).json()) as {
    wheels: { factor: number; observations: number };
  };
  expect(learned.observations).toBe(1);
  expect(learned.factor).toBeGreaterThan(1.3);
  expect(promised).toContain('Iron remover');
});
