import { openDatabase } from './store/data-source'
import { contentHash } from './use-cases/canonical'

/**
 * Reads a database through, every shop of it, and tells what is in it, as JSON on standard output: facts, streams, releases, and
 * which releases do not give their hash. Run by the scripts that make and put back copies.
 */
const database = await openDatabase(process.env['DATABASE_URL'] ?? '')
const totals = { facts: 0, streams: 0, records: 0, altered: [] as string[] }
for (const id of await database.shops()) {
  const shop = await database.ofShop(id)
  const [counts]: readonly [{ readonly facts: number; readonly streams: number }] =
    await shop.query(
      `SELECT (SELECT count(*)::int FROM fact) AS facts, (SELECT count(*)::int FROM stream) AS streams`,
    )
  const records: readonly { id: string; hash: string; content: unknown }[] = await shop.query(
    `SELECT fact.id, fact.body->>'hash' AS hash, content
     FROM frozen JOIN fact ON fact.shop_id = frozen.shop_id AND fact.id = fact_id`,
  )
  totals.facts += counts.facts
  totals.streams += counts.streams
  totals.records += records.length
  totals.altered.push(
    ...records
      .filter(({ hash, content }) => contentHash(content) !== hash)
      .map(({ id: record }) => record),
  )
}
await database.destroy()
process.stdout.write(`${JSON.stringify(totals)}\n`)
