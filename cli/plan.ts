/** `npm run --silent plan -- JOB.json [--out PLAN.json]`: plans a job file without any server. */
import { readJob } from '#formats/job';
import { planFile } from '#job/plan';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent plan -- JOB.json [--out PLAN.json]';

process.exitCode = await fileCommand(process.argv.slice(2), USAGE, (value) => planFile(readJob(value)));
