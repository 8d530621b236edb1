import { DataSource } from 'typeorm'
import { openDatabase } from './store/data-source'
import { typeormStore } from './store/typeorm-store'
import { addShop } from './store/new-shop'
import { firstCode } from './use-cases/people/people'

/** Adds a shop to a database and prints the code that lets its first lead in. Run by scripts/shop.mjs. */
const url = process.env['DATABASE_URL'] ?? ''
const [name = '', host = ''] = process.argv.slice(2)
try {
  const database = await openDatabase(url)
  const owner = await new DataSource({ type: 'postgres', url }).initialize()
  const clock = () => new Date()
  const id = await addShop(owner, { name, host }, clock())
  const code = await firstCode(typeormStore(await database.ofShop(id), id), clock)
  await owner.destroy()
  await database.destroy()
  process.stdout.write(`${JSON.stringify({ id, code })}\n`)
} catch (cause) {
  process.stderr.write(`${cause instanceof Error ? cause.message : String(cause)}\n`)
  process.exit(1)
}
