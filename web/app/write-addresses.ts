/** `npm run schemas`: writes what the browser needs of the API contract, which carries schemas it has no use for. */
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { addressesModule } from './addresses-module';

const FILE = 'web/app/addresses.ts';
writeFileSync(FILE, await format(addressesModule(), { ...(await resolveConfig(FILE)), filepath: FILE }));
