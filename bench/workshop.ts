/** A workshop of many years on a real file: its lists, searches, one job, a tap, its start and what it holds in memory. */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pino from 'pino';
import { MS_PER_DAY, MS_PER_MIN } from '#core/measures';
import type { JobDraft } from '#formats/job';
import type { NewEntry } from '#formats/log';
import { ternmouthYard } from '../demo/workshop';
import { createApp } from '../server/app';
import { openDatabase } from '../server/db/open';
import { jobs, runLog } from '../server/db/schema';
import { createServices } from '../server/services';
import { loadWorkshop } from '../server/services/sample-workshop';

const NOW = '2027-03-02T10:40:00+01:00';
const JOBS = 5000;
const ENTRIES_EACH = 40;
const SURFACES = 40;
/** Jobs that are to come; all others were laid in the years before. */
const TO_COME = 60;
const ASKED = 60;
const TAPS = 200;
const ANSWER_BAR_MS = 100;
const TAP_BAR_MS = 20;
const START_BAR_MS = 3000;
const MEMORY_BAR_MB = 400;

const NAMES = ['hatchback', 'saloon', 'tourer', 'launch', 'shuttle', 'van', 'coupe', 'estate'];
const COLOURS = ['teal', 'grey', 'ochre', 'white', 'black', 'rust', 'moss', 'slate'];

/** A job of forty surfaces, ten of which are laid once: forty entries. */
function jobOf(index: number, pattern: JobDraft, startMs: number): JobDraft {
  const name = `${COLOURS[index % 8]!} ${NAMES[(index >> 3) % 8]!} ${index}`;
  const { surfaces } = pattern.document;
  const products = pattern.document.products
    .filter(({ family, unit }) => family === 'ceramic' && unit === 'ml')
    .slice(0, 1);
  return {
    ...pattern,
    document: {
      ...pattern.document,
      title: `${name}, full coat`,
      startAt: new Date(startMs).toISOString(),
      item: { ...pattern.document.item, id: `item-${index % (JOBS / 2)}`, name, ownerName: `Owner ${index % 1700}` },
      products,
      surfaces: Array.from({ length: SURFACES }, (_, nth) => ({
        ...surfaces[nth % surfaces.length]!,
        id: `s${nth}`,
        name: `Panel ${nth}`,
        count: 1,
        onePiece: true,
        existing: [],
        layers: nth < ENTRIES_EACH / 4 ? [{ product: products[0]!.id, coats: 1, method: 'small-block' as const }] : [],
      })),
    },
  };
}

/** What was done at it, as the run logs it. */
function logOf({ document }: JobDraft, startMs: number): NewEntry[] {
  const product = document.products[0]!.id;
  return Array.from({ length: ENTRIES_EACH }, (_, nth): NewEntry => {
    const patch = { surface: `s${nth >> 2}`, layer: 0, coat: 1, copy: 1, section: 1 };
    const at = new Date(startMs + nth * 3 * MS_PER_MIN).toISOString();
    const entry: NewEntry['entry'] = [
      { type: 'lay-start' as const, patch, start: { product, sections: 1, areaM2: 0.8, amount: 8 } },
      { type: 'lay-end' as const, patch },
      { type: 'level-start' as const, patch },
      { type: 'level-end' as const, patch },
    ][nth % 4]!;
    return { id: `e${nth}`, at, entry };
  });
}

/** Fills a file as years of work would: the sample workshop, and so many jobs of forty entries beside it. */
export async function manyYears(file: string, { now, jobs: count }: { readonly now: string; readonly jobs: number }) {
  const { db, close } = openDatabase(file);
  const nowMs = Date.parse(now);
  const services = createServices(db, `${file}-pictures`, () => new Date(nowMs));
  const yard = ternmouthYard(now);
  loadWorkshop(db, services, yard);
  const pattern = yard.jobs[0]!.draft;
  db.transaction(() => {
    for (let index = 0; index < count; index += 1) {
      const isToCome = index < TO_COME;
      const startMs = isToCome
        ? nowMs + (1 + index) * (MS_PER_DAY / 2)
        : nowMs - (index * 9 * MS_PER_DAY) / 24 - 60 * MS_PER_DAY;
      const draft = jobOf(index, pattern, startMs);
      const id = `job-${index}`;
      const at = new Date(Math.min(startMs, nowMs)).toISOString();
      db.insert(jobs)
        .values({ id, version: 1, ...draft, createdAt: at, updatedAt: at })
        .run();
      if (!isToCome)
        db.insert(runLog)
          .values(logOf(draft, startMs).map((entry) => ({ ...entry, jobId: id, recordedAt: entry.at, by: null })))
          .run();
    }
  });
  const began = performance.now();
  await services.summaries.worked();
  return { db, services, close, warmMs: performance.now() - began };
}

export const p95 = (times: readonly number[]): number =>
  times.toSorted((a, b) => a - b)[Math.floor(0.95 * times.length)]!;

export async function benchWorkshop(): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'many-years-'));
  const file = path.join(folder, 'workshop.sqlite');
  try {
    const { db, services, close, warmMs } = await manyYears(file, { now: NOW, jobs: JOBS });
    const server = createApp({ db, services, log: pino({ level: 'silent' }), webFolder: 'none' }).listen(
      0,
      '127.0.0.1',
    );
    await new Promise((resolve) => server.once('listening', resolve));
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const ask = async (address: string, body?: unknown): Promise<number> => {
      const start = performance.now();
      const answer = await fetch(base + address, {
        ...(body !== undefined && {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        }),
      });
      await answer.arrayBuffer();
      if (!answer.ok) throw new Error(`${address}: ${answer.status}`);
      return performance.now() - start;
    };
    const times = async (rounds: number, one: (nth: number) => Promise<number>): Promise<number[]> => {
      const each: number[] = [];
      for (let nth = 0; nth < rounds; nth += 1) each.push(await one(nth));
      return each;
    };
    console.log(
      `workshop of ${JOBS} jobs of ${SURFACES} surfaces, ${(JOBS - TO_COME) * ENTRIES_EACH} entries; ${(statSync(file).size / 1e6).toFixed(0)} MB; glances worked out once in ${(warmMs / 1000).toFixed(0)} s`,
    );
    const least = p95(await times(ASKED, () => ask('/api/bays')));
    console.log(`  the bays (baseline)                   ${least.toFixed(2)} ms p95`);
    const seldom = (nth: number) => `job-${(nth * 83) % JOBS}`;
    for (const [what, address] of [
      ['the day’s jobs', () => '/api/today'],
      ['jobs found by two words', (nth: number) => `/api/jobs?find=${COLOURS[nth % 8]!}+owner+${nth}`],
      ['items, a page', (nth: number) => `/api/items?from=${nth * 40}`],
      ['items found by owner', (nth: number) => `/api/items?find=owner+${nth * 7}`],
      ['items found by product', (nth: number) => `/api/items?find=ceramic+owner+${nth}`],
      ['what is due in care', (nth: number) => `/api/care?from=${nth * 50}`],
      ['an item with its visits', (nth: number) => `/api/items/item-${(nth * 37) % (JOBS / 2)}`],
      ['one job', (nth: number) => `/api/jobs/${seldom(nth)}`],
      ['its log', (nth: number) => `/api/jobs/${seldom(nth)}/log`],
      ['its earlier pairs', (nth: number) => `/api/jobs/${seldom(nth)}/earlier-pairs`],
      ['who did what', () => '/api/audit'],
    ] as const) {
      const took = p95(await times(ASKED, (nth) => ask(address(nth))));
      console.log(
        `  ${what.padEnd(37)} ${took.toFixed(1)} ms p95, ${(took / least).toFixed(0)} times the baseline; ${((100 * took) / ANSWER_BAR_MS).toFixed(0)} % of ${ANSWER_BAR_MS} ms`,
      );
    }
    const tap = (nth: number) => {
      // Four taps a patch: what a run logs in its order, at jobs that are to come.
      const job = `job-${Math.floor(nth / ENTRIES_EACH)}`;
      const entry = logOf(services.jobs.get(job), Date.parse(NOW) - 200 * MS_PER_MIN)[nth % ENTRIES_EACH]!;
      return ask(`/api/jobs/${job}/log`, entry);
    };
    const taps = p95(await times(TAPS, tap));
    console.log(
      `  a tap, on the disk                    ${taps.toFixed(1)} ms p95, ${((100 * taps) / TAP_BAR_MS).toFixed(0)} % of ${TAP_BAR_MS} ms`,
    );
    const afterTap = p95(await times(10, async (nth) => (await tap(TAPS + nth), ask('/api/today'))));
    console.log(`  the day’s jobs after a tap            ${afterTap.toFixed(1)} ms p95`);
    server.closeAllConnections();
    server.close();
    close();
    await benchStart(file);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const BUILT = path.join(process.cwd(), 'dist/server/main.js');
export const isBuilt = (): boolean => existsSync(BUILT);

/** The built server on a file, as a process of its own. */
export async function builtServer(file: string, env: NodeJS.ProcessEnv) {
  const child = spawn(process.execPath, [BUILT], {
    env: { ...process.env, PORT: '0', NETWORK_PORT: '0', GLAPHYRA_DB: file, ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  const base = await new Promise<string>((resolve, reject) => {
    child.once('exit', () => reject(new Error(said)));
    child.stdout.on('data', (chunk) => {
      said += String(chunk);
      const at = /listening on (http:\/\/127\.0\.0\.1:\d+)/.exec(said)?.[1];
      if (at) resolve(at);
    });
  });
  return {
    base,
    pid: child.pid,
    kill() {
      child.removeAllListeners('exit');
      child.kill('SIGKILL');
    },
  };
}

async function benchStart(file: string): Promise<void> {
  if (!isBuilt()) {
    console.log('  its start is measured once it is built: npm run build');
    return;
  }
  const began = performance.now();
  const { base, pid, kill } = await builtServer(file, { GLAPHYRA_NOW: NOW });
  const startMs = performance.now() - began;
  for (let nth = 0; nth < ASKED; nth += 1)
    for (const address of ['/api/today', `/api/jobs?find=${nth}`, `/api/jobs/job-${nth}`])
      await (await fetch(base + address)).arrayBuffer();
  const [, kB] = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  kill();
  const megabytes = Number(kB ?? Number.NaN) / 1000;
  console.log(
    `  start to the first answer             ${startMs.toFixed(0)} ms, ${((100 * startMs) / START_BAR_MS).toFixed(0)} % of ${START_BAR_MS} ms`,
  );
  console.log(
    `  memory at its highest                 ${megabytes.toFixed(0)} MB, ${((100 * megabytes) / MEMORY_BAR_MB).toFixed(0)} % of ${MEMORY_BAR_MB} MB`,
  );
}
