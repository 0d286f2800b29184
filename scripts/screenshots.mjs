/** `npm run screenshots`: a picture of each main view from the sample workshop, into `docs/screenshots/`. */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { build, ensureChromium, ensureInstalled, ROOT, run } from './steps.mjs';

const NOW = '2027-03-02T10:40:00+01:00';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const TABLET = { width: 1024, height: 768 };
const VIEWS = [
  { name: 'today', at: '/' },
  { name: 'survey', at: '/jobs/teal-hatchback/survey' },
  { name: 'survey-map', at: '/jobs/marrow-launch/survey?lens=map', draw: true },
  { name: 'prepare', at: '/jobs/teal-hatchback/prepare', press: 'Start Iron remover' },
  { name: 'layer', at: '/jobs/teal-hatchback/layer?panel=bonnet' },
  {
    name: 'layer-choose',
    at: '/jobs/hotel-shuttle/layer?view=choose',
    press: 'Find what to lay where',
    until: 'Find anew',
  },
  { name: 'quantify', at: '/jobs/teal-hatchback/quantify?panel=bonnet' },
  {
    name: 'film-roll',
    at: '/jobs/moss-saloon/quantify?view=roll',
    press: 'Go on from here',
    until: 'Go on from here',
  },
  { name: 'stock', at: '/stock?thing=ledger-base-1' },
  { name: 'bays', at: '/bays?bay=bay-2' },
  { name: 'time', at: '/jobs/satin-tourer/time?panel=tank-left' },
  { name: 'time-sheet', at: '/jobs/moss-saloon/time?view=sheet', waitFor: 'Where it is late most often' },
  // One lays, working ahead, and the other levels: each sees their own next thing.
  {
    name: 'run-two-tablets',
    beside: [
      {
        at: '/jobs/teal-hatchback/run',
        theme: 'dark',
        size: TABLET,
        hand: 'lay',
        press: 'Start laying',
        until: 'Laid',
      },
      { at: '/jobs/teal-hatchback/run', size: TABLET, hand: 'level' },
    ],
  },
  { name: 'care-and-removal', at: '/jobs/two-door-classic/care?panel=bonnet' },
  { name: 'calendar', at: '/calendar', lose: 'Thursday 4 March' },
  { name: 'item-life', at: '/items/hatchback-of-imke-varga', waitFor: 'Its life' },
  {
    name: 'check',
    beside: [
      { at: '/jobs/marrow-launch/check', size: TABLET },
      { at: '/jobs/slate-estate/check', size: TABLET, choose: 'Water' },
      { at: '/jobs/two-door-classic/check', size: TABLET, scrollTo: 'Closing list' },
    ],
  },
  { name: 'hand-over', at: '/jobs/slate-estate/hand-over?panel=roof' },
  { name: 'passport-phone', at: '/api/jobs/slate-estate/passport.html', size: PHONE },
];

await ensureInstalled();
const executablePath = await ensureChromium();
if (!executablePath || !build()) process.exit(1);
const folder = mkdtempSync(path.join(tmpdir(), 'pictures-'));
const env = {
  ...process.env,
  TZ: 'Europe/Berlin',
  PORT: '0',
  GLAPHYRA_DB: path.join(folder, 'yard.sqlite'),
  GLAPHYRA_NOW: NOW,
};
if (!run(process.execPath, ['dist/server/load-demo.js'], { env })) process.exit(1);
const server = spawn(process.execPath, ['dist/server/main.js'], {
  cwd: ROOT,
  stdio: ['ignore', 'pipe', 'inherit'],
  env,
});
// Nothing is left running, however it ends.
process.on('exit', () => server.kill('SIGTERM'));
const address = await new Promise((resolve) => {
  server.stdout.on('data', (chunk) => {
    const found = /listening on (http:\/\/[\d.]+:\d+)/.exec(String(chunk));
    if (found) resolve(found[1]);
  });
});

const wanted = process.argv.slice(2);
const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
mkdirSync(path.join(ROOT, 'docs', 'screenshots'), { recursive: true });
for (const { name, beside, ...view } of VIEWS) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const file = path.join(ROOT, 'docs', 'screenshots', `${name}.png`);
  if (!beside) writeFileSync(file, await taken(view));
  else {
    const pictures = [];
    for (const one of beside) pictures.push(await taken(one));
    writeFileSync(file, await asOne(pictures));
  }
  console.log(name);
}
await browser.close();
server.kill('SIGTERM');
rmSync(folder, { recursive: true, force: true });

/** A picture of one view, once what was asked of it has been done. */
async function taken({
  at,
  theme = 'light',
  size = DESK,
  draw = false,
  press,
  until,
  waitFor,
  lose,
  hand,
  choose,
  scrollTo,
}) {
  const context = await browser.newContext({ viewport: size, timezoneId: 'Europe/Berlin', locale: 'en-GB' });
  const page = await context.newPage();
  await page.clock.install({ time: new Date(NOW) });
  await page.addInitScript((chosen) => localStorage.setItem('glaphyra.theme', chosen), theme);
  if (hand) await page.addInitScript((role) => localStorage.setItem('glaphyra.hand', role), hand);
  await page.goto(address + at);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(1500);
  if (draw) await drawOutline(page);
  if (choose) await page.getByRole('radio', { name: choose }).click();
  if (press) {
    await page.getByRole('button', { name: press }).click();
    if (until) await page.getByRole('button', { name: until }).waitFor({ timeout: 120_000 });
    await page.waitForTimeout(600);
  }
  if (lose) await loseDay(page, lose);
  if (waitFor) await page.getByText(waitFor).first().waitFor({ timeout: 120_000 });
  if (scrollTo) await page.getByRole('list', { name: scrollTo }).scrollIntoViewIfNeeded();
  if (choose || scrollTo) await page.waitForTimeout(600);
  const picture = await page.screenshot();
  await context.close();
  return picture;
}

/** Pictures of the same size as one, two in a row. */
async function asOne(pictures) {
  const page = await browser.newPage({ viewport: { width: 2 * TABLET.width + 16, height: TABLET.height } });
  const all = pictures.map((picture) => `<img src="data:image/png;base64,${picture.toString('base64')}">`);
  await page.setContent(
    `<body style="margin:0;display:flex;flex-wrap:wrap;gap:16px;background:#fff">${all.join('')}</body>`,
  );
  const whole = await page.screenshot({ fullPage: true });
  await page.close();
  return whole;
}

/** The second bay without power on a day: what moves is seen. */
async function loseDay(page, day) {
  const lost = page.getByRole('region', { name: 'A day lost' });
  await lost.getByLabel('Who or what').selectOption({ label: 'Bay 2, by the door' });
  await lost.getByLabel('Day', { exact: true }).selectOption({ label: day });
  await lost.getByRole('button', { name: 'It is lost' }).click();
  await page
    .getByText(/\d+ % sure of the date/)
    .first()
    .waitFor();
  await page.getByRole('heading', { name: 'Calendar' }).first().scrollIntoViewIfNeeded();
  await page.waitForTimeout(600);
}

/** A panel being drawn, its last corner not yet set. */
async function drawOutline(page) {
  await page.getByRole('button', { name: 'Draw', exact: true }).click();
  const sheet = await page.locator('[data-sheet]').boundingBox();
  const at = (across, down) => [sheet.x + across * sheet.width, sheet.y + down * sheet.height];
  for (const corner of [at(0.3, 0.3), at(0.44, 0.3), at(0.44, 0.46)]) await page.mouse.click(...corner);
  await page.mouse.move(...at(0.31, 0.47));
}
