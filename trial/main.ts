/** `npm run trial`: what takes too long for the tests. Each trial is bounded, and ends in a word; the last line counts them. */
import { badRequests } from './bad-requests';
import { fullDisk } from './full-disk';
import { killedUnderWriters } from './kills';

const TRIALS = {
  'killed under four writers': killedUnderWriters,
  'bad requests': badRequests,
  'a full disk': fullDisk,
};

const wanted = process.argv.slice(2);
let failed = 0;
let passed = 0;
for (const [name, trial] of Object.entries(TRIALS)) {
  if (wanted.length > 0 && !wanted.some((word) => name.includes(word))) continue;
  try {
    console.log(`${name}: ${await trial()}`);
    passed += 1;
  } catch (error) {
    console.log(`${name}: FAILED, ${error instanceof Error ? error.message : String(error)}`);
    failed += 1;
  }
}
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
