/** `npm run --silent plan -- JOB.json [--as 1] [--out PLAN.json]`: plans a job file without any server. */
import { readJob } from '#formats/job';
import { firstPlanFile, planFile } from '#job/plan';
import { fileCommand, option } from './files';

const USAGE = 'usage: npm run --silent plan -- JOB.json [--as 1|2] [--out PLAN.json]';
const WRITERS = { '1': firstPlanFile, '2': planFile } as const;

const { value: edition, rest } = option(process.argv.slice(2), '--as', ['1', '2'] as const, '2');

process.exitCode = await fileCommand(rest, USAGE, (value) => WRITERS[edition](readJob(value)));
