import * as idb from 'fake-indexeddb';
import JSDOMEnvironment from 'jest-environment-jsdom';

/** jsdom with the platform pieces a browser has and jsdom leaves out, handed over from Node. */
export default class BrowserLikeEnvironment extends (JSDOMEnvironment.default ?? JSDOMEnvironment) {
  async setup() {
    await super.setup();
    const { global } = this;
    Object.assign(global, {
      fetch,
      Request,
      Response,
      Headers,
      structuredClone,
      TextEncoder,
      TextDecoder,
      AbortController,
      AbortSignal,
    });
    // Heard by other tabs; left open, it keeps no test from ending.
    global.BroadcastChannel = class extends BroadcastChannel {
      constructor(name) {
        super(name);
        this.unref();
      }
    };
    global.ResizeObserver = class {
      observe() {}
      unobserve() {}
      disconnect() {}
    };
    global.EventSource = class {
      close() {}
      addEventListener() {}
    };
    const classes = Object.entries(idb).filter(([name]) => name.startsWith('IDB'));
    Object.assign(global, Object.fromEntries(classes), { indexedDB: new idb.IDBFactory() });
    // Work beside the interface is tested in a browser: here it is under way for ever.
    global.Worker = class {
      postMessage() {}
      terminate() {}
      addEventListener() {}
      removeEventListener() {}
    };
    global.matchMedia = () => ({ matches: false, addEventListener() {}, removeEventListener() {} });
  }
}
