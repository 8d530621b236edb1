import type { DataSource } from 'typeorm'
import type { StreamKind } from '@pine/core/journal'
import type { LogQuery, LogStore } from '../log-store'
import { factRow, type KeptFact } from './stream-rows'

/** The log of a shop, on PostgreSQL. */
export function logRows(source: DataSource, shopId: string): LogStore {
  return {
    async loggedFacts(query) {
      const { where, values } = conditionsOf(shopId, query)
      const rows: readonly (KeptFact & { readonly stream_kind: StreamKind })[] = await source.query(
        // The page first, by its index; then who entered each and what it is of.
        `SELECT page.*, person.name, stream.kind AS stream_kind
         FROM (
           SELECT id, stream_id, place, kind, body, via, seen, device, recorded_at, person_id
           FROM fact WHERE ${where}
           ORDER BY recorded_at DESC, stream_id DESC, place DESC LIMIT ${query.most}
         ) page
         JOIN person ON person.shop_id = $1 AND person.id = person_id
         JOIN stream ON stream.shop_id = $1 AND stream.id = stream_id
         ORDER BY recorded_at DESC, stream_id DESC, place DESC`,
        values,
      )
      return rows.map((row) => ({
        stream: { id: row.stream_id, kind: row.stream_kind },
        place: row.place,
        fact: factRow(row),
      }))
    },
    async declarationsOf(streams) {
      const rows: readonly { readonly stream_id: string; readonly body: object }[] =
        await source.query(
          // For each the last one by its own small index: a set-up has hundreds of other facts.
          `SELECT asked.id AS stream_id, last.body
           FROM unnest($2::uuid[]) AS asked(id) CROSS JOIN LATERAL (
             SELECT body FROM fact
             WHERE shop_id = $1 AND stream_id = asked.id AND kind IN ('sheet', 'machine', 'gauge', 'tool')
             ORDER BY place DESC LIMIT 1
           ) last`,
          [shopId, streams],
        )
      return new Map(rows.map(({ stream_id, body }) => [stream_id, body]))
    },
  }
}

/** What is asked, as conditions; only what is asked stands there, so that the index by time answers a page. */
function conditionsOf(
  shopId: string,
  { before, person, machine, tool, gauge, register, from, to }: LogQuery,
): { readonly where: string; readonly values: readonly unknown[] } {
  const values: unknown[] = [shopId]
  const value = (one: unknown): string => `$${values.push(one)}`
  const where = ['fact.shop_id = $1']
  const asks = (condition: string) => where.push(condition)
  if (before !== undefined)
    asks(
      `(recorded_at, stream_id, place) < (${value(before.at)}::timestamptz, ${value(before.stream)}::uuid, ${value(before.place)}::int)`,
    )
  if (from !== undefined) asks(`recorded_at >= ${value(from)}`)
  if (to !== undefined) asks(`recorded_at < ${value(to)}`)
  if (person !== undefined) asks(`person_id = ${value(person)}`)
  if (register !== undefined) asks(`body ->> 'address' = ${value(register)}`)
  if (machine !== undefined) {
    const id = value(machine)
    asks(
      `(stream_id = ${id}::uuid OR stream_id IN (SELECT stream_id FROM summary WHERE shop_id = $1 AND summary ->> 'machineId' = ${id}::text))`,
    )
  }
  if (tool !== undefined) {
    const id = value(tool)
    // In a set-up a tool goes by its number there.
    asks(
      `(stream_id = ${id}::uuid OR (stream_id, body ->> 'tool') IN (SELECT setup_id, use ->> 'number' FROM tool_use WHERE shop_id = $1 AND tool_id = ${id}::uuid))`,
    )
  }
  if (gauge !== undefined) {
    const id = value(gauge)
    asks(
      `(stream_id = ${id}::uuid OR kind = 'reading' AND body -> 'with' @> jsonb_build_array(${id}::text) OR kind = 'event' AND body ->> 'gauge' = ${id}::text)`,
    )
  }
  return { where: where.join(' AND '), values }
}
