import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/chromium.cjs';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // Longer than anything takes here by itself: other work may share the machine.
  timeout: 600_000,
  // A walk ends by the state it waits for; machines have stood still for half a minute.
  expect: { timeout: 120_000 },
  // With a server and a database of its own, which some tests stop and start. One keeps a core and more busy: several
  // beside each other, and the specs beside them, take longer than one after another.
  workers: 1,
  fullyParallel: true,
  forbidOnly: true,
  projects: [
    { name: 'walks', testMatch: '*.spec.ts' },
    // Over a catalogue that is filled up: in a shop of its own, after the others as long as they last.
    { name: 'large', testMatch: '*.large.ts' },
  ],
  reporter: [['list']],
  use: {
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
