import { expect, saved, test } from './workshop';

test('what the paint looks like is said in one tap; a test spot on one panel decides for its like; the site rules steps out', async ({
  page,
}) => {
  await page.goto('/jobs/taped-shuttle/prepare');
  const asked = page.getByRole('heading', { name: '2 panels nobody has looked at' });
  await expect(asked).toBeVisible();
  await expect(page.getByRole('radio', { name: /^One step/ })).toContainText('nobody has looked');
  await page.getByRole('group', { name: 'Swirls all over' }).getByRole('button', { name: 'Heavy' }).click();
  await expect(asked).toBeHidden();
  await expect(page.getByRole('radio', { name: /^One step/ })).toContainText('45 % of marks go');

  await page.getByRole('option', { name: /^Roof/ }).click();
  await page.getByText('Note a test').click();
  await page.getByLabel('Pad and liquid').selectOption('medium-onestep');
  for (const [label, value] of [
    ['Marks gone', '90'],
    ['Took', '2'],
    ['Clear taken', '1.4'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  await page.getByRole('button', { name: 'Note it' }).click();
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect(page.getByText('Measured on the roof: 8.0 min/m², 90 % gone, 1.4 µm taken.')).toBeVisible();
  await page.getByText('P3000', { exact: true }).click();
  await expect(page.getByText(/Not here: its clear is not known: nothing is sanded on a guess/)).toBeVisible();

  await page.getByRole('button', { name: 'Whole item' }).click();
  await page.getByLabel('Power').first().uncheck();
  await expect(page.getByText(/Blow dry: there is no power here/)).toBeVisible();
});

test('who works on it is said by name, and a school changes what is promised beside the makers’ minimum', async ({
  page,
}) => {
  await page.goto('/jobs/taped-tourer/time');
  await page.getByRole('button', { name: 'Somebody by name' }).click();
  await page.getByLabel('Name').fill('Odile');
  await page.getByLabel('Name').press('Enter');
  // Two evenings, though the bay is shut then: when it is ready follows.
  const ready = page.getByRole('link', { name: /^Time/ });
  const inOpeningHours = await ready.innerText();
  await page.getByRole('button', { name: 'Add own hours, evenings too' }).click();
  const hours = page.getByRole('group', { name: 'Hours of Odile' });
  await hours.getByLabel('From: time').fill('18:30');
  await hours.getByLabel('From: time').press('Enter');
  await hours.getByLabel('To: time').fill('21:30');
  await hours.getByLabel('To: time').press('Enter');
  await page.getByRole('button', { name: 'Same hours the next day' }).click();
  await expect(ready).not.toHaveText(inOpeningHours);
  await page.getByRole('button', { name: 'Somebody by name' }).click();
  await page.getByLabel('Does').last().selectOption('level');
  await saved(page);
  expect(await (await page.request.get('/api/jobs/taped-tourer')).json()).toMatchObject({
    document: {
      crew: {
        people: [
          {
            id: 'Odile',
            does: ['lay', 'level'],
            hours: [
              [expect.stringContaining('T18:30'), expect.stringContaining('T21:30')],
              [expect.any(String), expect.any(String)],
            ],
          },
          { id: 'Person 2', does: ['level'] },
        ],
      },
    },
  });
  await expect(page.getByText('the makers’ minimum')).toBeHidden();
  await page.getByLabel('Hand-over').selectOption('two-days');
  await expect(page.getByText('The makers’ minimum for hand-over')).toBeVisible();
});
