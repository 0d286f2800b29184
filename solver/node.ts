import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { solverIn } from './solver';

/** The solver in a thread of its own; the commands and the tests run where the project lies. */
export const nodeSolver = () =>
  solverIn(() => {
    const worker = new Worker(path.resolve('solver/thread.mjs'), { stdout: true, stderr: true });
    worker.postMessage({ wasmURL: 'minizinc.wasm', dataURL: 'minizinc.data' });
    return {
      post: (message) => worker.postMessage(message),
      onMessage: (listener) => void worker.removeAllListeners('message').on('message', listener),
      onError: (listener) => void worker.removeAllListeners('error').on('error', listener),
      end: () => void worker.terminate(),
    };
  });
