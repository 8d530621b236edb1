import { defineConfig } from '@playwright/test'
import tests from './playwright.config'

/** What the interface takes is told, not judged: npm run measure, on a quiet machine. */
export default defineConfig({
  ...tests,
  testDir: 'measures',
  testMatch: '*.measure.ts',
  workers: 1,
  retries: 0,
  reporter: 'list',
})
