import { DateTime } from 'luxon';
import type { JobRecord } from '#formats/job';
import type { PassportFile } from '#formats/passport';
import { type RunningServer, startStocked } from './testing/client';
import { readPaper } from './testing/read-paper';

const NOW = '2027-03-02T10:40:00+01:00';
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

/** A job with other words in it, written past the readers as an older version may have left it. */
function withWords(id: string, change: (document: JobRecord['document']) => object): void {
  const { version, document, bayId, airSource } = server.services.jobs.get(id);
  server.services.jobs.update(id, version, { bayId, airSource, document: { ...document, ...change(document) } });
}

async function paper(id: string, name: string): Promise<string> {
  const response = await fetch(`${server.base}/api/jobs/${id}/${name}`);
  expect(response.status).toBe(200);
  return readPaper(new Uint8Array(await response.arrayBuffer())).join(' ');
}

test('names keep their letters on paper, whatever script they are written in', async () => {
  const owner = 'Łucja Śmigły-Erdős, Ελένη Παπαδοπούλου, Світлана Щербак';
  withWords('hotel-shuttle', ({ item }) => ({ item: { ...item!, ownerName: owner } }));
  for (const name of ['walk-round.pdf', 'offers.pdf']) {
    const text = await paper('hotel-shuttle', name);
    for (const word of owner.split(/[ ,]+/)) expect(text).toContain(word);
    expect(text).not.toContain('□');
  }
});

test('a sign no letter is shipped for is shown as such, and the paper says so', async () => {
  withWords('hotel-shuttle', ({ item }) => ({ item: { ...item!, ownerName: 'Haru 春 of the bay' } }));
  const text = await paper('hotel-shuttle', 'walk-round.pdf');
  expect(text).toContain('Haru □ of the bay');
  expect(text).toContain('stands for a sign this paper has no letter for');
});

test('what may happen where film comes off refinished paint, and what shows again, stands on what the owner signs', async () => {
  const mark = {
    id: 'filled',
    kind: 'swirls' as const,
    severity: 'light' as const,
    at: [0.5, 0.5],
    hiddenBefore: true,
  };
  expect(await paper('moss-saloon', 'walk-round.pdf')).not.toContain('Taking off');
  withWords('moss-saloon', ({ surfaces, prepare }) => ({
    surfaces: surfaces.map((surface) =>
      surface.id === 'bonnet' ? { ...surface, paint: 'refinished', existing: ['film'], marks: [mark] } : surface,
    ),
    prepare: { ...prepare, strip: ['bonnet'] },
  }));
  const text = await paper('moss-saloon', 'walk-round.pdf');
  expect(text).toContain('Taking off, bonnet: Refinished paint may lift with the film');
  expect(text).toContain('What was filled shows again: swirls');
});

test('what becomes of a mark stands on the walk-round sheet as this plan has it, not as such marks usually go', async () => {
  const mark = { id: 'seen', kind: 'swirls' as const, severity: 'medium' as const, at: [0.5, 0.5] };
  const at = async (level: 'none' | 'one-step' | 'two-step', outcome?: 'stays') => {
    withWords('moss-saloon', ({ surfaces }) => ({
      surfaces: surfaces.map(({ marks: _, ...surface }) =>
        surface.id === 'bonnet'
          ? {
              ...surface,
              clearUm: 60,
              paint: 'factory',
              existing: [],
              marks: [{ ...mark, ...(outcome && { outcome }) }],
            }
          : surface,
      ),
      prepare: { level },
    }));
    return (await paper('moss-saloon', 'walk-round.pdf')).replaceAll(/\s+/g, ' ');
  };
  expect(await at('two-step')).toContain('Goes. Fine circular marks');
  expect(await at('one-step')).toContain('Is eased: about 75 % of it goes.');
  expect(await at('none')).toContain('Stays. Fine circular marks');
  expect(await at('two-step', 'stays')).toContain('Stays, as agreed.');
});

test('an offer on paper has its number, its date, until when it is good, and a price in whole units', async () => {
  const job = await server.call<{ version: number }>('GET', '/api/jobs/moss-saloon');
  const text = (await paper('moss-saloon', 'offers.pdf')).replaceAll(/\s+/g, ' ');
  expect(text).toContain(`Offer moss-saloon/${job.body.version} of `);
  expect(text).toMatch(/valid until \d+ [A-Z][a-z]+ 20\d\d/);
  expect(text).not.toMatch(/€\d[\d,]*\.(?!00)\d\d/);
});

test('one endless word costs no more than the same letters in words', async () => {
  const took = async (note: string) => {
    withWords('hotel-shuttle', ({ surfaces }) => ({
      surfaces: surfaces.map((surface, index) =>
        index === 0 ? { ...surface, note, name: note.slice(0, 3000) } : surface,
      ),
    }));
    const begun = performance.now();
    const text = await paper('hotel-shuttle', 'walk-round.pdf');
    expect(text.replaceAll(/\s/g, '')).toContain('x'.repeat(200));
    return performance.now() - begun;
  };
  await took('x'.repeat(300));
  const inWords = await took('xxxxxxxxx '.repeat(1200));
  const inOne = await took('x'.repeat(12_000));
  expect(inOne).toBeLessThan(20 * inWords);
});

test('a passport on paper says every product, every warranted panel count, every date of its care, and who signed', async () => {
  const signed = await server.call('POST', '/api/jobs/two-door-classic/handovers', {
    id: 'signed-1',
    signedBy: 'Aurel Strand',
    strokes: [[0.1, 0.2, 0.5, 0.8]],
  });
  expect(signed.status).toBe(201);
  const { body } = await server.call<PassportFile>('GET', '/api/jobs/two-door-classic/passport.json');
  const text = await paper('two-door-classic', 'passport.pdf');
  const said = (at: string) => DateTime.fromISO(at, { setZone: true }).toFormat('d LLL yyyy');
  for (const { layers } of body.passport.panels) for (const { product } of layers) expect(text).toContain(product);
  for (const { at, says } of body.passport.care) {
    expect(text).toContain(says.split(' ').slice(0, 3).join(' '));
    if (at !== undefined) expect(text).toContain(said(at));
  }
  for (const each of body.passport.warranty?.inspections ?? []) expect(text).toContain(said(each));
  expect(text).toContain('Aurel Strand');
  expect(text.replaceAll(' ', '')).toContain(body.signature.value);
});
