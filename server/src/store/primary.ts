import { Client, type ClientConfig } from 'pg'

/** A host of a database and the port there. */
interface Place {
  readonly host: string
  readonly port: number
}

type Connected = ((error: Error) => void) | ((error: null, client: Client) => void)

const LONGEST_LOOK_MS = 2_000
const DEFAULT_PORT = 5432

/** Whether it only repeats what another writes; if not, since how many promotions of a standby it does not. */
const ASK = `SELECT CASE WHEN pg_is_in_recovery() THEN NULL
  ELSE ('x' || left(pg_walfile_name(pg_current_wal_lsn()), 8))::bit(32)::int END AS timeline`

/**
 * The addresses of one database on each of its hosts. Several stand in one address with commas between them, as PostgreSQL's
 * own library writes them (https://www.postgresql.org/docs/15/libpq-connect.html, 34.1.1.3):
 * postgres://user@one:5432,two:5432/name.
 *
 * @throws Error for an address that names no host of a PostgreSQL.
 */
export function urlsOf(url: string): readonly [string, ...string[]] {
  const [, scheme, user, hosts, rest] =
    /^(postgres(?:ql)?:\/\/)([^@/]*@)?([^/?#]*)(.*)$/.exec(url) ?? []
  const urls = hosts?.split(',').map((host) => `${scheme}${user ?? ''}${host}${rest ?? ''}`) ?? []
  const [first, ...others] = urls
  if (first === undefined || !urls.every((one) => URL.canParse(one)))
    throw new Error(
      'DATABASE_URL is no address of a PostgreSQL: expected postgres://user@host:port/name, or several host:port with commas between them.',
    )
  return [first, ...others]
}

/**
 * The kind of connection that goes to the host which writes: of a primary and its standbys the primary, and after a standby
 * was promoted that one. A former primary that comes back and still believes it writes is never gone back to: each
 * promotion begins a new timeline, and of two that write the one on the newer counts
 * (https://www.postgresql.org/docs/15/continuous-archiving.html, 26.3.5).
 *
 * With one host, nothing is asked: that is the one.
 */
export function clientOf(url: string): typeof Client {
  const urls = urlsOf(url)
  if (urls.length === 1) return Client
  let newest = 0
  let looking: Promise<Place> | undefined
  const look = async (): Promise<Place> => {
    // What is known already is enough where one answers that is as new: a host that is silent is not waited for.
    const found = urls.map(askedAt)
    const asNew = found.map(async (one) => {
      const answer = await one
      if (newest === 0 || answer.timeline < newest) throw new Error('not known to be the newest')
      return answer
    })
    const { place, timeline } = await Promise.any(asNew).catch(async () => {
      const answers = await Promise.allSettled(found)
      const writing = answers.flatMap((answer) =>
        answer.status === 'fulfilled' && answer.value.timeline >= newest ? answer.value : [],
      )
      const best = writing.toSorted((a, b) => b.timeline - a.timeline)[0]
      if (best === undefined) throw away(urls.length)
      return best
    })
    newest = timeline
    return place
  }

  return class PrimaryClient extends Client {
    override connect(): Promise<Client>
    override connect(callback: Connected): void
    override connect(callback?: Connected): Promise<Client> | void {
      const connected = (async () => {
        looking ??= look().finally(() => (looking = undefined))
        // The driver reads both only when it connects.
        Object.assign(this, await looking)
        return super.connect()
      })()
      if (callback === undefined) return connected
      const done = callback as (error: unknown) => void
      connected.then(() => done(undefined), done)
    }
  }
}

/** Whether a host writes, and its timeline. Rejects where it does not answer in time or only repeats. */
async function askedAt(url: string): Promise<{ place: Place; timeline: number }> {
  const config: ClientConfig = {
    connectionString: url,
    connectionTimeoutMillis: LONGEST_LOOK_MS,
    query_timeout: LONGEST_LOOK_MS,
  }
  const client = new Client(config)
  // A line that breaks is told by what waits for it.
  client.on('error', () => undefined)
  try {
    await client.connect()
    const { rows } = await client.query<{ timeline: number | null }>(ASK)
    const timeline = rows[0]?.timeline ?? undefined
    if (timeline === undefined) throw new Error('it only repeats what another writes')
    const { hostname, port } = new URL(url)
    return {
      place: {
        host: decodeURIComponent(hostname).replace(/^\[|\]$/g, ''),
        port: Number(port) || DEFAULT_PORT,
      },
      timeline,
    }
  } finally {
    void client.end().catch(() => undefined)
  }
}

/** With the code of a connection that could not be made: it passes. */
const away = (hosts: number): Error =>
  Object.assign(new Error(`none of ${hosts} hosts of the database can be written to`), {
    code: '08001',
  })
