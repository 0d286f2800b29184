import { type ChildProcess, execFileSync, fork } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, type Page, test as base } from '@playwright/test';
import type { LogEntry } from '#formats/log';
import { backupFolder, backupsIn } from '../server/backup/scheduled';

/** When every test begins, for the server and the page alike: a Tuesday morning at the yard. */
export const NOW = '2027-03-02T10:40:00+01:00';

/** When its glances were kept: a moment before, for what is kept from the future is worked out anew. */
const STOCKED_AT = '2027-03-02T10:39:45+01:00';

const TAPED = ['e2e/jobs/taped-tourer.json', 'e2e/jobs/taped-shuttle.json'];

/** What a page that has come still draws, ms. */
const SETTLES_MS = 300;

/** A process that serves one workshop after another: begun when first asked for, and again after it was killed. */
class Host {
  private child: ChildProcess | undefined;

  /** @param open the settings of the workshop to serve from now on, none to serve none; returns its port */
  async serve(open?: NodeJS.ProcessEnv): Promise<number> {
    this.child ??= fork('e2e/host.mjs', { env: { ...process.env, TZ: 'Europe/Berlin' } });
    this.child.send({ open });
    const over = new AbortController();
    const ended = once(this.child, 'exit', over).then(() => Promise.reject(new Error('the server ended')));
    const [answer] = (await Promise.race([once(this.child, 'message', over), ended])) as [{ readonly port: number }];
    over.abort();
    return answer.port;
  }

  async kill(): Promise<void> {
    const { child } = this;
    this.child = undefined;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    child.kill('SIGKILL');
    await once(child, 'exit');
  }
}

/** The real server over a file of its own, which can be killed and started again. */
export class Workshop {
  private readonly folder = mkdtempSync(path.join(tmpdir(), 'workshop-'));
  private port = 0;

  /** @param sample a folder that was kept: the workshop begins as it was left. An empty one without. */
  constructor(
    private readonly host: Host,
    sample?: string,
    /** The server's clock as it starts. */
    public now = NOW,
  ) {
    if (sample !== undefined) cpSync(sample, this.folder, { recursive: true });
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** The sample workshop, stocked once and kept in a folder that others can begin from. */
  static async stocked(): Promise<{ readonly folder: string; readonly close: () => void }> {
    const host = new Host();
    const workshop = new Workshop(host);
    workshop.stock();
    workshop.now = STOCKED_AT;
    await workshop.start();
    // Two jobs measured by tape, small and always the same, stand beside the sample ones.
    for (const job of TAPED) await workshop.take(job);
    // Looked at once, so that the glances of all jobs are kept and no test waits for them.
    await fetch(`${workshop.address}/api/jobs`);
    // Nor makes each of their servers the day's backup anew.
    await expect.poll(() => backupsIn(backupFolder(workshop.file)).length, { timeout: 60_000 }).toBe(1);
    await host.serve();
    await host.kill();
    return { folder: workshop.folder, close: () => rmSync(workshop.folder, { recursive: true, force: true }) };
  }

  private get file(): string {
    return path.join(this.folder, 'workshop.sqlite');
  }

  private get settings(): NodeJS.ProcessEnv {
    return { PORT: String(this.port), NETWORK_PORT: '0', GLAPHYRA_DB: this.file, GLAPHYRA_NOW: this.now };
  }

  private async take(job: string): Promise<void> {
    const { id, ...draft } = JSON.parse(readFileSync(job, 'utf8')) as { readonly id: string };
    const answer = await fetch(`${this.address}/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'if-match': '"0"' },
      body: JSON.stringify(draft),
    });
    if (!answer.ok) throw new Error(`${job}: ${await answer.text()}`);
  }

  /** As `npm test` has stocked it for the units already, or from the start. */
  private stock(): void {
    const sample = process.env.SAMPLE_STOCKED;
    if (sample !== undefined) return cpSync(sample, this.folder, { recursive: true });
    execFileSync(process.execPath, ['dist/server/load-demo.js'], {
      env: { ...process.env, TZ: 'Europe/Berlin', ...this.settings },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  }

  async start(): Promise<void> {
    this.port = await this.host.serve(this.settings);
  }

  /** As when the power goes. */
  kill(): Promise<void> {
    return this.host.kill();
  }

  async close(): Promise<void> {
    await this.host.serve();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

interface Fixtures {
  /** Whether the sample workshop is loaded; else the database is empty. */
  sample: boolean;
  /** The server's clock, where a page is taken ahead in time: what has not been yet is not logged. */
  serverNow: string;
  workshop: Workshop;
  /** Anything the page complained of; a test fails where there is something. */
  complaints: string[];
}

/** Stocked before all tests (`stock.ts`); its folder, handed to each of them. */
export const STOCKED = 'GLAPHYRA_STOCKED';

export const test = base.extend<Fixtures, { host: Host }>({
  host: [
    async ({}, use) => {
      const host = new Host();
      await use(host);
      await host.kill();
    },
    { scope: 'worker' },
  ],
  sample: [true, { option: true }],
  serverNow: [NOW, { option: true }],
  workshop: async ({ host, sample, serverNow }, use) => {
    const workshop = new Workshop(host, sample ? process.env[STOCKED] : undefined, serverNow);
    await workshop.start();
    await use(workshop);
    await workshop.close();
  },
  baseURL: async ({ workshop }, use) => use(workshop.address),
  complaints: async ({}, use) => {
    const complaints: string[] = [];
    await use(complaints);
    expect(complaints).toEqual([]);
  },
  page: async ({ page, complaints }, use) => {
    await page.clock.install({ time: new Date(NOW) });
    page.on('pageerror', ({ message }) => complaints.push(message));
    page.on('console', (message) => {
      const refused = /Failed to load resource|ERR_CONNECTION_REFUSED/.test(message.text());
      if (message.type() === 'error' && !refused) complaints.push(message.text());
    });
    page.on('request', (request) => {
      const { hostname, protocol } = new URL(request.url());
      if (protocol.startsWith('http') && hostname !== '127.0.0.1') complaints.push(`asked outside: ${request.url()}`);
    });
    await use(page);
  },
});

export { expect };

/** The record of a job as the server has it: what was tapped arrives a moment after it is seen. */
export async function recordOf(page: Page, job: string): Promise<LogEntry['entry'][]> {
  // A connection the server has just let go is asked again.
  const log = await page.request.get(`/api/jobs/${job}/log`, { maxRetries: 2 });
  return ((await log.json()) as LogEntry[]).map(({ entry }) => entry);
}

/** Goes on to another page as a link does: what is loaded stays. Over once that page has given its own name. */
export async function goOn(page: Page, address: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto('/');
  const isOther = await page.evaluate((to) => {
    const before = location.pathname;
    history.pushState(null, '', to);
    const isOther = location.pathname !== before;
    if (isOther) document.title = '';
    dispatchEvent(new PopStateEvent('popstate'));
    return isOther;
  }, address);
  if (isOther) await expect(page).not.toHaveTitle('');
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  // What is worked out beside the page has come.
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await page.waitForTimeout(SETTLES_MS);
}

/** Waits until every edit stands on the server. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
}

/** Says at the list before the first patch that what nobody ticked off is done: each need by itself, asked once more. */
export async function sayItIsDone(page: Page): Promise<void> {
  const gate = page.getByRole('region', { name: 'Before the first patch' });
  for (const what of ['Washed', 'Decontaminated', 'Wiped']) {
    const done = gate.getByRole('button', { name: `${what}: it is done` });
    if (!(await done.isVisible())) continue;
    await done.click();
    await page.getByRole('dialog').getByRole('button', { name: 'It is done' }).click();
    await expect(done).toBeHidden();
  }
}
