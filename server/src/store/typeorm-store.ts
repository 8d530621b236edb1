import { keepTool, toolRows } from './rows/tool-rows'
import {
  beginStream,
  factsOf,
  headOf,
  insertFact,
  notifyDeclared,
  writeFact,
} from './rows/stream-rows'
import type { DataSource } from 'typeorm'
import { frozenEntity, programTextEntity, shopEntity, summaryEntity } from './entities'
import { archiveRows } from './rows/archive-rows'
import { checksOf, usesOf } from './rows/check-rows'
import { importRows } from './rows/import-rows'
import { logRows } from './rows/log-rows'
import { machineRows } from './rows/machine-rows'
import { Recent } from './rows/recent'
import { searchRows } from './rows/search-rows'
import { summaryRows } from './rows/summary-rows'
import type { DeclaredRow, Store } from './store'
import { setupJson } from './rows/setup-json'
import { insertion } from './rows/person-rows'
import { typeormPeople } from './typeorm-people'

/** Every new fact asks what the machines ask: so long, in milliseconds, another server may not know yet that one was declared anew. */
const DECLARED_MOMENT = 1000

/** The store of one shop on PostgreSQL. */
export function typeormStore(source: DataSource, shopId: string): Store {
  const texts = source.getRepository(programTextEntity)
  const machines = new Recent<readonly DeclaredRow[]>(DECLARED_MOMENT, 1)
  const declared = (kind: string): Promise<readonly DeclaredRow[]> =>
    source.query(
      `SELECT stream.id, latest.body
       FROM stream CROSS JOIN LATERAL (
         SELECT body FROM fact
         WHERE fact.shop_id = stream.shop_id AND stream_id = stream.id AND fact.kind = $2
         ORDER BY place DESC LIMIT 1
       ) latest
       WHERE shop_id = $1 AND kind = $2
       ORDER BY created_at, stream.id`,
      [shopId, kind],
    )

  return {
    shopId,
    async ping() {
      await source.query('SELECT 1')
    },
    async shop() {
      const { id, name } = await source.getRepository(shopEntity).findOneByOrFail({ id: shopId })
      return { id, name }
    },
    async isDemo() {
      const { demo } = await source.getRepository(shopEntity).findOneByOrFail({ id: shopId })
      return demo ?? undefined
    },
    async declareDemo(demo) {
      await source.getRepository(shopEntity).update({ id: shopId }, { demo })
    },

    ...typeormPeople(source, shopId),
    ...toolRows(source, shopId),
    ...machineRows(source, shopId),
    ...summaryRows(source, shopId),
    ...archiveRows(source, shopId),
    ...importRows(source, shopId),
    ...logRows(source, shopId),

    async keepProgramText({ sha256, bytes, personId, at }) {
      await texts
        .createQueryBuilder()
        .insert()
        .values({ shopId, sha256, bytes: Buffer.from(bytes), keptBy: personId, keptAt: at })
        .orIgnore()
        .execute()
    },
    async programText(sha256) {
      return (await texts.findOneBy({ shopId, sha256 }))?.bytes
    },

    search: (words) => searchRows(source, shopId, words),
    declared: (kind) =>
      kind === 'machine' ? machines.get(kind, () => declared(kind)) : declared(kind),
    beginStream: ({ id, kind }, first, summary) =>
      machines.after(
        insertion(
          source.transaction(async (manager) => {
            await beginStream(manager, shopId, { id, kind }, first)
            await insertFact(manager, shopId, id, 0, first)
            await notifyDeclared(manager, shopId, { id, kind }, 0)
            if (summary !== undefined)
              await manager.insert(summaryEntity, {
                shopId,
                streamId: id,
                summary,
                createdAt: first.recordedAt,
              })
          }),
        ),
      ),
    async streamFacts({ kind, id }) {
      const head = await headOf(source.manager, shopId, id)
      if (head !== undefined && head.kind !== kind) return 'another'
      return head === undefined ? [] : factsOf(source.manager, shopId, id, 0)
    },
    async appendOutside(stream, place, fact, tool) {
      const written = insertion(
        source.transaction(async (manager) => {
          if (place === 0) await beginStream(manager, shopId, stream, fact)
          await insertFact(manager, shopId, stream.id, place, fact)
          if (tool !== undefined) await keepTool(manager, shopId, tool, fact.recordedAt)
          await notifyDeclared(manager, shopId, stream, place)
        }),
      )
      return (await machines.after(written)) === 'written' ? 'written' : 'taken'
    },
    checks: (gaugeId) => checksOf(source.manager, shopId, gaugeId),
    usesOf: (gaugeId, since, most) => usesOf(source.manager, shopId, gaugeId, since, most),
    setupJson: (id) => setupJson(source.manager, shopId, id),
    factsFrom: (streamId, place) => factsOf(source.manager, shopId, streamId, place),
    async appendFact(stream, place, appended) {
      const written = await insertion(
        writeFact(source.manager, { shopId, stream, place, ...appended }),
      )
      return written === 'written' ? written : 'taken'
    },

    async setupIds() {
      const rows: readonly { readonly id: string }[] = await source.query(
        `SELECT id FROM stream WHERE shop_id = $1 AND kind = 'setup' ORDER BY created_at, id`,
        [shopId],
      )
      return rows.map(({ id }) => id)
    },
    async frozen(factId) {
      const row = await source.getRepository(frozenEntity).findOneBy({ shopId, factId })
      return row?.content
    },
  }
}
