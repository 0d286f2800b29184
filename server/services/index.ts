import { computedHere, type Computing, type Questions } from '../computing/computing';
import type { Db } from '../db/open';
import { yardWeather } from '../devices/yard-forecast';
import { accountService } from './accounts';
import { bayAirService } from './bay-air';
import { bayService } from './bays';
import { calendarService } from './calendar';
import { changeFeed } from './changes';
import { itemService } from './items';
import { lastedService } from './lasted';
import { ownerService } from './owners';
import { jobService } from './jobs';
import { kitService } from './kit';
import { offerService } from './offers';
import { passportService } from './passports';
import { photoService } from './photos';
import { quoteService } from './quotes';
import { runLogService } from './run-log';
import { shelfService } from './shelf';
import { stockService } from './stock';
import { supplyService } from './supply';
import { tickService } from './ticks';
import { summaryService } from './summaries';
import { workingService } from './workings';
import { templateService } from './templates';

/** Everything the routes may ask for, over one database and the folder of its pictures. The clock is passed in. */
export function createServices(
  db: Db,
  photoFolder: string,
  now: () => Date = () => new Date(),
  { computing: elsewhere, log = () => undefined }: { computing?: Computing; log?: (error: unknown) => void } = {},
) {
  const changes = changeFeed();
  const accounts = accountService(db, changes, now);
  const computing = elsewhere ?? computedHere(() => questions);
  const stock = stockService(db, changes, now);
  const runLog = runLogService(db, changes, stock, now);
  const shelf = shelfService(db, changes, { runLog, stock, computing }, now);
  const bays = bayService(db, changes);
  const kit = kitService(db, changes);
  const offers = offerService(db, changes);
  const quotes = quoteService({ bays, runLog, kit, offers, shelf });
  const jobs = jobService(db, changes, runLog, now);
  const workings = workingService(db, changes, now, {
    settingsOf: quotes.settingsOf,
    stock,
    weather: yardWeather,
    lessons: runLog,
  });
  const questions: Questions = { summaries: workings.refreshed, product: shelf.get };
  const summaries = summaryService(db, changes, {
    computing,
    keepLesson: runLog.keepLesson,
    log,
    now,
  });
  const passports = passportService(db, changes, { jobs, accounts, workings }, now);
  return {
    now,
    accounts,
    changes,
    runLog,
    jobs,
    summaries,
    workings,
    questions,
    stock,
    supply: supplyService({ jobs, summaries, workings, shelf, stock }, now),
    ticks: tickService(db, changes, now),
    shelf,
    bays,
    calendar: calendarService(db, changes, { summaries, workings }, now),
    bayAir: bayAirService(db, changes, bays, now),
    kit,
    offers,
    quotes,
    items: itemService(db, now),
    owners: ownerService(db, changes, { passports }, now),
    lasted: lastedService(db, shelf),
    templates: templateService(db, changes, now),
    passports,
    photos: photoService(db, changes, now, photoFolder),
  };
}
export type Services = ReturnType<typeof createServices>;
