import { createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { BadArchive } from '@pine/formats/archive'
import { openDatabase } from './store/data-source'
import { typeormStore } from './store/typeorm-store'
import { archiveShop } from './use-cases/archive/archive-shop'
import { restoreShop } from './use-cases/archive/restore-shop'

/** Takes the first shop of a database out into a file, or puts one in. Run by scripts/archive.mjs: `archive FILE`, `restore FILE`. */
const [what = '', file = ''] = process.argv.slice(2)
const database = await openDatabase(process.env['DATABASE_URL'] ?? '')
const clock = () => new Date()
try {
  const shop = await database.firstShop()
  const store = typeormStore(await database.ofShop(shop), shop)
  if (what === 'archive') {
    const { zip } = await archiveShop(store, clock, 'bin/pine archive')
    await pipeline(zip, createWriteStream(file))
  } else {
    const { facts, streams, records, programs } = await restoreShop(store, clock, file)
    process.stdout.write(
      `${facts} facts of ${streams} set-ups, machines, gauges and tools, ${records} releases and ${programs} programs are in, each checked.\n`,
    )
  }
} catch (cause) {
  process.stderr.write(`${file}: ${cause instanceof Error ? cause.message : String(cause)}\n`)
  process.exitCode = cause instanceof BadArchive ? 1 : 3
} finally {
  await database.destroy()
}
