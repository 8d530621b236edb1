import type { DataSource } from 'typeorm'
import type { Found } from '@pine/contract'

/** So many of each kind: who looks for more types another word. */
const MOST = 6

/** Words that are looked for stand for themselves: what LIKE takes for more is taken for a letter. */
export const like = (word: string): string => `%${word.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`

/** Everything whose name, or whose place, holds every one of some words. */
export async function searchRows(
  source: DataSource,
  shopId: string,
  words: readonly string[],
): Promise<Found> {
  return source.query(
    `(
       SELECT 'setup' AS kind, stream_id AS id, summary ->> 'name' AS name, summary ->> 'machine' AS about
       FROM summary
       WHERE shop_id = $1 AND lower(concat_ws(' ', summary ->> 'name', summary ->> 'machine', summary ->> 'changedBy')) LIKE ALL ($2::text[])
       ORDER BY created_at DESC LIMIT ${MOST}
     ) UNION ALL (
       SELECT 'tool', tool_id, tool_now.name, coalesce('T' || pocket, '') FROM tool_now
       WHERE shop_id = $1 AND (lower(tool_now.name) LIKE ALL ($2::text[]) OR right(tool_id::text, 8) = lower($3))
       ORDER BY retired, placed_at DESC LIMIT ${MOST}
     ) UNION ALL (
       SELECT stream.kind, stream.id, latest.body ->> 'name', coalesce(latest.body -> 'size' ->> 'text', '')
       FROM stream CROSS JOIN LATERAL (
         SELECT body FROM fact
         WHERE fact.shop_id = stream.shop_id AND stream_id = stream.id AND fact.kind = stream.kind
         ORDER BY place DESC LIMIT 1
       ) latest
       WHERE shop_id = $1 AND stream.kind IN ('gauge', 'machine') AND lower(latest.body ->> 'name') LIKE ALL ($2::text[])
       ORDER BY stream.kind, stream.created_at DESC LIMIT ${2 * MOST}
     ) UNION ALL (
       -- Read several times for a job it is one program of it.
       SELECT 'program', stream_id, read.name, summary.summary ->> 'name'
       FROM (
         SELECT stream_id, body ->> 'name' AS name, max(recorded_at) AS at FROM fact
         WHERE shop_id = $1 AND kind = 'program' AND lower(body ->> 'name') LIKE ALL ($2::text[])
         GROUP BY stream_id, body ->> 'name'
       ) read JOIN summary USING (stream_id)
       WHERE summary.shop_id = $1
       ORDER BY read.at DESC LIMIT ${MOST}
     )`,
    [shopId, words.map(like), words.join('')],
  )
}
