import { expect, test } from './workshop';

test('a bay by its own history: read by hand, taken from a logger, and let plans use how it really runs', async ({
  page,
}) => {
  await page.goto('/bays?bay=bay-2');
  const side = page.getByRole('complementary', { name: 'The bay' });
  await expect(page.getByRole('img', { name: /^Air of Bay 2, by the door: between/ })).toBeVisible();
  await expect(page.getByText('2 of them not believed')).toBeVisible();
  await expect(page.getByText('simulated instrument')).toBeVisible();

  await side.getByLabel('Air', { exact: true }).fill('17.5');
  await side.getByLabel('Humidity', { exact: true }).fill('55');
  await side.getByLabel('Humidity', { exact: true }).press('Enter');
  await side.getByRole('button', { name: 'Note it' }).click();
  await expect(side.locator('.figure').first()).toContainText('17.5');
  await expect(side).toContainText('By hand');

  const heated = side.getByRole('row', { name: /^Heated to/ });
  await expect(heated).toContainText('19.0 °C');
  const fitted = (await heated.getByRole('cell').last().textContent())!;
  await side.getByRole('button', { name: 'Let plans use it' }).click();
  await expect(side.getByRole('button', { name: 'Plans use it' })).toBeDisabled();
  await expect(heated.getByRole('cell').first()).toHaveText(fitted);

  const file = side.getByLabel(/^A logger’s file for/);
  const csv = (text: string) => ({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(csv('time;temp;rh\n2027-03-01 08:00;warm;61'));
  await expect(side.getByRole('alert')).toContainText('line 2: "warm" is no temperature');
  await file.setInputFiles(csv('Datum/Zeit;Temp. °C;Feuchte %\n01.03.2027 08:03;14,5;61\n01.03.2027 08:04;14,6;61'));
  await expect(side).toContainText('2 of 2 are new');

  // Another bay has its own.
  await page.getByRole('radio', { name: 'Slip shed' }).click();
  await expect(page).toHaveURL(/bay=slip-shed/);
  await expect(side.getByRole('row', { name: /^Heated to/ })).toContainText('16.0 °C');
});
