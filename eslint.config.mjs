import { readdirSync } from 'node:fs';
import js from '@eslint/js';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Arrows run web, server, cli -> job -> formats -> core, and to solver -> core, never back. Circles are looked for by `.dependency-cruiser.cjs`. */
const INWARD_ONLY = [
  { target: './core', from: ['./formats', './job', './solver', './server', './web', './cli', './demo'] },
  { target: './formats', from: ['./job', './solver', './server', './web', './cli', './demo'] },
  { target: './solver', from: ['./formats', './job', './server', './web', './cli', './demo'] },
  { target: './job', from: ['./solver', './server', './web', './cli', './demo'] },
  { target: './server', from: ['./web', './cli'] },
  { target: './web', from: ['./server', './cli', './demo'] },
  { target: './cli', from: ['./server', './web'] },
];

/** The groups of the core in the order of the work: each may import those before it. */
const CORE_ORDER = [
  ...['measures', 'time', 'item', 'products', 'survey', 'layers', 'film', 'stock'],
  ...['prepare', 'plan', 'lay', 'check', 'schedule', 'choose', 'care', 'defaults'],
];
const IN_CORE = CORE_ORDER.slice(0, -1).map((group, at) => ({
  target: `./core/${group}`,
  from: CORE_ORDER.slice(at + 1).map((later) => `./core/${later}`),
}));

/** Every folder of the interface. */
const IN_WEB = readdirSync('web', { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && entry.name !== 'stations')
  .map(({ name }) => `./web/${name}`);
const STATIONS = readdirSync('web/stations', { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => `./web/stations/${name}`);
/** A station is entered by its index; what two of them share lies beside the stations. */
const BY_THE_DOOR = STATIONS.flatMap((station) => [
  { target: STATIONS.filter((other) => other !== station), from: station },
  { target: IN_WEB, from: station, except: ['./index.ts'] },
]);

/** On the server calls run one way: routes -> services -> repositories -> db. */
const IN_SERVER = [
  { target: './server/routes', from: ['./server/repositories', './server/db'] },
  { target: './server/services', from: './server/routes' },
  { target: './server/repositories', from: ['./server/services', './server/routes', './server/http'] },
  { target: './server/db', from: ['./server/repositories', './server/services', './server/routes', './server/http'] },
  { target: './server/routes', from: './server/services', except: ['./index.ts'] },
];

/** Tests of the interface, and of what is derived, may lean on the sample jobs. */
const INWARD_ONLY_IN_TESTS = INWARD_ONLY.map((zone) =>
  ['./web', './job', './formats'].includes(zone.target)
    ? { ...zone, from: zone.from.filter((folder) => folder !== './demo') }
    : zone,
);

/** The core computes: no interface, server, storage or clock of its own. */
const NOT_IN_CORE = ['react', 'react-dom', 'express', 'drizzle-orm', 'better-sqlite3', 'luxon', 'zod', 'node:*'];

export default tseslint.config(
  { ignores: ['dist', 'data', '.cache', 'node_modules', 'test-results', 'playwright-report'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [(await import('./scripts/import-resolver.mjs')).default] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: [...INWARD_ONLY, ...IN_CORE, ...BY_THE_DOOR, ...IN_SERVER] }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: NOT_IN_CORE }],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'time is passed in' },
        { object: 'Math', property: 'random', message: 'randomness is passed in' },
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/measures/*.ts', 'core/item/nets/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'Literal[value=1440]', message: 'MINUTES_PER_DAY, of core/measures' },
        { selector: 'Literal[value=1.2816]', message: 'TENTH_SIGMAS, of core/measures' },
      ],
    },
  },
  {
    files: ['{web,job,formats}/**/*.test.{ts,tsx}', 'web/testing/*.tsx'],
    rules: { 'import-x/no-restricted-paths': ['error', { zones: INWARD_ONLY_IN_TESTS }] },
  },
  // The test runner reads which fixtures a fixture needs from its first parameter, none included.
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  { files: ['web/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    files: [
      '{scripts,e2e}/**/*.mjs',
      '{bench,trial}/**/*.ts',
      'cli/**/*.ts',
      '*.mjs',
      '*.cjs',
      '*.ts',
      'web/testing/*.mjs',
      '.*.cjs',
    ],
    languageOptions: { globals: globals.node },
    rules: { 'no-console': 'off' },
  },
);
