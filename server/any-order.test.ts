/** Two windows at one workshop, doing anything in any order: no write is lost, none overwrites another, all agree. */
import fc from 'fast-check';
import type { Problem } from '#formats/api';
import type { JobRecord } from '#formats/job';
import type { LogEntry } from '#formats/log';
import tapedTourer from '../e2e/jobs/taped-tourer.json';
import { draftOf, type RunningServer, startServer } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const draft = { ...draftOf(tapedTourer), bayId: null };

let server: RunningServer;
beforeAll(async () => {
  server = await startServer(() => new Date(NOW));
});
afterAll(() => server.stop());

/** What a window knows of a job: as it read it last. */
interface Window {
  version: number;
  title: string;
}

type Act =
  | { readonly kind: 'read'; readonly who: 0 | 1 }
  | { readonly kind: 'edit'; readonly who: 0 | 1; readonly title: string }
  | { readonly kind: 'tap'; readonly who: 0 | 1; readonly name: string }
  | { readonly kind: 'away'; readonly who: 0 | 1 }
  | { readonly kind: 'back' };

const who = fc.constantFrom(0 as const, 1 as const);
const anAct: fc.Arbitrary<Act> = fc.oneof(
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('read' as const), who }) },
  {
    weight: 5,
    arbitrary: fc.record({ kind: fc.constant('edit' as const), who, title: fc.stringMatching(/^[a-z]{1,8}$/) }),
  },
  {
    weight: 3,
    arbitrary: fc.record({ kind: fc.constant('tap' as const), who, name: fc.constantFrom('a', 'b', 'c', 'd') }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('away' as const), who }) },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('back' as const) }) },
);

test('whatever two windows do, the last write that was taken stands, and every other was told', async () => {
  let nth = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(anAct, { maxLength: 25 }), async (acts) => {
      const id = `job-${nth++}`;
      const address = `/api/jobs/${id}`;
      expect((await server.call('PUT', `/api/jobs/${id}`, draft, 0)).status).toBe(200);
      // The model: what really stands.
      let standing: { version: number; title: string; away: boolean } = {
        version: 1,
        title: draft.document.title,
        away: false,
      };
      const logged = new Set<string>();
      const windows: [Window, Window] = [
        { version: 1, title: standing.title },
        { version: 1, title: standing.title },
      ];
      for (const act of acts) {
        const window = 'who' in act ? windows[act.who] : windows[0];
        switch (act.kind) {
          case 'read': {
            const { status, body } = await server.call<JobRecord>('GET', address);
            expect(status).toBe(standing.away ? 404 : 200);
            if (status === 200) {
              expect([body.version, body.document.title]).toEqual([standing.version, standing.title]);
              Object.assign(window, { version: body.version, title: body.document.title });
            }
            break;
          }
          case 'edit': {
            const document = { ...draft.document, title: act.title };
            const { status, body } = await server.call<JobRecord & Problem>(
              'PUT',
              address,
              { ...draft, document },
              window.version,
            );
            if (standing.away) expect(status).toBe(404);
            else if (window.version !== standing.version) {
              expect(status).toBe(412);
              expect(body).toMatchObject({ version: standing.version });
              // What changed since is said, and only that.
              expect(body.changed).toEqual(window.title === standing.title ? [] : ['document.title']);
            } else {
              expect(status).toBe(200);
              standing = { ...standing, version: standing.version + 1, title: act.title };
              Object.assign(window, { version: standing.version, title: act.title });
            }
            break;
          }
          case 'tap': {
            const entry = { id: act.name, at: NOW, entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 } };
            const { status } = await server.call('POST', `${address}/log`, entry);
            expect(status).toBe(standing.away ? 404 : 201);
            if (!standing.away) logged.add(act.name);
            break;
          }
          case 'away': {
            const { status } = await server.call('DELETE', address, undefined, window.version);
            if (standing.away) expect(status).toBe(404);
            else if (window.version !== standing.version) expect(status).toBe(412);
            else {
              expect(status).toBe(logged.size > 0 ? 409 : 204);
              standing = { ...standing, away: logged.size === 0 };
            }
            break;
          }
          case 'back': {
            expect((await server.call('POST', `${address}/bring-back`)).status).toBe(200);
            standing = { ...standing, away: false };
            break;
          }
        }
      }
      if (standing.away) await server.call('POST', `${address}/bring-back`);
      const { body: end } = await server.call<JobRecord>('GET', address);
      expect([end.version, end.document.title]).toEqual([standing.version, standing.title]);
      const { body: log } = await server.call<LogEntry[]>('GET', `${address}/log`);
      expect(new Set(log.map((entry) => entry.id))).toEqual(logged);
      expect(log).toHaveLength(logged.size);
    }),
    { numRuns: 25 },
  );
});
