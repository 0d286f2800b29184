/** `npm run demo`: from a fresh clone to the sample workshop in a browser. `-- --fresh` begins it anew. */
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { build, ensureInstalled, ROOT, run } from './steps.mjs';

const database = process.env.GLAPHYRA_DB ?? path.join(ROOT, 'data', 'demo.sqlite');
const port = process.env.PORT ?? '4680';

await ensureInstalled();
if (!build()) process.exit(1);
if (process.argv.includes('--fresh')) {
  for (const ending of ['', '-wal', '-shm', '-open']) rmSync(database + ending, { force: true });
}

const env = { ...process.env, PORT: port, GLAPHYRA_DB: database };
if (!run(process.execPath, ['dist/server/load-demo.js'], { env })) process.exit(1);

const server = spawn(process.execPath, ['dist/server/main.js'], {
  cwd: ROOT,
  stdio: ['ignore', 'pipe', 'inherit'],
  env,
});
server.stdout.on('data', (chunk) => {
  for (const line of String(chunk).split('\n').filter(Boolean)) {
    const message = messageOf(line);
    const address = /http:\/\/\S+/.exec(message)?.[0];
    console.log(address ? `\nTernmouth Yard is open at ${address}` : message);
  }
});
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));

function messageOf(line) {
  try {
    return JSON.parse(line).msg ?? line;
  } catch {
    return line;
  }
}
