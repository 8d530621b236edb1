import type { DataSource } from 'typeorm'
import type { ToolAssembly } from '@pine/core/shop'
import type { ImportStore } from '../import-store'
import { notifyDeclared } from './stream-rows'

/** So many go in by one statement: a message to the database stays under a megabyte. */
const AT_ONCE = 1000

/** Lists that come in at once, on PostgreSQL. */
export function importRows(source: DataSource, shopId: string): ImportStore {
  return {
    importStreams: (kind, streams, personId, at) =>
      source.transaction(async (manager) => {
        let written = 0
        for (let from = 0; from < streams.length; from += AT_ONCE) {
          const part = JSON.stringify(streams.slice(from, from + AT_ONCE))
          const [{ count }]: [{ readonly count: string }] = await manager.query(
            `WITH one AS (
               SELECT (row ->> 'id')::uuid AS id, (row ->> 'factId')::uuid AS fact_id, row -> 'body' AS body
               FROM jsonb_array_elements($3::jsonb) AS row
             ), begun AS (
               INSERT INTO stream (shop_id, id, kind, created_by, created_at)
               SELECT $1, id, $2, $4, $5 FROM one ON CONFLICT DO NOTHING RETURNING id
             ), declared AS (
               INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
               SELECT $1, id, 0, fact_id, $2, body, 'imported', $4, $5 FROM begun JOIN one USING (id)
             ), listed AS (
               INSERT INTO tool_now (shop_id, tool_id, name, machine_id, pocket, retired, declared, placed_at)
               SELECT $1, id, body ->> 'name', (body -> 'place' ->> 'machine')::uuid, (body -> 'place' ->> 'pocket')::int,
                 false, body - 'imported', $5
               FROM begun JOIN one USING (id) WHERE $2 = 'tool'
             )
             SELECT count(*) FROM begun`,
            [shopId, kind, part, personId, at],
          )
          written += Number(count)
        }
        const [first] = streams
        if (first !== undefined) await notifyDeclared(manager, shopId, { id: first.id, kind }, 0)
        return written
      }),
    async streamsAmong(ids) {
      const rows: readonly { readonly id: string }[] = await source.query(
        'SELECT id FROM stream WHERE shop_id = $1 AND id = ANY ($2::uuid[])',
        [shopId, ids],
      )
      return new Set(rows.map(({ id }) => id))
    },
    async toolsCalled(names) {
      const rows: readonly { readonly declared: ToolAssembly }[] = await source.query(
        'SELECT declared FROM tool_now WHERE shop_id = $1 AND NOT retired AND lower(name) = ANY ($2)',
        [shopId, names],
      )
      return rows.map(({ declared }) => declared)
    },
    async pocketsInUse() {
      const rows: readonly { readonly pocket: string }[] = await source.query(
        `SELECT DISTINCT machine_id || '/' || pocket AS pocket FROM tool_now
         WHERE shop_id = $1 AND NOT retired AND pocket IS NOT NULL`,
        [shopId],
      )
      return new Set(rows.map(({ pocket }) => pocket))
    },
  }
}
