/**
 * Lists the licence of everything that is shipped: what the server loads and what is built into the interface. Ends with
 * 1 where one is not among those that may be shipped: `npm run licences`, `npm run licences -- --quiet`.
 */
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import * as checker from 'license-checker-rseidelsohn';
import { ROOT } from './steps.mjs';

/** Used to build it, and part of what is built. */
const BUILT_IN = [
  'tailwindcss',
  'workbox-core',
  'workbox-expiration',
  'workbox-precaching',
  'workbox-routing',
  'workbox-strategies',
];
/** May be shipped as it is, with its text kept beside it. LGPL and MPL: as files of their own, unchanged. */
const MAY_BE_SHIPPED = [
  '0BSD',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'BSL-1.0',
  'CC0-1.0',
  'ISC',
  'LGPL-3.0-or-later',
  'MIT',
  'MPL-2.0',
  'OFL-1.1',
  'Unlicense',
];
/** Whose own words say it, where no name of a licence does. */
const BY_THEIR_TEXT = { 'dejavu-fonts-ttf': 'Bitstream Vera (free to bundle and embed)' };

const found = await promisify(checker.init)({ start: ROOT, production: true, excludePrivatePackages: true });
const rows = Object.entries(found).map(([name, { licenses }]) => [name, String(licenses)]);
for (const name of BUILT_IN) {
  const { version, license } = JSON.parse(readFileSync(path.join(ROOT, 'node_modules', name, 'package.json'), 'utf8'));
  rows.push([`${name}@${version}`, license]);
}

const isFine = ([name, said]) =>
  BY_THEIR_TEXT[name.replace(/@[^@]*$/, '')] !== undefined ||
  said
    .replaceAll(/[()*]/g, '')
    .split(/ OR /)
    .some((way) => way.split(/ AND |,/).every((each) => MAY_BE_SHIPPED.includes(each.trim())));
if (!process.argv.includes('--quiet'))
  for (const [name, said] of rows.sort())
    console.log(`${name.padEnd(52)} ${BY_THEIR_TEXT[name.replace(/@[^@]*$/, '')] ?? said}`);

const refused = rows.filter((row) => !isFine(row));
for (const [name, said] of refused)
  console.error(`${name} is shipped under ${said}: choose another, or ask whoever made it.`);
if (!existsSync(path.join(ROOT, 'LICENSE'))) console.error('LICENSE is missing.');
process.exit(refused.length > 0 || !existsSync(path.join(ROOT, 'LICENSE')) ? 1 : 0);
