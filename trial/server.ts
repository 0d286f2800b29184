import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** The built server over a file of its own, to be killed and started again. */
export class TrialServer {
  private child: ChildProcess | undefined;
  base = '';
  said = '';

  constructor(readonly file: string) {}

  async start(): Promise<void> {
    const child = spawn(process.execPath, ['dist/server/main.js'], {
      env: { ...process.env, PORT: '0', GLAPHYRA_DB: this.file, LOG_LEVEL: 'info' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    this.said = '';
    this.base = await new Promise<string>((resolve, reject) => {
      const heard = (chunk: unknown) => {
        this.said += String(chunk);
        const at = /listening on (http:\/\/127\.0\.0\.1:\d+)/.exec(this.said)?.[1];
        if (at) resolve(at);
      };
      child.stdout.on('data', heard);
      child.stderr.on('data', heard);
      child.once('exit', () => reject(new Error(`it did not start: ${this.said.slice(-300)}`)));
    });
    child.removeAllListeners('exit');
  }

  get isUp(): boolean {
    return this.child?.exitCode === null && this.child.signalCode === null;
  }

  async kill(): Promise<void> {
    const { child } = this;
    if (!child || !this.isUp) return;
    const gone = once(child, 'exit');
    child.kill('SIGKILL');
    await gone;
  }

  /** Makes a small job. */
  make(id: string): Promise<{ status: number; body: unknown }> {
    return this.ask('PUT', `/api/jobs/${id}`, smallJob(id), 0);
  }

  async ask(
    method: string,
    address: string,
    body?: unknown,
    version?: number,
  ): Promise<{ status: number; body: unknown }> {
    const answer = await fetch(this.base + address, {
      method,
      headers: {
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(version !== undefined && { 'if-match': `"${version}"` }),
      },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
    const text = await answer.text();
    return { status: answer.status, body: text === '' ? undefined : JSON.parse(text) };
  }
}

/** A folder that is gone afterwards. */
export async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(path.join(tmpdir(), 'trial-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A small job everything can be logged at. */
export const smallJob = (title: string) => ({
  bayId: null,
  airSource: 'typed',
  document: {
    format: 'glaphyra.job/1',
    title,
    startAt: '2026-03-02T08:00:00+01:00',
    ambient: [{ atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 }],
    crew: { mode: 'solo', layM2PerMin: 0.5, levelM2PerMin: 0.5 },
    surfaces: [],
    products: [],
  },
});
export const air = (id: string) => ({
  id,
  at: '2026-03-02T09:00:00+01:00',
  entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 },
});
