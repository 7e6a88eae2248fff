import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** The browser without its windows where it is there: it starts and draws faster. */
const SHELL = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium; nothing is downloaded. */
export const CHROMIUM = {
  executablePath: existsSync(SHELL) ? SHELL : '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export default defineConfig({
  testDir: '.',
  outputDir: '../.data/test-results/e2e',
  fullyParallel: false,
  // Each worker has a server and a schema of its own; a file is one worker's from end to end.
  workers: 2,
  // A press lost on a busy machine is tried once more; what needed it is named at the end of the run.
  retries: 1,
  // Generous: a busy machine is no defect.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json']],
  use: {
    // What is not there after this is not coming: a press must not wait for the whole test's time.
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    serviceWorkers: 'block',
    // Only of what is tried again: recording every step of every test costs a third of the time.
    trace: 'on-first-retry',
    // One clock face everywhere.
    locale: 'en-GB',
    timezoneId: 'UTC',
  },
});
