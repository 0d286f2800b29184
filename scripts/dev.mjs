/** `npm run dev`: server and interface with reload, on the demo's database. */
import { spawn } from 'node:child_process';
import { ensureInstalled, ROOT, run } from './steps.mjs';

await ensureInstalled();
const env = { ...process.env, PORT: '4680', GLAPHYRA_DB: 'data/demo.sqlite' };
if (!run(process.execPath, ['--import', 'tsx', 'server/load-demo.ts'], { env })) process.exit(1);
const children = [
  spawn(process.execPath, ['--watch', '--import', 'tsx', 'server/main.ts'], { cwd: ROOT, stdio: 'inherit', env }),
  spawn(`${ROOT}/node_modules/.bin/vite`, [], { cwd: ROOT, stdio: 'inherit', env }),
];
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => children.forEach((child) => child.kill(signal)));
