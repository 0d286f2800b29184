/** Before the unit tests: the commands and the server as they are started, bundled once, so that a test may start many. */
import { build } from 'esbuild';

export default () =>
  build({
    entryPoints: [
      'cli/plan.ts',
      'cli/choose.ts',
      'cli/runsheet.ts',
      'cli/nest.ts',
      'server/main.ts',
      'server/backup/worker.ts',
      'server/load-demo.ts',
    ],
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    alias: { '#demo': './demo/index.ts' },
    outbase: '.',
    outdir: '.cache/bin',
    logLevel: 'warning',
  });
