import { createWriteStream, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable, Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { parseSetupText } from '@pine/contract'
import { solve } from '@pine/core/solve'
import { fontFiles, setupSheetPdf } from '@pine/formats/pdf'
import { sheetContent } from '@pine/formats/setup-sheet'
import { archiveShop } from '../../server/src/use-cases/archive/archive-shop'
import { restoreShop } from '../../server/src/use-cases/archive/restore-shop'
import { benchShop } from '../support/shop'

// A shop of 20,000 and of 200,000 facts as one file: how long and with how much memory, beside writing the same rows as text by one
// query a set-up, in the same run; then put into an empty shop. And a set-up sheet of sixty tools, beside an empty page by the same library.
// Run: node scripts/with-database.mjs npx tsx --expose-gc bench/server/archive.ts

const FACTS = 100
const folder = mkdtempSync(join(tmpdir(), 'pine-bench-'))
const { owner, store, shop, clock, setUp, copies, emptyShop, close } = await benchShop(
  process.env['DATABASE_URL'] ?? '',
)

/** Runs it, and tells the seconds and the most memory beyond what was taken before. */
async function measured(work: () => Promise<unknown>): Promise<string> {
  globalThis.gc?.()
  const before = process.memoryUsage().rss
  let most = 0
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss - before)), 20)
  const started = performance.now()
  await work()
  const seconds = (performance.now() - started) / 1000
  clearInterval(watch)
  return `${seconds.toFixed(1)} s, ${Math.round(most / 1e6)} MB more`
}

const first = await setUp(FACTS - 1)
for (const setups of [200, 2000]) {
  await copies(first, setups - (setups === 200 ? 1 : 200))
  const file = join(folder, `${setups}.zip`)
  const archive = await measured(async () => {
    const { zip } = await archiveShop(store, clock, 'bench')
    await pipeline(zip, createWriteStream(file))
  })
  const plain = await measured(async () => {
    const rows = async function* () {
      const ids: { id: string }[] = await owner.query('SELECT id FROM stream WHERE shop_id = $1', [
        shop,
      ])
      for (const { id } of ids)
        for (const row of await owner.query(
          'SELECT * FROM fact WHERE shop_id = $1 AND stream_id = $2 ORDER BY place',
          [shop, id],
        ))
          yield `${JSON.stringify(row)}\n`
    }
    await pipeline(Readable.from(rows()), createWriteStream(join(folder, 'plain.jsonl')))
  })
  const empty = await emptyShop()
  const restored = await measured(() => restoreShop(empty.store, clock, file))
  await empty.close()
  const [{ n }] = await owner.query('SELECT count(*)::int AS n FROM fact WHERE shop_id = $1', [
    shop,
  ])
  process.stdout.write(
    `${n} facts: archive ${archive}, restored ${restored} (${(statSync(file).size / 1e6).toFixed(1)} MB); the rows as text ${plain} (${(statSync(join(folder, 'plain.jsonl')).size / 1e6).toFixed(1)} MB)\n`,
  )
}
await close()
rmSync(folder, { recursive: true })

const parsed = parseSetupText(
  readFileSync(new URL('../../docs/examples/whole-run.json', import.meta.url), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
const solution = solve(parsed.document)
const fonts = fontFiles(createRequire(import.meta.url).resolve)
const content = sheetContent(
  parsed.document,
  solution,
  { tools: new Map(), gaugesDue: new Map() },
  {
    ...{
      by: 'bench',
      at: clock().toISOString(),
      zone: 0,
      hash: 'a'.repeat(64),
      link: 'http://shop/setups/x',
    },
  },
)
const nowhere = () => new Writable({ write: (_piece, _encoding, done) => done() })
for (const count of [0, 8, 60]) {
  const tools = Array.from({ length: count }, (_, index) => ({
    ...content.tools[0]!,
    T: `T${index + 1}`,
  }))
  const times: number[] = []
  for (let round = 0; round < 5; round += 1) {
    const started = performance.now()
    const pdf = await setupSheetPdf(
      { ...content, tools },
      { size: 'A4', fonts, at: clock(), decimals: 3 },
    )
    await pipeline(pdf, nowhere())
    times.push(performance.now() - started)
  }
  process.stdout.write(
    `a sheet of ${count} tools: ${Math.round(times.sort((a, b) => a - b)[2]!)} ms\n`,
  )
}
