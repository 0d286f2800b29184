import { expect, goOn, saved, test } from './workshop';

test('handed over: agreed beside done, signed by hand, and the passport stands as it was signed', async ({ page }) => {
  await page.goto('/jobs/slate-estate/hand-over');
  await expect(page.getByRole('region', { name: 'Agreed and done' })).toContainText('All of it as agreed');
  await expect(page.getByRole('note')).toContainText('Check is not closed yet');
  const sign = page.getByRole('button', { name: 'Hand it over' });
  await expect(sign).toBeDisabled();
  const pad = page.getByRole('img', { name: 'Sign here' });
  await pad.scrollIntoViewIfNeeded();
  const box = (await pad.boundingBox())!;
  await page.mouse.move(box.x + 30, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 120, box.y + 20, { steps: 6 });
  await page.mouse.move(box.x + 220, box.y + 90, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByLabel('Who signs')).toHaveValue('Tove Lindgren');
  await sign.click();
  await expect(page.getByRole('img', { name: 'Signature of Tove Lindgren' })).toBeVisible();
  const signed = await (await page.request.get('/api/jobs/slate-estate/passport.json')).json();

  // The owner's word on pictures, and withdrawn.
  const shown = page.getByRole('radio', { name: 'The owner agrees' });
  await shown.click();
  await expect(shown).toBeChecked();
  await page.getByRole('radio', { name: 'No', exact: true }).click();
  await expect(page.getByText(/^Said today/)).toBeVisible();
  expect(await (await page.request.get('/api/jobs/slate-estate/passport.json')).json()).toEqual(signed);

  // As a page, on its own: no script of it runs, nothing is fetched.
  const asked: string[] = [];
  const alone = await page.context().newPage();
  alone.on('request', (request) => asked.push(request.url()));
  await alone.goto('/api/jobs/slate-estate/passport.html');
  await expect(alone.getByRole('heading', { name: 'Slate estate' })).toBeVisible();
  await alone
    .locator('summary')
    .filter({ hasText: /^Bonnet$/ })
    .click();
  await expect(alone.locator('details[open]')).toContainText('Comes off by');
  expect(asked.filter((url) => !url.endsWith('passport.html') && !url.endsWith('favicon.ico'))).toEqual([]);
});

test('a passport from elsewhere: a changed byte is told and refused; whole it is the item’s past', async ({ page }) => {
  const file = await (await page.request.get('/api/jobs/two-door-classic/passport.json')).json();
  const put = (value: unknown) =>
    page.getByLabel('Passport file').setInputFiles({
      name: 'passport.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
    });
  await page.goto('/items');
  await put('no passport');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toContainText('This file is no passport');
  await dialog.getByRole('button', { name: 'Close' }).click();
  const bent = structuredClone(file);
  bent.passport.panels[0].clearUm = 99;
  await put(bent);
  await expect(dialog).toContainText('Changed since it was signed');
  await expect(dialog.getByRole('button', { name: 'Begin the item here with it' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Close' }).click();

  // Out of the page as well as out of the file. It is here already, and is told so.
  const html = await (await page.request.get('/api/jobs/two-door-classic/passport.html')).text();
  await put(html);
  await expect(dialog).toContainText('Signed by this workshop, and not changed since.');
  await dialog.getByRole('button', { name: 'Begin the item here with it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('is here already');
});

test('years on: a drop pulls the life of a panel, what is due stands in one list, and taking it off is a job at a tap', async ({
  page,
}) => {
  await page.goto('/items?view=care');
  const due = page.getByRole('table', { name: 'Due in care' });
  await expect(due.getByRole('row', { name: /^Slate estate/ })).toContainText('First wash');

  await goOn(page, '/jobs/two-door-classic/care?panel=bonnet');
  await expect(page.getByText('no drop has been read on it after its first month')).toBeVisible();
  const drop = page.getByLabel('Today a drop stands on it at');
  await drop.fill('300');
  await drop.press('Enter');
  await expect(page.getByText('an angle between 0 and 180°')).toBeVisible();
  await drop.fill('70');
  await drop.press('Enter');
  await expect(page.getByText(/By 1 drop read on it: \d+ months? instead of the \d+ expected/)).toBeVisible();

  await page.getByLabel('Where').selectOption({ label: 'front' });
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page).toHaveURL(/\/jobs\/[^/]+\/prepare/);
  await expect(page.getByRole('heading', { name: /taken off/ })).toBeVisible();
  await expect(page.getByText('Take off what is on it').first()).toBeVisible();
});

test('the years in one go: signed, a year passes, a care visit, a panel repaired, a renewal planned over what is left', async ({
  page,
  workshop,
}) => {
  test.slow();
  await page.goto('/jobs/slate-estate/hand-over');
  const pad = page.getByRole('img', { name: 'Sign here' });
  await pad.scrollIntoViewIfNeeded();
  const box = (await pad.boundingBox())!;
  await page.mouse.move(box.x + 30, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 220, box.y + 90, { steps: 6 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByRole('img', { name: 'Signature of Tove Lindgren' })).toBeVisible();

  // A year passes.
  await page.goto('about:blank');
  await workshop.kill();
  workshop.now = '2028-03-02T09:00:00+01:00';
  await workshop.start();
  await page.clock.setSystemTime(new Date(workshop.now));
  await page.goto('/jobs/slate-estate/care');
  await page.getByRole('button', { name: 'Begin a care visit' }).click();
  await expect(page).toHaveURL(/\/run$/);
  const visit = page.url().replace(/\/run$/, '');
  await goOn(page, `${visit}/care?panel=bonnet`);
  const drop = page.getByLabel('Today a drop stands on it at');
  await drop.fill('75');
  await drop.press('Enter');
  await expect(page.getByText('75° before the wash says nothing of it')).toBeVisible();

  await goOn(page, `${visit}/run`);
  const stage = page.getByRole('region', { name: 'Stage in hand' });
  await expect(stage).toContainText('Next, 1 of');
  await expect(stage.getByRole('button', { name: 'Go on to laying' })).toHaveCount(0);
  const done = page.getByRole('heading', { name: 'All stages are done' });
  while (!(await done.isVisible())) {
    const name = await stage.getByRole('heading').innerText();
    await stage.getByRole('button', { name: 'Start' }).click();
    await page.clock.fastForward('00:05');
    await stage.getByRole('button', { name: 'Finished' }).click();
    await expect(done.or(stage.getByRole('heading').filter({ hasNotText: name }))).toBeVisible();
  }
  await page.getByRole('link', { name: 'What is left on it' }).click();
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  const strata = page.getByRole('list', { name: 'The stack, from the top down' });
  await expect(strata).toContainText('at an earlier visit');
  await drop.fill('75');
  await drop.press('Enter');
  await expect(page.getByText(/By \d drops? read on it: \d+ months? instead of the \d+ expected/)).toBeVisible();

  // A panel was repainted: planned again with what the rest has, once its paint has breathed.
  const shop = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Repaired at a body shop' }) })
    .last();
  await shop.getByLabel('Repainted on').fill('1 Mar 2028');
  await shop.getByLabel('Repainted on').press('Enter');
  await expect(shop).toContainText('As the rest: Breakwater Sealant');
  const until = /nothing is laid on it before (\w+ \d+ \w+|\d+ \w+ \d+)/.exec(await shop.innerText())![1]!;
  await shop.getByRole('button', { name: 'Plan this panel again' }).click();
  await expect(page.getByRole('heading', { name: 'Slate estate, bonnet repaired' })).toBeVisible();
  await goOn(page, page.url().replace(/prepare$/, 'layer?panel=bonnet'));
  await expect(strata).toContainText('Breakwater Sealant');
  await expect(page.getByText(until.split(' ').slice(0, 2).join(' ')).first()).toBeVisible();

  // Renewed: a sealant is laid over what is left of itself, and nothing comes off first.
  await goOn(page, `${visit}/care`);
  const renewed = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Renewed on/ }) })
    .last();
  await expect(renewed).toContainText('Breakwater Sealant, 21 panels: laid over what stands.');
  await renewed.getByRole('button', { name: 'Plan the renewal' }).click();
  await expect(page.getByRole('heading', { name: 'Slate estate, renewed' })).toBeVisible();
  await expect(page.getByText('Take off what is on it')).toHaveCount(0);

  // The item is in care with all of it.
  await goOn(page, '/items/estate-of-tove-lindgren');
  await expect(
    page
      .getByRole('link', { name: /care visit/ })
      .or(page.getByText(/care visit/))
      .first(),
  ).toBeVisible();
});

test('a renewal planned for another year, and the item back the same day: what is to be renewed still lies on it', async ({
  page,
}) => {
  await page.goto('/jobs/two-door-classic/care');
  const renewed = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Renewed on/ }) })
    .last();
  await renewed.getByRole('button', { name: 'Plan the renewal' }).click();
  await expect(page.getByRole('heading', { name: /renewed$/ })).toBeVisible();
  const classic = (await (await page.request.get('/api/jobs/two-door-classic')).json()) as Kept;
  const itemId = classic.document.item.id;
  await goOn(page, `/items/${itemId}`);
  await expect(page.getByText(/^planned for/)).toBeVisible();
  await page.getByRole('link', { name: 'It is here again' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Classic, a scratch');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page).toHaveURL(/\/survey/);
  const again = (await (await page.request.get(`/api/jobs/${/jobs\/([^/]+)/.exec(page.url())![1]}`)).json()) as Kept;
  const bonnet = ({ document }: Kept) => document.surfaces.find(({ id }) => id === 'bonnet')!;
  const laid = bonnet(classic).layers.map(({ product }) => classic.document.products.find(({ id }) => id === product)!);
  expect(laid.length).toBeGreaterThan(0);
  expect(bonnet(again).existing).toEqual([...bonnet(classic).existing, ...laid.map(({ family }) => family)]);
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect(page.getByRole('button', { name: 'Not there' })).toHaveCount(bonnet(again).existing.length);
});

interface Kept {
  readonly document: {
    readonly item: { readonly id: string };
    readonly products: readonly { readonly id: string; readonly family: string }[];
    readonly surfaces: readonly {
      readonly id: string;
      readonly existing: readonly string[];
      readonly layers: readonly { readonly product: string }[];
    }[];
  };
}

test('the workshop grants its own warranty: its term, number and conditions, or none; the passport says the same', async ({
  page,
}) => {
  const onPassport = async () =>
    (
      (await (await page.request.get('/api/jobs/slate-estate/passport.json')).json()) as {
        passport: { warranty: { covers: { product: string; months: number }[]; number?: string } | null };
      }
    ).passport.warranty;
  await page.goto('/jobs/slate-estate/hand-over');
  const wheels = page.getByLabel(/^Bollard Wheel, granted for/);
  await expect(wheels).toHaveValue('14');
  await wheels.fill('36');
  await wheels.press('Enter');
  await expect(page.getByText('Granted for longer than it is expected to last on this item.')).toBeVisible();
  await page.getByLabel('Warranty number').fill('TY-27-099');
  await page.getByLabel('Warranty number').press('Enter');
  await saved(page);
  expect(await onPassport()).toMatchObject({
    number: 'TY-27-099',
    covers: [{ product: 'Bollard Wheel', months: 36 }],
  });
  await wheels.fill('');
  await wheels.press('Enter');
  await expect(page.getByText('No warranty is granted.')).toBeVisible();
  await saved(page);
  expect(await onPassport()).toBeNull();
});
