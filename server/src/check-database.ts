import { openDatabase } from './store/data-source'
import { contentHash } from './use-cases/canonical'

/**
 * Reads a database through and tells what is in it, as JSON on standard output: facts, streams, releases, and which
 * releases do not give their hash. Run by the scripts that make and put back copies.
 */
const database = await openDatabase(process.env['DATABASE_URL'] ?? '')
const [counts] = await database.query(
  `SELECT (SELECT count(*)::int FROM fact) AS facts, (SELECT count(*)::int FROM stream) AS streams`,
)
const records: readonly { id: string; hash: string; content: unknown }[] = await database.query(
  `SELECT fact.id, fact.body->>'hash' AS hash, content
   FROM frozen JOIN fact ON fact.shop_id = frozen.shop_id AND fact.id = fact_id`,
)
const altered = records.filter(({ hash, content }) => contentHash(content) !== hash)
await database.destroy()
process.stdout.write(
  `${JSON.stringify({ ...counts, records: records.length, altered: altered.map(({ id }) => id) })}\n`,
)
