/** `npm run --silent nest -- NEST.json [--out NESTED.json]`: pieces nested on a roll, without any server. */
import { nest } from '#core/film/nest';
import { NESTED_FORMAT, nestCase, readNest } from '#formats/film';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent nest -- NEST.json [--out NESTED.json]';
const MS_PER_S = 1000;

process.exitCode = await fileCommand(process.argv.slice(2), USAGE, (value) => {
  const file = readNest(value);
  const untilMs = performance.now() + file.seconds * MS_PER_S;
  return { format: NESTED_FORMAT, ...nest(nestCase(file), () => performance.now() >= untilMs) };
});
