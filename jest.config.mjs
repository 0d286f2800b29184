const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2023',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];

// What every line reaches for: looked up in a sandbox each time it is many times slower than handed in once.
// Not the clock: tests that set it replace it. Packages of the interface have names of their own for some of it.
const AT_HAND = [
  ...['Math', 'Number', 'String', 'Boolean', 'Object', 'Array', 'Map', 'Set', 'WeakMap', 'JSON', 'RegExp', 'Symbol'],
  ...['Error', 'Float64Array', 'Intl', 'Infinity'],
];

const shared = {
  moduleNameMapper: { '^fast-check$': '<rootDir>/scripts/chance.ts' },
  // Packages that ship modern modules only are read as well.
  transform: { '\\.tsx?$': swc, 'node_modules/(clipper2-ts|@tanstack)/.+\\.js$': swc },
  transformIgnorePatterns: ['/node_modules/(?!(clipper2-ts|@tanstack)/)'],
  modulePathIgnorePatterns: ['<rootDir>/dist/', '<rootDir>/data/', '<rootDir>/.cache/'],
};

export default {
  // Generous: the machine may be busy, or at half its speed. What hangs is told all the same.
  testTimeout: 240_000,
  globalSetup: '<rootDir>/scripts/bundle-for-tests.mjs',
  // Every core: nothing else runs beside the tests.
  maxWorkers: '100%',
  // What a worker has gathered from many files slows whatever comes after: it begins afresh before.
  workerIdleMemoryLimit: '600MB',
  projects: [
    {
      ...shared,
      sandboxInjectedGlobals: AT_HAND,
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,formats,job,solver,cli,demo}/**/*.test.ts'],
    },
    {
      ...shared,
      sandboxInjectedGlobals: AT_HAND,
      displayName: 'server',
      transform: { ...shared.transform, 'node_modules/asn1js/.+\\.js$': '<rootDir>/scripts/in-a-scope.mjs' },
      transformIgnorePatterns: ['/node_modules/(?!(clipper2-ts|@tanstack|asn1js)/)'],
      testEnvironment: 'node',
      testMatch: ['<rootDir>/server/**/*.test.ts'],
    },
    {
      ...shared,
      sandboxInjectedGlobals: ['Math', 'Number', 'JSON'],
      displayName: 'web',
      testEnvironment: '<rootDir>/web/testing/environment.mjs',
      testMatch: ['<rootDir>/web/**/*.test.{ts,tsx}'],
    },
  ],
};
