import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './support/chromium'

/** A phone propped on the control; tests that need a wide screen say so. */
export default defineConfig({
  testDir: 'tests',
  fullyParallel: false,
  workers: 2,
  // Limits for what hangs, not for what is slow: a machine whose cores others use takes four times as long.
  timeout: 400_000,
  expect: { timeout: 30_000 },
  // A browser whose cores are taken away draws nothing for minutes: one that hung is tried once more, by a new one, and npm test
  // tells which that were.
  retries: 1,
  forbidOnly: true,
  // Dots, not titles: a log that is cut to its end still tells what failed and why.
  reporter: [['dot'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    viewport: { width: 390, height: 844 },
    actionTimeout: 45_000,
    screenshot: 'only-on-failure',
    // Nothing is kept for a page without a network but where a test is about it: that is three megabytes for each new context.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: CHROMIUM,
  },
})
