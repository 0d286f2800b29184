import sharp from 'sharp';
import { expect, goOn, saved, test } from './workshop';

const SVG = `<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="400mm" viewBox="0 0 900 400">
  <g id="Glazing"><path id="pane" d="M0 0 H400 V300 H0 Z"/><circle id="port" cx="650" cy="150" r="120"/></g>
  <g id="Trouble"><path id="open" d="M500 300 L600 300 L600 390"/></g></svg>`;

test('the map: a panel drawn, cut out of another, reshaped, joined and taken from a drawing; all of it undone, kept and used again', async ({
  page,
}) => {
  test.slow();
  const area = (name: RegExp) => page.getByRole('option', { name });
  await test.step('a flat panel from its template', async () => {
    await page.goto('/new');
    await page.getByLabel('Job', { exact: true }).fill('Pilot office door');
    await page.getByLabel('Measured from').selectOption({ label: 'Door or flat panel, both faces' });
    await page.getByLabel('Thickness, mm').fill('0,045');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await expect(page.getByText('if that was in metres, it is 45 mm')).toBeVisible();
    await page.getByLabel('Thickness, mm').fill('45');
    await expect(page.getByText('if that was in metres')).toHaveCount(0);
    await page.getByRole('button', { name: 'Start the job' }).click();
    await expect(area(/^Face, 1\.70 m²/)).toBeVisible();
  });

  await test.step('drawn over the face, and cut out of it', async () => {
    await page.getByRole('radio', { name: 'Map' }).click();
    await page.getByRole('button', { name: 'Draw', exact: true }).click();
    const face = (await page.locator('[data-panel="face"] path').first().boundingBox())!;
    const at = (across: number, down: number) =>
      page.mouse.click(face.x + across * face.width, face.y + down * face.height);
    await at(0.3, 0.3);
    await at(0.6, 0.3);
    await expect(page.getByText('The next corner.', { exact: true })).toBeVisible();
    await at(0.6, 0.7);
    await at(0.3, 0.7);
    await at(0.3, 0.3);
    await expect(page.getByText('A new panel')).toBeVisible();
    await expect(page.getByText(/0\.20 m² of Face/)).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Kick plate');
    await page.getByLabel('Made of').selectOption('bare-metal');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(area(/^Kick plate, 0\.20 m²/)).toBeVisible();
    // A hole is cut open: two pieces of the face, and nothing claimed twice.
    await expect(area(/^Face/)).toHaveCount(2);
    await expect(page.getByText('Claimed twice')).toHaveCount(0);
  });

  await test.step('a corner moved by key is claimed twice, told, and undone', async () => {
    await area(/^Kick plate/).click();
    await page.getByRole('button', { name: 'Corners' }).click();
    const corner = page.getByRole('button', { name: 'Corner 2 of 4' });
    await corner.focus();
    for (let nth = 0; nth < 12; nth++) await page.keyboard.press('ArrowRight');
    await page.getByRole('button', { name: 'Whole item' }).click();
    await expect(page.getByText(/both claim 0\.0\d m²/)).toBeVisible();
    for (let nth = 0; nth < 12; nth++) await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('Claimed twice')).toHaveCount(0);
  });

  await test.step('two pieces joined', async () => {
    await page.getByRole('button', { name: 'Join', exact: true }).click();
    await area(/^Face, /)
      .first()
      .click();
    await expect(page.getByText('Now tap its neighbour.')).toBeVisible();
    await area(/^Kick plate/).click();
    await expect(area(/^Kick plate/)).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(area(/^Kick plate/)).toHaveCount(1);
    // The tool stays in hand.
    await area(/^Long edge, left/).click();
    await area(/^Back/).click();
    await expect(page.getByText(/Not joined: .*/)).toBeVisible();
  });

  await test.step('outlines from a drawing, with its unit; what is open is left out with its place', async () => {
    await page.getByRole('button', { name: 'From a drawing' }).click();
    const dialog = page.getByRole('dialog');
    await dialog
      .getByLabel('Drawing')
      .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('x') });
    await expect(dialog.getByRole('alert')).toContainText('SVG and DXF are read');
    await dialog
      .getByLabel('Drawing')
      .setInputFiles({ name: 'glazing.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(SVG) });
    await expect(dialog.getByText(/open on Trouble is open: its ends lie 1\d\d mm apart/)).toBeVisible();
    await expect(dialog.getByText('0.77 × 0.30 m over all.')).toBeVisible();
    await dialog.getByLabel('Its unit').selectOption('in');
    await expect(dialog.getByText(/19\.\d+ × /)).toBeVisible();
    await dialog.getByLabel('Its unit').selectOption('mm');
    await dialog.getByLabel('Made of').selectOption('glass');
    await dialog.getByRole('button', { name: 'Take in 2 panels' }).click();
    await expect(area(/^pane, 0\.12 m²/)).toBeVisible();
    await expect(area(/^port, 0\.05 m²/)).toBeVisible();
  });

  await test.step('kept as a template, and the next one is made from it at another size', async () => {
    await page.getByLabel('Name of the template').fill('Door with kick plate');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText(/Kept: Door with kick plate/)).toBeVisible();
    await saved(page);
    await goOn(page, '/new');
    await page.getByLabel('Job', { exact: true }).fill('Second door');
    await page.getByLabel('Measured from').selectOption({ label: 'Door with kick plate' });
    await page.getByLabel('Length, mm').fill('2200');
    await page.getByRole('button', { name: 'Start the job' }).click();
    await expect(area(/^Kick plate, 0\.22 m²/)).toBeVisible();
    await expect(area(/^Back, 1\.87 m²/)).toBeVisible();
  });
});

test('a panel drawn by key over a photograph is as large as its scale says', async ({ page }) => {
  const plan = await sharp({ create: { width: 800, height: 400, channels: 3, background: '#9ab' } })
    .png()
    .toBuffer();
  await page.goto('/new');
  await page.getByLabel('Job', { exact: true }).fill('Odd panel');
  await page.getByLabel('Measured from').selectOption({ label: 'Tape only: add surfaces one by one' });
  await page.getByRole('button', { name: 'Start the job' }).click();
  await page.getByRole('radio', { name: 'Map' }).click();
  await page
    .locator('[data-takes="Picture to draw over"]')
    .setInputFiles({ name: 'odd.png', mimeType: 'image/png', buffer: plan });
  await expect(page.getByText('Tap two points on the picture')).toBeVisible();
  const picture = page.locator('svg[role="listbox"] image');
  const before = (await picture.boundingBox())!;
  // The whole width of the picture, said to be 4 m.
  await page.mouse.click(before.x + 1, before.y + before.height / 2);
  await page.mouse.click(before.x + before.width - 1, before.y + before.height / 2);
  await page.getByLabel('True distance').fill('4000');
  await page.getByLabel('True distance').press('Enter');
  await page.getByRole('button', { name: 'Draw', exact: true }).click();
  const box = (await picture.boundingBox())!;
  for (const [x, y] of [
    [0.25, 0.25],
    [0.75, 0.25],
    [0.75, 0.75],
  ] as const) {
    await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
  }
  await page.locator('svg[role="listbox"]').focus();
  await page.keyboard.press('Enter');
  // Half of 2 m by 1 m.
  await expect(page.getByText(/^(1\.0\d|0\.9\d) m²$/)).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Odd panel');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByRole('option', { name: /^Odd panel/ }).click();
  await expect(page.getByText(/by trace over a scaled picture/)).toBeVisible();
});

test('pictures: taken in, refused by name, before and after, taken away and brought back, on the sheet', async ({
  page,
}) => {
  const shot = (background: string) =>
    sharp({ create: { width: 640, height: 480, channels: 3, background } })
      .jpeg()
      .toBuffer();
  await page.goto('/jobs/taped-shuttle/survey?lens=condition');
  const whole = page.getByRole('complementary');
  const input = whole.locator('[data-takes="picture"]');
  await input.setInputFiles([
    { name: 'front.jpg', mimeType: 'image/jpeg', buffer: await shot('#357') },
    { name: 'list.heic', mimeType: 'image/heic', buffer: Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1heic') },
  ]);
  await expect(whole.getByRole('alert')).toContainText('list.heic: This is a HEIC photograph');
  const thumb = whole.getByRole('button', { name: /^As seen: Taped shuttle/ });
  await thumb.click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('It shows').selectOption('before');
  await dialog.getByLabel('Note').fill('Before the wash');
  await dialog.getByLabel('Note').press('Tab');
  await dialog
    .locator('[data-takes="Take the after"]')
    .setInputFiles({ name: 'after.jpg', mimeType: 'image/jpeg', buffer: await shot('#8ce') });
  await expect(dialog.getByLabel('Wipe from after to before')).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(whole.getByRole('button', { name: /^Before: Taped shuttle, Before the wash/ })).toBeVisible();
  await whole.getByRole('button', { name: /^After: / }).click();
  await dialog.getByRole('button', { name: 'Take this picture away' }).click();
  await page.getByRole('dialog').last().getByRole('button', { name: 'Take this picture away' }).click();
  await expect(whole.getByRole('button', { name: /^After: / })).toHaveCount(0);
  await whole.getByRole('button', { name: 'Bring it back' }).click();
  await expect(whole.getByRole('button', { name: /^After: / })).toHaveCount(1);
  const sheet = await page.request.get('/api/jobs/taped-shuttle/walk-round.pdf');
  const text = (await sheet.body()).toString('latin1');
  expect(text.match(/\/Subtype \/Image/g)).toHaveLength(2);
});

test('an item comes back: its history by panel, and what was laid is found on it', async ({ page }) => {
  await page.goto('/items');
  await page.getByLabel('Item, owner, plate').fill('varga');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('link', { name: 'Teal hatchback' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Breakwater Sealant' })).toContainText('22 panels');
  await page.getByLabel('Panel').selectOption({ label: 'Bonnet' });
  await expect(page.getByRole('listitem').filter({ hasText: 'Breakwater Sealant' })).toContainText('bonnet');
  await page.getByRole('link', { name: 'It is here again' }).click();
  await expect(page.getByLabel('Owner', { exact: true })).toHaveValue('Imke Varga');
  await expect(page.getByLabel('Wheelbase, mm')).toHaveValue('2460');
  await page.getByLabel('Job', { exact: true }).fill('Teal hatchback, third visit');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await page.waitForURL(/survey/);
  await page.getByRole('option', { name: /^Bonnet/ }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Ceramic base' })).toBeVisible();
  await goOn(page, '/items/hatchback-of-imke-varga');
  // What is only planned is no visit of its life yet.
  await expect(page.getByText('here twice, 1 planned')).toBeVisible();
  await expect(page.getByRole('img', { name: /^The life of the item: 2 products, 2 visits/ })).toBeVisible();

  // The owner wants to be forgotten: the item is not.
  await page.getByRole('button', { name: 'Remove it' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Removed from 3 jobs' })).toBeVisible();
  await expect(page.getByText('Owner not said, here twice, 1 planned')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Breakwater Sealant' })).toContainText('22 panels');
});

test('groups are switched on, an item is measured anew, and the gauge streams to a panel', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Job', { exact: true }).fill('Estate');
  await page.getByLabel('Measured from').selectOption({ label: 'Estate, five doors' });
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('option', { name: /^Parking sensor 1, front/ })).toBeVisible();
  await page.getByLabel(/^Jambs of doors and lids/).check();
  await expect(page.getByRole('option', { name: /^Door jambs/ })).toBeVisible();
  await page.getByLabel(/^Cameras and sensors/).uncheck();
  await expect(page.getByRole('option', { name: /^Parking sensor/ })).toHaveCount(0);
  const roof = page.getByRole('option', { name: /^Roof, / });
  const before = await roof.getAttribute('aria-label');
  await page.getByRole('complementary').getByLabel('Length').fill('470');
  await page.getByRole('complementary').getByLabel('Length').press('Enter');
  await expect(page.getByText(/Not taken: length 470 mm .* in centimetres, it is 4700 mm/)).toBeVisible();
  await page.getByRole('complementary').getByLabel('Length').fill('4900');
  await page.getByRole('complementary').getByLabel('Length').press('Enter');
  await expect(roof).not.toHaveAttribute('aria-label', before!);
  await page.getByRole('radio', { name: 'Thickness' }).click();
  await page.getByRole('option', { name: 'Roof', exact: true }).click();
  await page.getByRole('button', { name: 'Stream to the panel' }).click();
  await expect(page.getByText(/The probe walks over Roof: [4-9] readings/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop streaming' }).click();
  await expect(page.getByText(/median of \d+, spread/)).toBeVisible();
  await saved(page);
});
