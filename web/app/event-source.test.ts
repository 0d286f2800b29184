/** A stream of the server: listened to while the page is looked at, taken up where it was left, asked for again where refused. */
import { listenWhileVisible } from './event-source';

class Stream extends EventTarget {
  static readonly CLOSED = 2;
  static opened: Stream[] = [];
  readyState = 0;
  constructor(readonly url: string) {
    super();
    Stream.opened.push(this);
  }
  close() {
    this.readyState = Stream.CLOSED;
  }
  answers() {
    this.readyState = 1;
    this.dispatchEvent(new Event('open'));
  }
  says(name: string, data: string, lastEventId = '') {
    this.dispatchEvent(new MessageEvent(name, { data, lastEventId }));
  }
  /** The line breaks: the browser asks again by itself. */
  breaks() {
    this.readyState = 0;
    this.dispatchEvent(new Event('error'));
  }
  /** The server says no: a browser leaves it at that. */
  isRefused() {
    this.readyState = Stream.CLOSED;
    this.dispatchEvent(new Event('error'));
  }
  static get last() {
    return Stream.opened.at(-1)!;
  }
  static get listening() {
    return Stream.opened.filter(({ readyState }) => readyState !== Stream.CLOSED).length;
  }
}

let visibility: DocumentVisibilityState = 'visible';
function look(state: DocumentVisibilityState) {
  visibility = state;
  document.dispatchEvent(new Event('visibilitychange'));
}
let told: string[] = [];
let stop: () => void;
const listen = () => {
  stop = listenWhileVisible(
    '/api/changes',
    { job: (data) => told.push(data) },
    () => told.push('gap'),
    () => told.push('lost'),
  );
};

beforeEach(() => {
  jest.useFakeTimers();
  visibility = 'visible';
  told = [];
  Stream.opened = [];
  Object.defineProperty(document, 'visibilityState', { configurable: true, get: () => visibility });
  (globalThis as { EventSource: unknown }).EventSource = Stream;
});
afterEach(() => {
  stop();
  expect(Stream.listening).toBe(0);
  jest.useRealTimers();
});

test('in the background nothing is held open; seen again it goes on after what it heard last', () => {
  listen();
  Stream.last.answers();
  Stream.last.says('job', 'a', '17');
  look('hidden');
  expect(Stream.listening).toBe(0);
  look('visible');
  look('visible');
  expect(Stream.opened).toHaveLength(2);
  expect(Stream.last.url).toBe('/api/changes?since=17');
  Stream.last.answers();
  Stream.last.says('job', 'b', 'x y');
  look('hidden');
  look('visible');
  expect(Stream.last.url).toBe('/api/changes?since=x%20y');
  expect(told).toEqual(['a', 'b']);
});

test('a page that begins in the background listens once it is looked at', () => {
  visibility = 'hidden';
  listen();
  expect(Stream.opened).toEqual([]);
  look('visible');
  expect(Stream.listening).toBe(1);
});

test('where nobody can tell what was missed, all is asked for; where the server tells it is not', () => {
  listen();
  Stream.last.answers();
  expect(told).toEqual([]);
  Stream.last.breaks();
  Stream.last.answers();
  expect(told).toEqual(['lost', 'gap']);
  Stream.last.says('job', 'c', '3');
  Stream.last.breaks();
  Stream.last.answers();
  expect(told).toEqual(['lost', 'gap', 'c', 'lost']);
  Stream.last.says('gap', '', '9');
  expect(told.at(-1)).toBe('gap');
  expect(Stream.opened).toHaveLength(1);
});

test('refused, it asks again after a while, once, as long as somebody looks; stopped it does not', () => {
  listen();
  Stream.last.isRefused();
  expect(Stream.listening).toBe(0);
  jest.advanceTimersByTime(2999);
  expect(Stream.opened).toHaveLength(1);
  jest.advanceTimersByTime(1);
  expect(Stream.opened).toHaveLength(2);
  // Looked away and back while it waits: one, not two.
  Stream.last.isRefused();
  look('hidden');
  look('visible');
  jest.advanceTimersByTime(60_000);
  expect(Stream.opened).toHaveLength(3);
  Stream.last.isRefused();
  look('hidden');
  jest.advanceTimersByTime(60_000);
  expect(Stream.opened).toHaveLength(3);
  look('visible');
  Stream.last.isRefused();
  stop();
  jest.advanceTimersByTime(60_000);
  expect(Stream.listening).toBe(0);
});
