import { mkdirSync } from 'node:fs'
import { pino, type Logger } from 'pino'
import { createStream } from 'rotating-file-stream'

/** Where failures that nobody expected are written. */
export const LOG_NAME = 'failures.log'

/** Secrets that could stand in a failure's own fields: whatever fails, they are not written down. */
const SECRETS = ['pin', 'pinHash', 'pin_hash', 'token', 'tokenHash', 'password', 'parameters']

/**
 * Writes to a file of a folder, of which the last few are kept, 5 MB each: a disk is not filled by a failure that repeats.
 *
 * @param folder standard output where it is not said.
 */
export function openLog(folder: string | undefined): Logger {
  const options = {
    level: process.env['LOG_LEVEL'] ?? 'warn',
    redact: { paths: SECRETS.flatMap((name) => [name, `*.${name}`, `*.*.${name}`]), censor: '…' },
  }
  if (folder === undefined) return pino(options)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  return pino(
    options,
    createStream(LOG_NAME, { path: folder, size: '5M', maxFiles: 4, mode: 0o600 }),
  )
}
