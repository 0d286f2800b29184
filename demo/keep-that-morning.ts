/** Before the unit tests: works the sample workshop out once and keeps it for all of them. */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { serialize } from 'node:v8';
import { THAT_MORNING, THAT_MORNING_FILE } from './that-morning';
import { ternmouthYard } from './workshop';

mkdirSync(path.dirname(THAT_MORNING_FILE), { recursive: true });
writeFileSync(THAT_MORNING_FILE, serialize(ternmouthYard(THAT_MORNING)));
