/** Why the database did not do what was asked, where it is nobody's mistake: asked again later, it does. */
export type TransientFailure = 'busy' | 'away'

// https://www.postgresql.org/docs/15/errcodes-appendix.html
const BUSY = ['55P03', '57014', '40001', '40P01']
/** Classes of codes: connections (08), a full disk, memory or number of connections (53), a disk that fails (58). */
const AWAY_CLASSES = ['08', '53', '58']
const AWAY = [
  '57P01',
  '57P02',
  '57P03',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOENT',
  'ETIMEDOUT',
]
/** Of the driver and the mapper, which give these no code: the line broke in the middle of a transaction, say. */
const AWAY_WORDS =
  /Connection terminated|Query read timeout|timeout exceeded when trying to connect|Client has encountered a connection error|query runner (was )?already released/i

/** A failure that passes by itself: a lock that was not let go in time, or a database that is away. */
export function transientFailure(cause: unknown): TransientFailure | undefined {
  if (!(cause instanceof Error)) return undefined
  const inner = 'driverError' in cause ? cause.driverError : undefined
  const code = codeOf(inner) ?? codeOf(cause)
  if (code !== undefined && BUSY.includes(code)) return 'busy'
  const isAway =
    code !== undefined && (AWAY.includes(code) || AWAY_CLASSES.includes(code.slice(0, 2)))
  return isAway || AWAY_WORDS.test(cause.message) ? 'away' : undefined
}

const codeOf = (cause: unknown): string | undefined =>
  typeof cause === 'object' && cause !== null && 'code' in cause && typeof cause.code === 'string'
    ? cause.code
    : undefined
