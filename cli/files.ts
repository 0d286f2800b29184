import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { faultLine, FaultsError, parseJson } from '#formats/values';

const EXIT_BAD_INPUT = 2;

/**
 * One JSON file in, one out: the file named by the arguments is read, worked on, and written to standard output or,
 * with `--out`, whole or not at all to a file. Faults go to standard error, exit 2, and nothing is written.
 * @returns the exit code
 */
export async function fileCommand(
  args: readonly string[],
  usage: string,
  work: (value: unknown) => unknown,
): Promise<number> {
  const outAt = args.indexOf('--out');
  const out = outAt === -1 ? undefined : args[outAt + 1];
  const files = args.filter((_, index) => outAt === -1 || (index !== outAt && index !== outAt + 1));
  const [file] = files;
  if (files.length !== 1 || !file || file.startsWith('--') || (outAt !== -1 && !out)) return refuse([usage]);
  try {
    const answer = await work(parseJson(readFileSync(file, 'utf8')));
    const text = `${JSON.stringify(answer, null, 2)}\n`;
    if (out) writeWhole(out, text);
    else process.stdout.write(text);
    return 0;
  } catch (error) {
    if (error instanceof FaultsError) return refuse(error.faults.map(faultLine));
    if (isFileError(error)) return refuse([`${error.path ?? file}: ${error.code ?? error.message}`]);
    throw error;
  }
}

/**
 * One option of a command line with its value, taken out of the arguments.
 * @param values those it may have
 * @returns arguments nothing can be made of where its value is none of them, so that the command says how it is used
 */
export function option<V extends string>(
  args: readonly string[],
  name: string,
  values: readonly V[],
  usual: V,
): { readonly value: V; readonly rest: readonly string[] } {
  const at = args.indexOf(name);
  if (at === -1) return { value: usual, rest: args };
  const value = values.find((each) => each === args[at + 1]);
  return value === undefined ? { value: usual, rest: [] } : { value, rest: args.toSpliced(at, 2) };
}

/** All of a file or nothing: a reader never meets half a plan. */
function writeWhole(path: string, text: string): void {
  const beside = `${path}.${process.pid}.part`;
  try {
    writeFileSync(beside, text);
    renameSync(beside, path);
  } catch (error) {
    rmSync(beside, { force: true });
    throw error;
  }
}

function isFileError(error: unknown): error is NodeJS.ErrnoException {
  return error instanceof Error && 'syscall' in error;
}

function refuse(lines: readonly string[]): number {
  process.stderr.write(`${lines.join('\n')}\n`);
  return EXIT_BAD_INPUT;
}
