/** Writes the table of plausible jobs from the real models: `npm run --silent plausible`. */
import { writeFileSync } from 'node:fs';
import { plausibleTable } from './table';

writeFileSync('docs/plausible-jobs.md', plausibleTable());
