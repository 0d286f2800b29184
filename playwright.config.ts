import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/stock.ts',
  timeout: 150_000,
  expect: { timeout: 20_000 },
  // Much of a test is waiting: three share two cores better than two do.
  workers: 3,
  // Each has a server and a file of its own: whatever is next goes to whoever is free.
  fullyParallel: true,
  forbidOnly: true,
  // A machine that stands still for half a minute is not a fault of the bay: once more, and named as such.
  retries: 1,
  reporter: 'list',
  use: {
    // What is kept on the device is tried by tests of its own; elsewhere every answer is the server's.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    actionTimeout: 60_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
