import { defineConfig } from '@playwright/test'
import { BROWSER_FLAGS } from './scripts/browser.mjs'
import { findBrowser } from './scripts/programs.mjs'

export default defineConfig({
  testDir: './tests/e2e',
  outputDir: './test-results/browser',
  globalSetup: './tests/made.ts',
  timeout: 400_000,
  // a busy machine is no failure: what is waited for comes, or the test fails at its own assertion
  expect: { timeout: 60_000 },
  workers: 2,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    // where both kinds of units are in use
    locale: 'en-GB',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: findBrowser(), args: BROWSER_FLAGS },
    // what a page keeps for later is not what most journeys are about, and fetching it is half their work
    serviceWorkers: 'block',
  },
})
