import { build } from './steps.mjs';

process.exit(build() ? 0 : 1);
