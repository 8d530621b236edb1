import type { DataSource } from 'typeorm'
import type { SetupSummary } from '@pine/contract'
import { summaryEntity } from '../entities'
import { like } from './search-rows'
import type { ListedQuery, SummaryStore } from '../store'
import { keepUses } from './stream-rows'

/** Of a machine; where a sheet does not say which of the shop's it is on, it is known by what it is called. */
export const ofMachine = (id: string, name: string): string =>
  `(summary ->> 'machineId' = ${id} OR summary ->> 'machineId' IS NULL AND summary ->> 'machine' = ${name})`

/** What is asked, as conditions on columns; only what is asked stands there, so that an index answers it. */
function conditionsOf(
  shopId: string,
  { away, standing, machine, words }: ListedQuery,
): { readonly where: string; readonly values: unknown[] } {
  const values: unknown[] = []
  const value = (one: unknown): string => `$${values.push(one)}`
  const where = [
    `shop_id = ${value(shopId)}`,
    `is_away = ${value(away)}`,
    ...(standing === undefined ? [] : [`is_released = ${value(standing === 'released')}`]),
    ...(machine === undefined ? [] : [ofMachine(value(machine.id), value(machine.name))]),
    ...(words.length === 0
      ? []
      : [
          `lower(concat_ws(' ', summary ->> 'name', summary ->> 'machine', summary ->> 'changedBy')) LIKE ALL (${value(words.map(like))}::text[])`,
        ]),
  ]
  return { where: where.join(' AND '), values }
}

/** What the list shows of the set-ups of a shop, on PostgreSQL: worked out of facts, and written down. */
export function summaryRows(source: DataSource, shopId: string): SummaryStore {
  return {
    async listed(query, now) {
      const { where, values } = conditionsOf(shopId, query)
      const [most, moment] = [`$${values.length + 1}`, `$${values.length + 2}`]
      const [row]: readonly {
        readonly list: string | null
        readonly total: number
        readonly overtaken: boolean
      }[] = await source.query(
        `SELECT
           (SELECT string_agg(page.summary::text, ',' ORDER BY page.created_at DESC) FROM (
             SELECT summary, created_at FROM summary WHERE ${where} ORDER BY created_at DESC LIMIT ${most}
           ) page) AS list,
           (SELECT count(*)::int FROM summary WHERE ${where}) AS total,
           EXISTS (SELECT FROM summary WHERE shop_id = $1 AND old_from <= ${moment}) AS overtaken`,
        [...values, query.most, now],
      )
      return {
        json: `[${row?.list ?? ''}]`,
        total: row?.total ?? 0,
        isOvertaken: row?.overtaken ?? false,
      }
    },
    async overtakeSummaries({ id, name }, now) {
      await source.query(
        `UPDATE summary SET summary = summary || jsonb_build_object('oldFrom', $4::text)
         WHERE shop_id = $1 AND ${ofMachine('$2', '$3')}`,
        [shopId, id, name, now],
      )
    },
    async overtakenSummaries(now) {
      const rows: readonly { readonly summary: SetupSummary }[] = await source.query(
        'SELECT summary FROM summary WHERE shop_id = $1 AND old_from <= $2',
        [shopId, now],
      )
      return rows.map(({ summary }) => summary)
    },
    async withoutSummary() {
      const rows: readonly { readonly id: string }[] = await source.query(
        `SELECT id FROM stream WHERE shop_id = $1 AND kind = 'setup' AND NOT EXISTS (
           SELECT FROM summary WHERE summary.shop_id = stream.shop_id AND stream_id = stream.id
         )`,
        [shopId],
      )
      return rows.map(({ id }) => id)
    },
    async addSummary(summary) {
      await source
        .getRepository(summaryEntity)
        .createQueryBuilder()
        .insert()
        .values({ shopId, streamId: summary.id, summary, createdAt: new Date(summary.createdAt) })
        .orIgnore()
        .execute()
    },
    async renewSummary(before, now) {
      await source.query(
        'UPDATE summary SET summary = $4 WHERE shop_id = $1 AND stream_id = $2 AND summary = $3',
        [shopId, now.id, before, now],
      )
    },
    async keepStanding(summary, uses) {
      await source.query(
        `WITH told AS (${keepUses('$3', '$2')})
         INSERT INTO summary (shop_id, stream_id, summary, created_at) VALUES ($1, $2, $4, $5)
         ON CONFLICT (shop_id, stream_id) DO UPDATE SET summary = EXCLUDED.summary`,
        [shopId, summary.id, JSON.stringify(uses), summary, summary.createdAt],
      )
    },
  }
}
