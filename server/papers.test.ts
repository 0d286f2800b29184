import type { JobRecord } from '#formats/job';
import { type RunningServer, startStocked } from './testing/client';
import { readPaper } from './testing/read-paper';

jest.setTimeout(60_000);

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
