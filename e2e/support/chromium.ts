import { CHROMIUM_FLAGS } from '../../scripts/lib/chromium.mjs'
import { chromiumPath } from '../../scripts/lib/packages.mjs'

/** The browser of these tests. */
export const CHROMIUM = {
  executablePath: process.env['PINE_CHROMIUM'] ?? chromiumPath(),
  args: [...CHROMIUM_FLAGS],
}
