import path from 'node:path';
import { air, inFolder, smallJob, TrialServer } from './server';

const REQUESTS = 100_000;
const AT_ONCE = 16;
const LONGEST_ANSWER_MS = 1000;

const METHODS = ['GET', 'POST', 'PUT', 'DELETE'];
const VALUES = [
  null,
  true,
  -1,
  1e308,
  '',
  'x'.repeat(5000),
  [],
  {},
  [[[[]]]],
  { entry: { type: 'lay-start' } },
  '💧',
  '\u0000',
];

/** Nonsense by the hundred thousand: never a 5xx, and others are answered all the while. */
export const badRequests = (): Promise<string> =>
  inFolder(async (folder) => {
    const server = new TrialServer(path.join(folder, 'workshop.sqlite'));
    await server.start();
    await server.make('job');
    const { body } = await server.ask('GET', '/api/openapi.json');
    const doors = Object.keys((body as { paths: object }).paths).filter(
      // Streams do not end by themselves.
      (door) => !door.includes('changes') && !door.includes('stream'),
    );
    const any = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;
    const sense = () =>
      Math.random() < 0.3 ? 'job' : encodeURIComponent(any(['..', '%', "' or 1=1", 'x'.repeat(300), '-1', '🧽']));
    const nonsense = (): string => {
      const [first, second, third] = [any(VALUES), any(VALUES), any(VALUES)];
      return any([
        JSON.stringify(first),
        JSON.stringify({ ...air('a'), entry: first, at: second }),
        JSON.stringify({ ...smallJob('job'), document: first }),
        JSON.stringify({ name: first, password: second, pin: third, code: first, token: second, role: third }),
        '{"a":',
        '',
      ]);
    };
    const counted = new Map<number, number>();
    let sent = 0;
    const fault = { text: '' };
    const senders = Array.from({ length: AT_ONCE }, async () => {
      while (sent < REQUESTS && fault.text === '') {
        sent += 1;
        const door = any(doors).replaceAll(/\{\w+\}/g, sense);
        const method = any(METHODS);
        const said = nonsense();
        const answer = await fetch(
          server.base + door + any(['', '?from=x', '?find=%25', '?at=never', '?days=-1&points=1e9']),
          {
            method,
            headers: {
              'content-type': any(['application/json', 'text/plain', 'application/octet-stream']),
              'if-match': any(['"1"', 'x', '"-1"']),
            },
            ...(method !== 'GET' && { body: said }),
          },
        );
        await answer.arrayBuffer();
        counted.set(answer.status, (counted.get(answer.status) ?? 0) + 1);
        // An instrument that is not there says so by 503.
        if (answer.status >= 500 && answer.status !== 503)
          fault.text = `${method} ${door} with ${said.slice(0, 200)} was answered with ${answer.status}`;
      }
    });
    let longest = 0;
    const other = (async () => {
      while (sent < REQUESTS && fault.text === '') {
        const began = performance.now();
        await server.ask('GET', '/api/bays');
        longest = Math.max(longest, performance.now() - began);
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
    })();
    await Promise.all([...senders, other]);
    const isUp = server.isUp;
    await server.kill();
    if (fault.text !== '') throw new Error(fault.text);
    if (!isUp) throw new Error('the server ended');
    if (longest > LONGEST_ANSWER_MS) throw new Error(`another waited ${longest.toFixed(0)} ms`);
    const statuses = [...counted].sort(([a], [b]) => a - b).map(([status, count]) => `${status}: ${count}`);
    return `${REQUESTS} at ${doors.length} doors; ${statuses.join(', ')}; another waited ${longest.toFixed(0)} ms at most`;
  });
