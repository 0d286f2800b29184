import { DateTime } from 'luxon';
import {
  cutKey,
  filmAreaM2,
  filmLengthMm,
  goodUntilMs,
  grouped,
  isCut,
  isPast,
  lessonsOf,
  type LoggedStock,
  type ShelfLife,
  StockBook,
  type StockEntry,
  stockFault,
  type StockThing,
  SUPPLIES,
  type SupplyId,
  takingOrder,
  undoneIn,
  type UsageLesson,
  usageOf,
} from '#core/stock';
import type { Patch, PatchRecord, RunRecord } from '#core/lay/run';
import { patchKey } from '#core/lay/run';
import { applicatorCount } from '#core/products/quantity';
import type { Job } from '#formats/job';
import type { MakerSheet } from '#formats/shelf';
import {
  loggedStock,
  type NewStockEntry,
  type StockList,
  type StockLogEntry,
  type StockRow,
  type StockState,
  type StockThingView,
  type TakenIn,
  type UsageLessonRow,
} from '#formats/stock';
import { FaultsError } from '#formats/values';
import type { Db } from '../db/open';
import { conflict, notFound } from '../http/problem';
import { kitRepository } from '../repositories/kit';
import { shelfRepository } from '../repositories/shelf';
import { type StockAppend, stockRepository } from '../repositories/stock';
import type { ChangeFeed } from './changes';
import { localInstant } from './moments';

/** Things a list shows at once. */
const LONGEST_LIST = 200;
/** A clock of a tablet may be ahead by so much, ms. */
const CLOCK_SKEW_MS = 5 * 60_000;

/** What the stock is asked for. */
export interface StockQuestion {
  readonly find?: string | undefined;
  readonly state?: StockState | undefined;
  readonly of?: string | undefined;
  /** As it was at a moment. */
  readonly atMs?: number | undefined;
}

/** The things in stock: a log that only grows, and what follows from it. */
export function stockService(db: Db, changes: ChangeFeed, now: () => Date) {
  const log = stockRepository(db);
  const shelf = shelfRepository(db);
  const kit = kitRepository(db);
  let book = new StockBook();
  let readTo = 0;
  const ofThing = new Map<string, { readonly entries: number; readonly lessons: readonly UsageLesson[] }>();
  let lessons: { readonly asOf: number; readonly all: readonly UsageLesson[] } | undefined;

  /** The book with all that stands in the log. */
  const current = (): StockBook => {
    const last = log.lastSeq();
    // What was taken back with its transaction was never read; a log that is shorter is another database.
    if (last < readTo) {
      [book, readTo] = [new StockBook(), 0];
      ofThing.clear();
    }
    if (last === readTo) return book;
    const news = log.after(readTo).map(loggedStock);
    if (readTo === 0) book = new StockBook(news);
    else news.forEach((logged) => book.add(logged));
    readTo = last;
    return book;
  };
  /** Names and keeping times of everything there may be stock of. */
  const known = () => {
    const products = new Map(shelf.all().map(({ id, sheet }) => [id, sheet]));
    const sheets = new Map(kit.all().map(({ id, entry }) => [id, 'name' in entry ? entry.name : id]));
    return {
      lifeOf: (of: string): ShelfLife | undefined => products.get(of)?.shelfMonths,
      nameOf: ({ kind, of }: Pick<StockThing, 'kind' | 'of'>): string => {
        if (kind === 'supply') return SUPPLIES[of as SupplyId]?.name ?? of;
        return (kind === 'product' ? products.get(of)?.name : sheets.get(of)) ?? of;
      },
    };
  };
  const rowOf = (thing: StockThing, { lifeOf, nameOf }: ReturnType<typeof known>, atMs: number): StockRow => {
    const { useByMs, boughtMs, openedMs, knownMs, gone, flaws, ...said } = thing;
    const until = goodUntilMs(thing, lifeOf(thing.of));
    return {
      ...said,
      name: nameOf(thing),
      knownAt: localInstant(knownMs),
      boughtAt: localInstant(boughtMs),
      past: !gone && until <= atMs,
      ...(flaws && { flaws: [...flaws] }),
      ...(useByMs !== undefined && { useBy: DateTime.fromMillis(useByMs).toISODate()! }),
      ...(openedMs !== undefined && { openedAt: localInstant(openedMs) }),
      ...(until < Infinity && { goodUntil: localInstant(until) }),
      ...(gone && { gone: { at: localInstant(gone.atMs), reason: gone.reason, left: gone.left } }),
    };
  };
  /** What a thing teaches, worked out anew only once its log has grown. */
  const lessonsOfThing = (entries: readonly LoggedStock[]): readonly UsageLesson[] => {
    const { thing } = entries[0]!.entry;
    const known = ofThing.get(thing);
    if (known?.entries === entries.length) return known.lessons;
    const fresh = lessonsOf(entries);
    ofThing.set(thing, { entries: entries.length, lessons: fresh });
    return fresh;
  };
  const lessonsNow = (): readonly UsageLesson[] => {
    const all = current().all();
    if (lessons?.asOf !== readTo) {
      lessons = { asOf: readTo, all: all.flatMap(lessonsOfThing).sort((a, b) => a.atMs - b.atMs) };
    }
    return lessons.all;
  };
  const usage = (of: string): ReturnType<typeof usageOf> | undefined => {
    const own = lessonsNow().filter((lesson) => lesson.of === of && !lesson.untaught);
    return own.length > 0 ? usageOf(own) : undefined;
  };
  const faultOf = (entry: StockEntry): string | undefined => {
    const { thing, of } = current();
    return stockFault(thing(entry.thing), of(entry.thing), entry);
  };
  const tell = () => changes.tell({ kind: 'stock', id: 'all' });
  const store = (entries: readonly StockAppend[], by?: string): StockLogEntry[] =>
    entries.map((entry) => log.append(entry, now().toISOString(), by));

  return {
    book: current,
    known,
    rowOf,
    /** What is good of each product, and of which batch what is taken next is: as sheets and jobs carry it. */
    inHand(): (of: string) => { readonly onHand: number; readonly batch?: string } {
      const { lifeOf } = known();
      const atMs = now().getTime();
      const things = grouped(
        [...current().things()].filter(({ kind }) => kind === 'product'),
        ({ of }) => of,
      );
      return (of) => {
        const good = takingOrder(things.get(of) ?? [], lifeOf(of), atMs);
        const batch = good[0]?.batch;
        return {
          onHand: good.reduce((sum, { remaining }) => sum + remaining, 0),
          ...(batch !== undefined && { batch }),
        };
      };
    },
    /** What weighings have taught of a product; undefined where none has. */
    usage,
    /** Which lessons stand: what was planned with others is planned anew. */
    lessonsStanding: (): string =>
      lessonsNow()
        .filter(({ untaught }) => !untaught)
        .map(({ entry }) => entry)
        .join(),
    lessons(): UsageLessonRow[] {
      const names = known();
      const { thing } = current();
      return lessonsNow().map(({ atMs, ...lesson }): UsageLessonRow => {
        const of = thing(lesson.thing)!;
        return { ...lesson, at: localInstant(atMs), name: names.nameOf(of), unit: of.unit };
      });
    },
    list({ find = '', state = 'in', of, atMs }: StockQuestion): StockList {
      const names = known();
      const asAt = atMs ?? now().getTime();
      const things = atMs === undefined ? [...current().things()] : current().asOf(atMs);
      const wanted = find.trim().toLowerCase();
      const matches = (thing: StockThing) =>
        (of === undefined || thing.of === of) &&
        isInState(thing, state, isPast(thing, names.lifeOf(thing.of), asAt)) &&
        (wanted === '' ||
          [names.nameOf(thing), thing.batch, thing.place, thing.id].some((word) =>
            word?.toLowerCase().includes(wanted),
          ));
      const matching = things
        .filter(matches)
        .map((thing) => ({ thing, name: names.nameOf(thing), until: goodUntilMs(thing, names.lifeOf(thing.of)) }))
        .sort((a, b) => compare(a.name, b.name) || compare(a.until, b.until) || compare(a.thing.id, b.thing.id));
      return {
        rows: matching.slice(0, LONGEST_LIST).map(({ thing }) => rowOf(thing, names, asAt)),
        found: matching.length,
        totals: totalsOf(things, names, asAt),
      };
    },
    thing(id: string): StockThingView {
      const thing = current().thing(id);
      if (!thing) throw notFound('thing in stock', id);
      return { row: rowOf(thing, known(), now().getTime()), log: log.of(id) };
    },
    /**
     * Logs an entry once, however often it is sent.
     * @throws ProblemError (409) where it cannot be true of the thing as it stands
     */
    append(entry: NewStockEntry, by?: string): StockLogEntry {
      const { stored, isNew } = db.transaction(
        () => {
          const sent = log.find(entry.id);
          if (sent) return { stored: sent, isNew: false };
          const fault = faultOf(loggedStock(entry).entry) ?? untimely(entry.at, now());
          if (fault) throw conflict(`This was not noted: ${fault}.`);
          const [stored] = store([entry], by);
          return { stored: stored!, isNew: true };
        },
        { behavior: 'immediate' },
      );
      if (isNew) tell();
      return stored;
    },
    /** Takes a whole delivery or an older stock in, or nothing of it. */
    takeIn({ things }: TakenIn, by?: string): { added: number } {
      const faults = things.flatMap((each, index) =>
        deliveryFaults(each, current().thing(each.id) !== undefined, now()).map(([key, message]) => ({
          path: `things[${index}].${key}`,
          message,
        })),
      );
      if (faults.length > 0) throw new FaultsError(faults);
      const at = localInstant(now().getTime());
      db.transaction(
        () => {
          for (const { id, remaining, boughtAt, openedAt, ...as } of things) {
            store(
              [
                { id: `in-${id}`, at: boughtAt ?? at, entry: { type: 'bought', thing: id, as } },
                ...(openedAt === undefined
                  ? []
                  : [{ id: `open-${id}`, at: openedAt, entry: { type: 'opened', thing: id } } as const]),
                ...(remaining === undefined || remaining === as.size
                  ? []
                  : [{ id: `count-${id}`, at, entry: { type: 'counted', thing: id, remaining } } as const]),
              ],
              by,
            );
          }
        },
        { behavior: 'immediate' },
      );
      tell();
      return { added: things.length };
    },
    /** What a file of sheets says is in hand of a new product, as one thing; within the transaction of its sheet. */
    begin({ id: of, unit }: Pick<MakerSheet, 'id' | 'unit'>, size: number, batch: string | undefined): void {
      const thing = `first-${log.lastSeq() + 1}`;
      const as = { kind: 'product', of, size, unit, ...(batch?.trim() && { batch: batch.trim() }) } as const;
      store([{ id: thing, at: localInstant(now().getTime()), entry: { type: 'bought', thing, as } }]);
    },
    /**
     * What was laid draws from what is in hand at the job, and what is undone is given back. Called with the run's record
     * as it stands after an entry, inside that entry's transaction.
     * @param laid the patch that was just laid, if one was
     * @returns whether anything moved
     */
    follow(
      jobId: string,
      document: Job,
      record: RunRecord,
      laid: Patch | undefined,
      { at, by }: { readonly at: string; readonly by?: string | undefined },
    ): boolean {
      const drawn = drawsOf(jobId);
      const news: StockAppend[] = [];
      for (const { logged, patch } of drawn) {
        // What was cut off its roll stays cut, whatever is laid of it.
        if (isCut({ patch })) continue;
        const stands = patch !== undefined && isLaid(record.patches.get(patch));
        if (!stands)
          news.push({
            id: `undo-${logged.id}`,
            at,
            entry: { type: 'undo', thing: logged.entry.thing, entry: logged.id },
          });
      }
      const done = laid && record.patches.get(patchKey(laid));
      if (laid && isLaid(done) && !drawn.some(({ patch }) => patch === patchKey(laid))) {
        const bottle = current()
          .ofJob(jobId)
          .map(([first]) => current().thing(first!.entry.thing))
          .find((thing) => thing?.inHand === jobId && thing.of === done!.start.product && thing.rollMm === undefined);
        const factor = usage(done!.start.product)?.usageFactor;
        const entry = bottle && drawOf({ job: jobId, document, record, factor }, done!, bottle.id);
        if (entry && entry.amount > 0) news.push({ id: `draw-${jobId}-${patchKey(laid)}-${readTo}`, at, entry });
      }
      // Nobody has an account: where one person lays alone, it is they whose hand is learned.
      const [alone, ...others] = document.crew.people ?? [];
      store(news, by ?? (others.length === 0 ? alone?.id : undefined));
      return news.length > 0;
    },
    /** Rolls that film was cut off for a job, by product. */
    cutFor,
    /**
     * Film cut off a roll for a job: drawn whole, its waste shared among the panels by what they take, and what is worth
     * keeping of it taken in as offcuts, which cost no more.
     * @throws ProblemError (409) where it is cut already, or the roll holds less
     */
    cut({ job, thing: id, of, lengthMm, panels, offcuts }: FilmCut, by?: string): void {
      db.transaction(
        () => {
          const roll = current().thing(id);
          if (!roll || roll.gone) throw conflict('That roll is not in stock any more: choose another.');
          const rollMm = roll.rollMm ?? 0;
          if (rollMm <= 0) throw conflict('Nobody has said how wide that roll is: take it in with its width.');
          if (cutFor(job).some(({ thing }) => thing === id))
            throw conflict('This roll is cut for the job already. Undo that under Stock if it was not.');
          const amount = filmAreaM2(lengthMm, rollMm);
          if (amount > roll.remaining + 1e-9)
            throw conflict(`The roll holds ${(filmLengthMm(roll.remaining, rollMm) / 1000).toFixed(2)} m only.`);
          const at = localInstant(now().getTime());
          const whole = panels.reduce((sum, { areaM2 }) => sum + areaM2, 0);
          const name = (key: string) => `cut-${job}-${of}-${readTo}-${key}`;
          store(
            panels.map(({ surface, areaM2 }) => ({
              id: name(surface),
              at,
              entry: {
                type: 'used',
                thing: id,
                job,
                surface,
                amount: amount * (areaM2 / whole),
                factor: 1,
                patch: cutKey(of),
              },
            })),
            by,
          );
          store(
            offcuts.map(({ widthMm, lengthMm: longMm }, index) => ({
              id: name(`offcut-${index + 1}`),
              at,
              entry: {
                type: 'bought',
                thing: `offcut-${readTo}-${index + 1}`,
                as: {
                  kind: 'product',
                  of,
                  size: filmAreaM2(longMm, widthMm),
                  unit: 'm2',
                  paid: 0,
                  place: 'Offcuts',
                  rollMm: widthMm,
                  offcutOf: id,
                  ...(roll.batch !== undefined && { batch: roll.batch }),
                },
              },
            })),
            by,
          );
        },
        { behavior: 'immediate' },
      );
      tell();
    },
    /** Of what is in a vessel, g/ml: by its sheet, else as water. */
    densityOf: ({ kind, of }: Pick<StockThing, 'kind' | 'of'>): number =>
      (kind === 'product' ? shelf.get(of)?.sheet.densityGPerMl : undefined) ?? 1,
    tell,
  };

  function cutFor(jobId: string): { readonly of: string; readonly thing: string }[] {
    const things = drawsOf(jobId).flatMap(({ logged, patch }) => (isCut({ patch }) ? [logged.entry.thing] : []));
    return [...new Set(things)].map((thing) => ({ of: current().thing(thing)!.of, thing }));
  }

  /** Draws of a job that stand. */
  function drawsOf(jobId: string): { readonly logged: LoggedStock; readonly patch: string | undefined }[] {
    return current()
      .ofJob(jobId)
      .flatMap((entries) => {
        const undone = undoneIn(entries);
        return entries.flatMap((logged) =>
          logged.entry.type === 'used' && logged.entry.job === jobId && !undone.has(logged.id)
            ? [{ logged, patch: logged.entry.patch }]
            : [],
        );
      });
  }
}
/** What is cut off a roll for a job. */
interface FilmCut {
  readonly job: string;
  readonly thing: string;
  readonly of: string;
  readonly lengthMm: number;
  readonly panels: readonly { readonly surface: string; readonly areaM2: number }[];
  readonly offcuts: readonly { readonly widthMm: number; readonly lengthMm: number }[];
}

export type StockService = ReturnType<typeof stockService>;

const compare = (a: string | number, b: string | number): number => (a === b ? 0 : a < b ? -1 : 1);

function isInState({ gone, openedMs, remaining }: StockThing, state: StockState, past: boolean): boolean {
  switch (state) {
    case 'all':
      return true;
    case 'gone':
      return gone !== undefined;
    case 'in':
      return !gone;
    case 'open':
      return !gone && openedMs !== undefined && remaining > 0;
    case 'past':
      return !gone && past;
  }
}

function totalsOf(
  things: readonly StockThing[],
  { nameOf, lifeOf }: { nameOf: (thing: StockThing) => string; lifeOf: (of: string) => ShelfLife | undefined },
  atMs: number,
): StockList['totals'] {
  const totals = new Map<string, StockList['totals'][number]>();
  for (const thing of things) {
    if (thing.gone) continue;
    const { kind, of, unit, remaining } = thing;
    const key = `${kind}/${of}`;
    const sum = totals.get(key) ?? { kind, of, name: nameOf(thing), unit, things: 0, good: 0, past: 0 };
    const past = isPast(thing, lifeOf(of), atMs);
    totals.set(key, {
      ...sum,
      things: sum.things + 1,
      good: sum.good + (past ? 0 : remaining),
      past: sum.past + (past ? remaining : 0),
    });
  }
  return [...totals.values()].sort((a, b) => compare(a.name, b.name));
}

/** What cannot be true of a thing that is taken in, by its field. */
function deliveryFaults(
  { id, size, remaining, boughtAt, openedAt }: TakenIn['things'][number],
  isThere: boolean,
  now: Date,
): [key: string, message: string][] {
  const late = ([key, at]: [string, string | undefined]): [string, string][] =>
    at !== undefined && untimely(at, now) !== undefined ? [[key, 'lies in the future']] : [];
  return [
    ...(isThere ? [['id', `"${id}" is in stock already`] as [string, string]] : []),
    ...(remaining !== undefined && remaining > size
      ? [['remaining', `it holds only ${size}`] as [string, string]]
      : []),
    ...late(['boughtAt', boughtAt]),
    ...late(['openedAt', openedAt]),
    ...(openedAt !== undefined && boughtAt !== undefined && Date.parse(openedAt) < Date.parse(boughtAt)
      ? [['openedAt', 'it would have been opened before it was bought'] as [string, string]]
      : []),
  ];
}

const untimely = (at: string, now: Date): string | undefined =>
  Date.parse(at) > now.getTime() + CLOCK_SKEW_MS
    ? 'its time lies in the future; is the clock of that device right'
    : undefined;

/** Product is on the surface: the laying has ended, or somebody levels behind it. */
const isLaid = (patch: PatchRecord | undefined): boolean =>
  patch !== undefined && (patch.layEndMin !== undefined || patch.levelStartMin !== undefined);

/** What a patch took out of its bottle: as it was to take, and what wetted the applicators it came to. */
function drawOf(
  { job, document, record, factor }: { job: string; document: Job; record: RunRecord; factor: number | undefined },
  { patch, start }: PatchRecord,
  thing: string,
) {
  const product = document.products.find(({ id }) => id === start.product);
  const before = [...record.patches.values()]
    .filter(
      (other) => other.start.product === start.product && patchKey(other.patch) !== patchKey(patch) && isLaid(other),
    )
    .reduce((sum, other) => sum + other.start.areaM2, 0);
  const applicatorM2 = product?.applicatorM2 ?? null;
  const applicators = applicatorCount(before + start.areaM2, applicatorM2) - applicatorCount(before, applicatorM2);
  const method = document.surfaces.find(({ id }) => id === patch.surface)?.layers[patch.layer]?.method;
  return {
    type: 'used',
    thing,
    job,
    surface: patch.surface,
    amount: start.amount + applicators * (product?.prime ?? 0),
    factor: factor ?? product?.usageFactor ?? 1,
    ...(method !== undefined && { method }),
    patch: patchKey(patch),
  } as const;
}
