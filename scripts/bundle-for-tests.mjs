/**
 * Before the unit tests: the commands and the server as they are started, bundled once, so that a test may start many;
 * and the sample workshop of that morning, worked out and stocked once.
 */
import { execFile } from 'node:child_process';
import { rmSync } from 'node:fs';
import { promisify } from 'node:util';
import { build } from 'esbuild';

export default async () => {
  await build({
    entryPoints: [
      'cli/plan.ts',
      'cli/choose.ts',
      'cli/runsheet.ts',
      'cli/nest.ts',
      'cli/schedule.ts',
      'server/main.ts',
      'server/backup/worker.ts',
      'server/computing/thread.ts',
      'server/load-demo.ts',
      'demo/keep-that-morning.ts',
    ],
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    alias: { '#demo': './demo/index.ts' },
    outbase: '.',
    outdir: '.cache/bin',
    logLevel: 'warning',
  });
  const keep = async (file, env = {}) => {
    const { stderr } = await promisify(execFile)(process.execPath, [`.cache/bin/${file}`], {
      env: { ...process.env, ...env },
    });
    if (stderr !== '') console.error(stderr);
  };
  rmSync('.cache/stocked', { recursive: true, force: true });
  await Promise.all([
    keep('demo/keep-that-morning.js'),
    keep('server/load-demo.js', {
      TZ: 'Europe/Berlin',
      GLAPHYRA_DB: '.cache/stocked/workshop.sqlite',
      GLAPHYRA_NOW: '2027-03-02T10:40:00+01:00',
    }),
  ]);
};
