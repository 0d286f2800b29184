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

const shared = {
  transform: { '\\.tsx?$': swc },
  modulePathIgnorePatterns: ['<rootDir>/dist/', '<rootDir>/data/', '<rootDir>/.cache/'],
};

export default {
  projects: [
    {
      ...shared,
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,formats,cli,demo}/**/*.test.ts'],
    },
    { ...shared, displayName: 'server', testEnvironment: 'node', testMatch: ['<rootDir>/server/**/*.test.ts'] },
    {
      ...shared,
      displayName: 'web',
      // Packages that ship modern modules only.
      transform: { ...shared.transform, 'node_modules/@tanstack/.+\\.js$': swc },
      transformIgnorePatterns: ['/node_modules/(?!@tanstack/)'],
      testEnvironment: '<rootDir>/web/testing/environment.mjs',
      testMatch: ['<rootDir>/web/**/*.test.{ts,tsx}'],
    },
  ],
};
