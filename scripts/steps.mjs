/** What the entry points share: running commands, and installing only when something has changed. */
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const STAMP = path.join(ROOT, 'node_modules', '.installed-from');

/** Runs a command of this project with its output on the screen. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  return status === 0;
}

/** Where a tool of this project lies. */
export const tool = (name) => path.join(ROOT, 'node_modules', '.bin', name);

const npx = (name, ...args) => run(tool(name), args);

/** Runs a command beside others; what it says is shown once it has ended, so that two do not talk at once. */
export function aside(command, ...args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
    child.on('error', (error) => resolve({ holds: false, said: error.message }));
    child.on('close', (status) => resolve({ holds: status === 0, said }));
  });
}

/**
 * Installs from the lock file, unless that very file was installed with this very Node already. What has to be
 * compiled here (the database) takes two minutes of one core: whoever has something else to do meanwhile waits later.
 * @returns a promise that holds once everything is there
 */
export function ensureInstalled() {
  const lock = readFileSync(path.join(ROOT, 'package-lock.json'));
  const wanted = createHash('sha256').update(lock).update(process.version).digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return Promise.resolve();
  console.log('Installing packages; the first time takes a few minutes.');
  const failed = (said) => {
    console.error(`${said}The packages could not be installed. Is the registry reachable?`);
    process.exit(1);
  };
  if (!run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'])) failed('');
  return aside('npm', 'rebuild').then(({ holds, said }) => {
    if (!holds) failed(said);
    writeFileSync(STAMP, wanted);
  });
}

/**
 * Debian's Chromium, fetched where it is missing and this machine lets us; undefined where it is not to be had. The one
 * without windows comes first: the same engine, a third less work.
 */
export async function ensureChromium() {
  const headless = '/usr/bin/chromium-headless-shell';
  if (process.env.CHROMIUM && existsSync(process.env.CHROMIUM)) return process.env.CHROMIUM;
  if (!existsSync(headless) && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0) {
    console.log('Getting Chromium from Debian.');
    const get = (name) => `apt-get install -y -qq --no-install-recommends ${name}`;
    // Older releases of Debian have only the one with windows.
    const { holds, said } = await aside(
      'sh',
      '-c',
      `apt-get update -qq; ${get(path.basename(headless))} || ${windowed() ? 'true' : get('chromium')}`,
    );
    if (!holds) console.error(said);
  }
  return existsSync(headless) ? headless : windowed();
}

/** Chromium with windows, where it is installed. */
function windowed() {
  return ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((file) => existsSync(file));
}

/** The name of the models as they are now, which what is kept of their results is known by. */
const modelEdition = () =>
  execFileSync(process.execPath, ['--import', 'tsx', 'server/print-model-edition.ts'], { cwd: ROOT, encoding: 'utf8' });

/** Builds the interface and the server into `dist/`. */
export function build() {
  // Its parts are named by what is in them: earlier ones would stay.
  rmSync(path.join(ROOT, 'dist', 'server'), { recursive: true, force: true });
  return (
    npx('vite', 'build', '--logLevel', 'warn') &&
    npx(
      'esbuild',
      'server/main.ts',
      'server/serve.ts',
      'server/settings.ts',
      'server/backup/worker.ts',
      'server/computing/thread.ts',
      'server/load-demo.ts',
      'server/tidy.ts',
      '--bundle',
      '--splitting',
      '--platform=node',
      '--format=esm',
      '--packages=external',
      '--alias:#demo=./demo/index.ts',
      `--define:BUILT_MODEL_EDITION=${JSON.stringify(modelEdition())}`,
      '--outdir=dist/server',
      '--log-level=warning',
    )
  );
}
