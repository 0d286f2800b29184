/** Loads the sample workshop into an empty database: `node dist/server/load-demo.js`. One with jobs is left alone. */
import { DateTime } from 'luxon';
import { SAMPLE_PICTURES, ternmouthYard, YARD_PEOPLE, YARD_TOOLS } from '#demo';
import { openAlone, photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { createServices } from './services';
import { agreeCalendar, loadPictures, loadWorkshop } from './services/sample-workshop';
import { settingsFrom, StartFault } from './settings';

try {
  const { file, clock } = settingsFrom(process.env);
  makePrivate();
  const { db, close } = openAlone(file);
  const services = createServices(db, photoFolder(file), clock);
  const now = DateTime.fromJSDate(clock()).toISO()!;
  if (loadWorkshop(db, services, ternmouthYard(now))) {
    await agreeCalendar(services, YARD_PEOPLE, YARD_TOOLS);
    await loadPictures(services, SAMPLE_PICTURES);
    services.passports.nameShop('Ternmouth Yard');
    process.stdout.write('Loaded the sample workshop.\n');
  }
  close();
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
