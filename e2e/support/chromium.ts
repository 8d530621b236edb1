import { CHROMIUM_FLAGS } from '../../scripts/lib/chromium.mjs'

/** The browser of these tests. */
export const CHROMIUM = {
  executablePath: process.env['PINE_CHROMIUM'] ?? '/usr/bin/chromium',
  args: [...CHROMIUM_FLAGS],
}
