/** `npm test`: types, lint, unit tests and the real interface; the last line counts them all. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { aside, build, ensureChromium, ensureInstalled, ROOT, run, tool } from './steps.mjs';

const FOLDERS = ['core', 'formats', 'job', 'solver', 'server', 'web', 'cli', 'demo'];
/** Where the unit tests leave the sample workshop, stocked. */
const STOCKED = path.join(ROOT, '.cache', 'stocked');
const OUT = path.join(ROOT, '.cache', 'tests');
rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });

// Fetched while packages are installed and texts are looked at.
const fetched = ensureChromium();
const installed = ensureInstalled();
const total = { passed: 0, failed: 0 };

/** Counts one check that either holds or does not. */
function check(name, holds) {
  console.log(`\n== ${name}`);
  const passed = holds();
  total[passed ? 'passed' : 'failed'] += 1;
  if (!passed) console.log(`${name}: FAILED`);
  return passed;
}

function tell(holds, said) {
  if (said.trim() !== '') console.log(said.trimEnd());
  return holds;
}

/** Runs a test runner and adds up its own counts; a runner that leaves none has failed. */
function suite(name, runTests, counts) {
  console.log(`\n== ${name}`);
  const succeeded = runTests();
  const file = path.join(OUT, `${name}.json`);
  const { passed, failed } = existsSync(file)
    ? counts(JSON.parse(readFileSync(file, 'utf8')))
    : { passed: 0, failed: 0 };
  total.passed += passed;
  total.failed += failed + (!succeeded && failed === 0 ? 1 : 0) + (succeeded && passed === 0 ? 1 : 0);
}

// Two cores: whatever is next goes to whichever is free, what has to be compiled for the database at first.
const { default: pLimit } = await import('p-limit');
const turn = pLimit(2);
void turn(() => installed);
const looked = [
  // What takes longest comes first.
  ['lint', 'eslint', '.', '--max-warnings', '0'],
  ['prettier', 'prettier', '--check', '--log-level', 'warn', '.'],
  // The compiler in its native edition: three times as quick, and it says the same. Lint needs the other one's interface.
  ['types', '../typescript-native/bin/tsc', '--noEmit'],
  ['typed lint', 'oxlint', '--type-aware'],
  ['circles', 'depcruise', '--config', '.dependency-cruiser.cjs', ...FOLDERS],
  ['unused', 'knip', '--no-progress'],
  ['licences', process.execPath, 'scripts/licences.mjs', '--quiet'],
].map(([name, command, ...args]) => {
  const program = path.isAbsolute(command) ? command : tool(command);
  return { name, found: turn(() => aside(program, ...args)) };
});
for (const { name, found } of looked) {
  const { holds, said } = await found;
  check(name, () => tell(holds, said));
}
await installed;
const built = check('build', build);
const chromium = await fetched;
suite(
  'unit',
  () =>
    run(tool('jest'), ['--json', `--outputFile=${path.join(OUT, 'unit.json')}`], {
      env: { ...process.env, CHANCE_SEED: '20270302' },
    }),
  (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests + report.numRuntimeErrorTestSuites }),
);
if (!built || !chromium) {
  check(
    chromium ? 'interface (not built)' : 'interface (no Chromium: install the package "chromium-headless-shell")',
    () => false,
  );
} else {
  suite(
    'interface',
    () =>
      run(tool('playwright'), ['test', '--reporter=list,json'], {
        env: {
          ...process.env,
          CHROMIUM: chromium,
          ...(existsSync(STOCKED) && { SAMPLE_STOCKED: STOCKED }),
          PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(OUT, 'interface.json'),
        },
      }),
    ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }),
  );
}

console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 ? 0 : 1);
