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
import { templateService } from './templates';

/** Everything the routes may ask for, over one database and the folder of its pictures. The clock is passed in. */
export function createServices(db: Db, photoFolder: string, now: () => Date = () => new Date()) {
  const changes = changeFeed();
  const accounts = accountService(db, changes, now);
  const stock = stockService(db, changes, now);
  const runLog = runLogService(db, changes, stock, now);
  const shelf = shelfService(db, changes, { runLog, stock }, now);
  const bays = bayService(db, changes);
  const kit = kitService(db, changes);
  const offers = offerService(db, changes);
  const quotes = quoteService({ bays, runLog, kit, offers, shelf });
  const jobs = jobService(db, changes, runLog, now);
  const summaries = summaryService(db, changes, now, {
    settingsOf: quotes.settingsOf,
    stock,
    weather: yardWeather,
    learned: runLog.learnedPreparation,
  });
  return {
    now,
    accounts,
    changes,
    runLog,
    jobs,
    summaries,
    stock,
    supply: supplyService({ jobs, summaries, shelf, stock }, now),
    ticks: tickService(db, changes, now),
    shelf,
    bays,
    calendar: calendarService(db, changes, { summaries }, now),
    bayAir: bayAirService(db, changes, bays, now),
    kit,
    offers,
    quotes,
    items: itemService(db, now),
    owners: ownerService(db, changes, now),
    lasted: lastedService(db, shelf),
    templates: templateService(db, changes, now),
    passports: passportService(db, changes, { jobs, accounts, summaries }, now),
    photos: photoService(db, changes, now, photoFolder),
  };
}
export type Services = ReturnType<typeof createServices>;
