import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './support/chromium'

/** A phone propped on the control; tests that need a wide screen say so. */
export default defineConfig({
  testDir: 'tests',
  fullyParallel: false,
  workers: 2,
  // A whole run from home to release is long; a step that hangs fails by its own limit.
  timeout: 150_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  // Dots, not titles: a log that is cut to its end still tells what failed and why.
  reporter: [['dot'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    viewport: { width: 390, height: 844 },
    screenshot: 'only-on-failure',
    launchOptions: CHROMIUM,
  },
})
