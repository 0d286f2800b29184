import type { Offer } from '#core/choose/offers';
import { offerSchema } from '#formats/choice';
import type { Bay, JobDraft, PhotoWords } from '#formats/job';
import type { NewEntry } from '#formats/log';
import type { KitEntry, ProductSheet } from '#formats/shelf';
import type { NewStockEntry } from '#formats/stock';
import { redraw } from '#core/schedule/calendar';
import type { ShopCalendar } from '#formats/schedule';
import { asKept, shopCase } from '#job/calendar';
import type { Db } from '../db/open';
import type { KeptReading } from '../repositories/bay-readings';
import type { Services } from './index';

/** A workshop to begin with: bays, sheets, and jobs with what has been done at them. */
export interface Workshop {
  readonly bays: readonly Omit<Bay, 'version'>[];
  /** The air the bays have had. */
  readonly air: readonly { readonly bay: string; readonly readings: readonly KeptReading[] }[];
  readonly shelf: readonly ProductSheet[];
  /** Sheets before the things that are of them. */
  readonly kit: readonly KitEntry[];
  readonly offers: readonly Offer[];
  /** What happened to the things in stock, in its order. */
  readonly stock: readonly NewStockEntry[];
  readonly jobs: readonly { readonly id: string; readonly draft: JobDraft; readonly log: readonly NewEntry[] }[];
}

/**
 * Puts a workshop into an empty database, whole or not at all.
 * @returns false, and nothing done, where the database holds jobs already
 */
export function loadWorkshop(
  db: Db,
  { jobs, shelf, kit, offers, bays, bayAir, runLog, stock }: Services,
  workshop: Workshop,
): boolean {
  if (jobs.isAny()) return false;
  db.transaction(() => {
    for (const { id, ...draft } of workshop.bays) bays.put(id, 0, draft);
    for (const { bay, readings } of workshop.air) bayAir.begin(bay, readings);
    // What is in hand is told bottle by bottle.
    for (const sheet of workshop.shelf) shelf.add({ ...sheet, onHand: 0 });
    for (const offer of workshop.offers) offers.put(offer.id, 0, offerSchema.parse(offer));
    for (const entry of workshop.kit) kit.put(entry.id, 0, entry);
    for (const { id, draft } of workshop.jobs) jobs.add({ id, ...draft });
    for (const happens of inTime(workshop, { runLog, stock })) happens();
  });
  return true;
}

interface Happening {
  readonly atMs: number;
  readonly happen: () => unknown;
}

/** What happened at jobs and in stock, in one order: each stream in its own, the earliest of them next. */
function inTime({ jobs, stock: moved }: Workshop, { runLog, stock }: Pick<Services, 'runLog' | 'stock'>) {
  const streams: Happening[][] = [
    ...jobs.map(({ id, log }) =>
      log.map((entry) => ({ atMs: Date.parse(entry.at), happen: () => runLog.append(id, entry) })),
    ),
    moved.map((entry) => ({ atMs: Date.parse(entry.at), happen: () => stock.append(entry) })),
  ];
  const inOrder: Happening['happen'][] = [];
  for (let left = streams; left.length > 0; left = left.filter((stream) => stream.length > 0)) {
    const next = left.reduce((a, b) => ((b[0]?.atMs ?? Infinity) < (a[0]?.atMs ?? Infinity) ? b : a)).shift();
    if (next) inOrder.push(next.happen);
  }
  return inOrder;
}

/** Who is there, and the week as it was agreed: each step where it goes first. */
export async function agreeCalendar(
  { calendar, summaries, bays }: Services,
  people: ShopCalendar['people'],
  tools: ShopCalendar['tools'] = [],
): Promise<void> {
  await summaries.worked();
  const { version, jobs, now, ...view } = calendar.current();
  const named = { ...view.calendar, people: [...people], tools: [...tools] };
  const shop = shopCase({ calendar: named, jobs, bays: bays.all(), now });
  calendar.put(version, calendar.settled({ ...named, plan: asKept(shop, redraw(shop.asked, shop.stood).tasks, []) }));
  await summaries.worked();
}

/** A picture to begin with, drawn as SVG. */
export interface SamplePicture extends PhotoWords {
  readonly id: string;
  readonly jobId: string;
  readonly svg: string;
}

/** Adds pictures to jobs of a workshop that has been loaded. */
export async function loadPictures({ photos }: Services, pictures: readonly SamplePicture[]): Promise<void> {
  const { default: sharp } = await import('sharp');
  for (const { id, jobId, svg, ...words } of pictures) {
    const file = await sharp(Buffer.from(svg)).png().toBuffer();
    await photos.add(jobId, id, words, file);
  }
}
