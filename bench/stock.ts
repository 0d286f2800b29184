/** A large stock on a real database, and its list as the server answers it; sections cut on a large sheet. */
import { stripsBetween } from '#core/item/geometry';
import { templateById } from '#core/item/nets';
import { workPatches } from '#core/plan/section-map';
import { openDatabase } from '../server/db/open';
import { stockLog } from '../server/db/schema';
import { createServices } from '../server/services';

const THINGS = 10_000;
const MOVEMENTS = 100_000;
const LISTS = 40;
const LIST_BAR_MS = 100;
const CUT_BAR_MS = 100;
const CUT_ROUNDS = 30;
const ROWS_AT_ONCE = 500;

const timed = (call: () => unknown, rounds: number): number[] =>
  Array.from({ length: rounds }, () => {
    const start = performance.now();
    call();
    return performance.now() - start;
  }).sort((a, b) => a - b);
const p95 = (times: readonly number[]): number => times[Math.min(times.length - 1, Math.floor(0.95 * times.length))]!;

function largeStock() {
  const { db, close } = openDatabase(':memory:');
  const at = '2027-01-04T09:00:00.000Z';
  const rows = Array.from({ length: MOVEMENTS }, (_, index): typeof stockLog.$inferInsert => {
    const thing = `t${index % THINGS}`;
    const bought = { kind: 'product', of: `p${index % 41}`, size: 50, unit: 'ml', batch: `B-${index % 300}` } as const;
    return {
      id: `e${index}`,
      thing,
      at,
      recordedAt: at,
      entry:
        index < THINGS
          ? { type: 'bought', thing, as: bought }
          : { type: 'used', thing, job: `j${index % 900}`, surface: 'bonnet', amount: 1.5, factor: 1 },
    };
  });
  db.transaction(() => {
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
      db.insert(stockLog)
        .values(rows.slice(from, from + ROWS_AT_ONCE))
        .run();
    }
  });
  const { stock } = createServices(db, 'no-pictures', () => new Date('2027-03-02T10:40:00Z'));
  return { stock, close };
}

export function benchStock(): void {
  const { stock, close } = largeStock();
  const first = timed(() => stock.list({}), 1)[0]!;
  const lists = timed(() => JSON.stringify(stock.list({ find: 'b-29' })), LISTS);
  const plain = timed(() => JSON.stringify([...stock.book().things()].slice(0, 200)), LISTS);
  close();
  console.log(`stock of ${THINGS} things and ${MOVEMENTS} movements`);
  console.log(`  two hundred of them as they lie (baseline) ${p95(plain).toFixed(2)} ms p95`);
  console.log(
    `  found by batch, sorted, summed by kind     ${p95(lists).toFixed(1)} ms p95, ${(p95(lists) / p95(plain)).toFixed(0)} times the baseline; the log read once in ${first.toFixed(0)} ms`,
  );
  console.log(`  bar: ${LIST_BAR_MS} ms, ${((100 * p95(lists)) / LIST_BAR_MS).toFixed(0)} % of it used`);
}

export function benchSections(panelCount: number): void {
  const hatchback = templateById('hatchback')!;
  const { panels, linework } = hatchback.unfold(hatchback.usual);
  const sheet = Array.from({ length: panelCount }, (_, index) => {
    const { id, outlineMm, zone } = panels[index % panels.length]!;
    return {
      surface: `${id}-${index}`,
      outline: outlineMm,
      zone,
      sections: 1 + (index % 4),
      maxM2: 0.6,
      areaM2: 0.55 * (1 + (index % 4)),
      count: 1,
      amount: 3,
      onePiece: false,
      startMin: index,
    };
  });
  const cut = timed(() => workPatches(sheet, linework), CUT_ROUNDS)[CUT_ROUNDS >> 1]!;
  const plain = timed(() => sheet.map(({ outline }) => stripsBetween(outline, 0, [outline[0]![0]])), CUT_ROUNDS)[
    CUT_ROUNDS >> 1
  ]!;
  console.log(`sections of ${panelCount} panels`);
  console.log(`  each parted once anywhere (baseline)  ${plain.toFixed(2)} ms`);
  console.log(
    `  cut on body lines within the limit    ${cut.toFixed(1)} ms, ${(cut / plain).toFixed(0)} times the baseline, ${workPatches(sheet, linework).length} patches`,
  );
  console.log(`  bar: ${CUT_BAR_MS} ms, ${((100 * cut) / CUT_BAR_MS).toFixed(0)} % of it used`);
}
