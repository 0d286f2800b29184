import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import { asc } from 'drizzle-orm';
import { create, extract } from 'tar';
import { grouped } from '#core/stock';
import { FaultsError, faultLine, read } from '#formats/values';
import { WORKSHOP_FORMAT, type WorkshopFile, workshopFileSchema, workshopSenseFaults } from '#formats/workshop';
import type { Db } from '../db/open';
import {
  bayReadings,
  bays,
  jobs,
  kit,
  offers,
  people,
  photos,
  handovers,
  takenPassports,
  products,
  runLog,
  stockLog,
  templates,
  ticks,
} from '../db/schema';
import { calendarRepository } from '../repositories/calendar';
import { StartFault } from '../settings';

const FILE = 'workshop.json';
const PICTURES = 'pictures';
const OWN_PATH = new RegExp(String.raw`^(${FILE}|${PICTURES}/[A-Za-z0-9_-]{1,64}(\.thumb)?\.jpg)$`);
const LARGEST_BYTES = 64 * 1024 ** 3;

const filesOf = (id: string) => [`${id}.jpg`, `${id}.thumb.jpg`];

/** Everything of a workshop as it is told in the open format. */
export function wholeWorkshop(db: Db, at: Date): WorkshopFile {
  const logs = grouped(db.select().from(runLog).orderBy(asc(runLog.seq)).all(), ({ jobId }) => jobId);
  const ticked = grouped(db.select().from(ticks).all(), ({ jobId }) => jobId);
  return {
    format: WORKSHOP_FORMAT,
    at: at.toISOString(),
    people: db
      .select({ id: people.id, name: people.name, role: people.role, leftAt: people.leftAt })
      .from(people)
      .all(),
    bays: db
      .select()
      .from(bays)
      .all()
      .map(({ room, ...bay }) => ({ ...bay, ...(room && { room }) })),
    air: db.select().from(bayReadings).all(),
    shelf: db.select().from(products).all(),
    kit: db.select().from(kit).all(),
    offers: db.select().from(offers).all() as WorkshopFile['offers'],
    calendar: calendarRepository(db).get().calendar,
    templates: db
      .select()
      .from(templates)
      .all()
      .map(({ id, createdAt, kept }) => ({ ...kept, id, createdAt })),
    stock: db
      .select()
      .from(stockLog)
      .orderBy(asc(stockLog.seq))
      .all()
      .map(({ id, at: when, by, recordedAt, deviceAt, entry }) => ({ id, at: when, by, recordedAt, deviceAt, entry })),
    jobs: db
      .select()
      .from(jobs)
      .all()
      .map(({ itemId: _i, templateId: _t, testSpots: _s, ...job }) => ({
        ...job,
        log: (logs.get(job.id) ?? []).map(({ id, at: when, by, recordedAt, deviceAt, entry }) => ({
          id,
          at: when,
          by,
          recordedAt,
          deviceAt,
          entry,
        })),
        ticks: (ticked.get(job.id) ?? []).map(({ line, at: when, by }) => ({ line, at: when, by })),
      })),
    pictures: db.select().from(photos).all(),
    handovers: db.select().from(handovers).all(),
    passports: db.select().from(takenPassports).all(),
  };
}

/**
 * Writes a whole workshop as open files, in one archive: `workshop.json` and its pictures.
 * @returns how much is in it, and pictures whose files were gone already
 */
export async function writeOpen(
  db: Db,
  pictures: string,
  to: string,
  at: Date,
): Promise<{ readonly whole: WorkshopFile; readonly missing: readonly string[] }> {
  const whole = wholeWorkshop(db, at);
  mkdirSync(path.dirname(to), { recursive: true });
  const work = mkdtempSync(path.join(path.dirname(to), '.export-'));
  try {
    writeFileSync(path.join(work, FILE), JSON.stringify(whole, undefined, 1));
    mkdirSync(path.join(work, PICTURES));
    const names = whole.pictures.flatMap(({ id }) => filesOf(id));
    const there = names.filter((name) => existsSync(path.join(pictures, name)));
    for (const name of there) copyFileSync(path.join(pictures, name), path.join(work, PICTURES, name));
    await create({ file: path.join(work, 'packed'), cwd: work, gzip: true, portable: true }, [
      FILE,
      ...there.map((name) => `${PICTURES}/${name}`),
    ]);
    renameSync(path.join(work, 'packed'), to);
    return { whole, missing: names.filter((name) => !there.includes(name)) };
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

/**
 * Takes a whole workshop in from open files, into an empty database, all of it or nothing.
 * @throws StartFault for what is no such archive, whose content has faults (the first are told), or where there is something
 */
export async function takeOpen(db: Db, pictures: string, from: string): Promise<WorkshopFile> {
  if (!existsSync(from)) throw new StartFault(`There is no file at ${from}.`);
  if (db.select({ id: jobs.id }).from(jobs).limit(1).get())
    throw new StartFault('There are jobs in this workshop already: name an empty place by GLAPHYRA_DB.');
  mkdirSync(pictures, { recursive: true });
  const work = mkdtempSync(path.join(pictures, '.import-'));
  try {
    let bytes = 0;
    await extract({
      file: from,
      cwd: work,
      strict: true,
      filter: (name, entry) => {
        bytes += 'size' in entry ? entry.size : 0;
        return OWN_PATH.test(name) && 'type' in entry && entry.type === 'File' && bytes <= LARGEST_BYTES;
      },
    }).catch((error: unknown) => {
      throw new StartFault(`${from} cannot be unpacked (${String(error)}): it is no export, or not whole.`);
    });
    const whole = readWhole(from, path.join(work, FILE));
    fill(db, whole);
    for (const name of whole.pictures.flatMap(({ id }) => filesOf(id)))
      if (existsSync(path.join(work, PICTURES, name)))
        renameSync(path.join(work, PICTURES, name), path.join(pictures, name));
    return whole;
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

const MOST_FAULTS = 10;

function readWhole(from: string, file: string): WorkshopFile {
  if (!existsSync(file)) throw new StartFault(`${from} holds no ${FILE}: it is no export of a workshop.`);
  try {
    const whole = read(JSON.parse(readFileSync(file, 'utf8')), workshopFileSchema);
    const faults = workshopSenseFaults(whole);
    if (faults.length > 0) throw new FaultsError(faults);
    return whole;
  } catch (error) {
    if (error instanceof SyntaxError) throw new StartFault(`${from}: ${FILE} is not JSON (${error.message}).`);
    if (!(error instanceof FaultsError)) throw error;
    const told = error.faults.slice(0, MOST_FAULTS).map(faultLine).join('\n');
    throw new StartFault(`${from} cannot be taken in; nothing of it was.\n${told}`);
  }
}

/** Puts it into the tables, whole or not at all: as it was recorded, in its order. */
function fill(db: Db, whole: WorkshopFile): void {
  db.transaction(
    () => {
      for (const person of whole.people)
        db.insert(people)
          .values({ ...person, passwordHash: null, pinHash: null, edition: 1 })
          .run();
      for (const { room = null, ...bay } of whole.bays)
        db.insert(bays)
          .values({ ...bay, room })
          .run();
      for (const reading of whole.air) db.insert(bayReadings).values(reading).run();
      for (const product of whole.shelf) db.insert(products).values(product).run();
      for (const entry of whole.kit) db.insert(kit).values(entry).run();
      for (const offer of whole.offers) db.insert(offers).values(offer).run();
      if (whole.calendar) calendarRepository(db).put({ version: 1, calendar: whole.calendar }, false);
      for (const { id, createdAt, ...kept } of whole.templates)
        db.insert(templates).values({ id, createdAt, kept, name: kept.name }).run();
      for (const { log, ticks: ticked, ...job } of whole.jobs) {
        db.insert(jobs).values(job).run();
        for (const entry of log)
          db.insert(runLog)
            .values({ ...entry, jobId: job.id })
            .run();
        for (const tick of ticked)
          db.insert(ticks)
            .values({ ...tick, jobId: job.id })
            .run();
      }
      for (const entry of whole.stock)
        db.insert(stockLog)
          .values({ ...entry, thing: entry.entry.thing })
          .run();
      for (const photo of whole.pictures) db.insert(photos).values(photo).run();
      for (const handover of whole.handovers) db.insert(handovers).values(handover).run();
      for (const passport of whole.passports) db.insert(takenPassports).values(passport).run();
    },
    { behavior: 'immediate' },
  );
}
