/** `npm run --silent choose -- FILE.json [--out CHOICE.json]`: what to lay where, without any server. */
import highsLoader from 'highs';
import { solveWith } from '#core/choose/stacks';
import { readChooseFile } from '#formats/choice';
import { chooseFile } from '#job/choose';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent choose -- FILE.json [--out CHOICE.json]';

process.exitCode = await fileCommand(process.argv.slice(2), USAGE, async (value) => {
  const file = readChooseFile(value);
  return chooseFile(file, solveWith(await highsLoader()));
});
