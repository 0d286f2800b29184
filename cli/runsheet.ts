/** `npm run --silent runsheet -- JOB.json [--out FILE]`: lays a job out action by action, without any server. */
import { readJob } from '#formats/job';
import { runsheetFile } from '#job/plan';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent runsheet -- JOB.json [--out RUNSHEET.json]';

process.exitCode = await fileCommand(process.argv.slice(2), USAGE, (value) => runsheetFile(readJob(value)));
