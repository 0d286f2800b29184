import { cutInServer, NOW, server } from './yard';

/** For a file of tests: the day stands still at the yard's own morning, and the server is answered from memory. */
export function onAStillDay(): void {
  beforeAll(() => {
    // Everything else runs as it does.
    jest.useFakeTimers({
      now: new Date(NOW),
      doNotFake: [
        'setTimeout',
        'clearTimeout',
        'setInterval',
        'clearInterval',
        'setImmediate',
        'clearImmediate',
        'queueMicrotask',
        'nextTick',
        'performance',
        'hrtime',
        'requestAnimationFrame',
        'cancelAnimationFrame',
      ],
    });
    cutInServer();
  });
  beforeEach(() => {
    localStorage.clear();
    server.reset();
  });
  afterAll(() => jest.useRealTimers());
}
