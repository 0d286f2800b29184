/**
 * The solver's own worker script, run in a thread of Node as if it were a browser's worker: what it asks of one is
 * handed to it, and its two files are read from the disk instead of fetched.
 */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { runInThisContext } from 'node:vm';
import { parentPort } from 'node:worker_threads';

const require = createRequire(import.meta.url);
const fileOf = (name) => require.resolve(`minizinc/${name}`);
const FILES = { 'minizinc.wasm': 'application/wasm', 'minizinc.data': 'application/octet-stream' };

let listener = () => undefined;
Object.assign(globalThis, {
  self: globalThis,
  WorkerGlobalScope: class {},
  location: { href: 'file:///minizinc-worker.js', pathname: '/minizinc-worker.js' },
  addEventListener: (_, listens) => (listener = listens),
  postMessage: (message) => parentPort.postMessage(message),
  fetch: async (name) =>
    new globalThis.Response(readFileSync(fileOf(String(name))), { headers: { 'content-type': FILES[String(name)] } }),
});
// Where there is a process it would look for files of its own.
Object.defineProperty(globalThis, 'process', { value: undefined, configurable: true });
runInThisContext(readFileSync(fileOf('minizinc-worker.js'), 'utf8'));
parentPort.on('message', (data) => listener({ data }));
