import { createHash } from 'node:crypto'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '')

export const isRoot = () => process.getuid?.() === 0

/**
 * Where the private database and the run file live. PostgreSQL does not run as root, and its user
 * cannot enter root's folders: then it is a folder of its own under /var/tmp, which outlives a reboot. PINE_STATE names
 * another one.
 */
export const STATE = process.env['PINE_STATE']
  ? process.env['PINE_STATE']
  : isRoot()
    ? `/var/tmp/pine-compass-${createHash('sha256').update(ROOT).digest('hex').slice(0, 12)}`
    : join(ROOT, '.pine', 'state')

/** What `npm start` writes down while it runs. */
export const RUN_FILE = join(`${STATE}-run`, 'running.json')
