/** Taps at the bay, in a real browser on the built server with many entries in its log: until they are seen, and saved. */
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { backupFolder, backupsIn } from '../server/backup/scheduled';
import { builtServer, isBuilt, manyYears, p95 } from './workshop';

const JOBS = 1310;
/** An hour of work. */
const TAPS = 200;
const SEEN_BAR_MS = 50;
const SAVED_BAR_MS = 200;
const JOB = 'teal-hatchback';
/** A finger that bounces is not taken twice: the next tap comes after that. */
const BETWEEN_MS = 600;

/** What the large button says, step by step. */
const LARGE = /^(Start laying|Laid|Start levelling|Level, done)$/;

interface Measured {
  readonly seen: number[];
  readonly saved: number[];
}

declare global {
  interface Window {
    bayTaps: { readonly at: number; seen?: number; saved?: number }[];
  }
}

/** From the finger to the first frame with something else on the screen, and to the server's answer. */
function watchTaps(): void {
  const taps: Window['bayTaps'] = [];
  window.bayTaps = taps;
  addEventListener('click', ({ timeStamp }) => taps.push({ at: timeStamp }), { capture: true });
  new MutationObserver(() => {
    const last = taps.at(-1);
    if (!last || last.seen !== undefined) return;
    last.seen = Number.NaN;
    requestAnimationFrame(() => setTimeout(() => (last.seen = performance.now() - last.at)));
  }).observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) {
      const { name, responseEnd, startTime } = entry as PerformanceResourceTiming;
      if (!name.endsWith('/log')) continue;
      const own = taps.findLast(({ at }) => at <= startTime);
      if (own && own.saved === undefined) own.saved = responseEnd - own.at;
    }
  }).observe({ type: 'resource' });
}

async function tapped(page: Page, rounds: number, tap: () => Promise<void>): Promise<Measured> {
  await page.evaluate(watchTaps);
  for (let nth = 0; nth < rounds; nth += 1) {
    await tap();
    await page.waitForTimeout(BETWEEN_MS);
  }
  const all = await page.evaluate(() => window.bayTaps);
  return {
    seen: all.flatMap(({ seen }) => (seen === undefined || Number.isNaN(seen) ? [] : [seen])),
    saved: all.flatMap(({ saved }) => saved ?? []),
  };
}

export async function benchBay(): Promise<void> {
  const executablePath = process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell';
  if (!isBuilt() || !existsSync(executablePath)) {
    console.log('taps at the bay are measured once it is built and there is a Chromium: npm test, or npm run build');
    return;
  }
  const folder = mkdtempSync(path.join(tmpdir(), 'bay-'));
  const file = path.join(folder, 'workshop.sqlite');
  const now = new Date().toISOString();
  const { close } = await manyYears(file, { now, jobs: JOBS });
  close();
  const server = await builtServer(file, {});
  // The morning's backup and its first glances are over.
  while (backupsIn(backupFolder(file)).length === 0) await new Promise((resolve) => setTimeout(resolve, 500));
  for (let quick = 0; quick < 5;) {
    const began = performance.now();
    await (await fetch(`${server.base}/api/today`)).arrayBuffer();
    quick = performance.now() - began < SEEN_BAR_MS ? quick + 1 : 0;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    // The least there is: one word of a bare page becomes another.
    await page.setContent('<button onclick="this.textContent = String(Number(this.textContent) + 1)">0</button>');
    const least = await tapped(page, 20, () => page.getByRole('button').click());
    await page.goto(`${server.base}/jobs/${JOB}/run`);
    const large = page.getByRole('button', { name: LARGE });
    await large.first().waitFor();
    const answer = await (await fetch(`${server.base}/api/jobs/${JOB}/log`)).json();
    const { seen, saved } = await tapped(page, TAPS, () => large.first().click());
    console.log(
      `taps at the bay, ${answer.length} entries of the job and 50,000 beside it; ${seen.length} taps seen, ${saved.length} saved`,
    );
    console.log(`  a word of a bare page (baseline)      ${p95(least.seen).toFixed(1)} ms p95`);
    console.log(
      `  until it is seen                      ${p95(seen).toFixed(1)} ms p95, ${(p95(seen) / p95(least.seen)).toFixed(1)} times the baseline; ${((100 * p95(seen)) / SEEN_BAR_MS).toFixed(0)} % of ${SEEN_BAR_MS} ms`,
    );
    console.log(
      `  until it is saved                     ${p95(saved).toFixed(1)} ms p95, ${((100 * p95(saved)) / SAVED_BAR_MS).toFixed(0)} % of ${SAVED_BAR_MS} ms`,
    );
  } finally {
    await browser.close();
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
