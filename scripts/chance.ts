/**
 * The tests' own chance, in place of the package. `npm test` throws the same dice each time, so that what turns red is
 * what was changed; jest by itself throws new ones at every run, and finds what they have not met.
 */
// By its file: by its name it would be this module again.
import fc from '../node_modules/fast-check/lib/cjs/fast-check.js';

const { CHANCE_SEED } = process.env;
if (CHANCE_SEED !== undefined) fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(CHANCE_SEED) });

export * from '../node_modules/fast-check/lib/cjs/fast-check.js';
export default fc;
