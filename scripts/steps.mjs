/** What the entry points share: running commands, and installing only when something has changed. */
import { spawn, spawnSync } from 'node:child_process';
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

export const npx = (tool, ...args) => run(path.join(ROOT, 'node_modules', '.bin', tool), args);

/** Runs a tool beside others; what it says is shown once it has ended, so that two do not talk at once. */
export function aside(tool, ...args) {
  return new Promise((resolve) => {
    const child = spawn(path.join(ROOT, 'node_modules', '.bin', tool), args, { cwd: ROOT });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
    child.on('error', (error) => resolve({ holds: false, said: error.message }));
    child.on('close', (status) => resolve({ holds: status === 0, said }));
  });
}

/** Installs from the lock file, unless that very file was installed with this very Node already. */
export function ensureInstalled() {
  const lock = readFileSync(path.join(ROOT, 'package-lock.json'));
  const wanted = createHash('sha256').update(lock).update(process.version).digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  console.log('Installing packages; the first time takes a few minutes.');
  if (!run('npm', ['ci', '--no-audit', '--no-fund'])) {
    console.error('The packages could not be installed. Is the registry reachable?');
    process.exit(1);
  }
  writeFileSync(STAMP, wanted);
}

/** Debian's Chromium, fetched where it is missing and this machine lets us; undefined where it is not to be had. */
export function ensureChromium() {
  const found = () => ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((file) => existsSync(file));
  if (process.env.CHROMIUM && existsSync(process.env.CHROMIUM)) return process.env.CHROMIUM;
  if (!found() && existsSync('/usr/bin/apt-get') && process.getuid?.() === 0) {
    console.log('Getting Chromium from Debian.');
    run('apt-get', ['update', '-qq']);
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium']);
  }
  return found();
}

/** Builds the interface and the server into `dist/`. */
export function build() {
  // Its parts are named by what is in them: earlier ones would stay.
  rmSync(path.join(ROOT, 'dist', 'server'), { recursive: true, force: true });
  return (
    npx('vite', 'build', '--logLevel', 'warn') &&
    npx(
      'esbuild',
      'server/main.ts',
      'server/backup/worker.ts',
      'server/load-demo.ts',
      'server/tidy.ts',
      '--bundle',
      '--splitting',
      '--platform=node',
      '--format=esm',
      '--packages=external',
      '--alias:#demo=./demo/index.ts',
      '--outdir=dist/server',
      '--log-level=warning',
    )
  );
}
