import type { EntityManager } from 'typeorm'
import type { SetupSummary } from '@pine/contract'
import type { CheckRow, GaugeUseRow } from '../store'
import { factRow, SELECT_FACTS, type KeptFact } from './stream-rows'

/** Checks in the order of their streams: of one gauge, or of all. */
export async function checksOf(
  manager: EntityManager,
  shopId: string,
  gaugeId: string | undefined,
): Promise<readonly CheckRow[]> {
  const rows: readonly KeptFact[] = await manager.query(
    `${SELECT_FACTS} WHERE fact.shop_id = $1 AND kind = 'gauge-check' AND ($2::uuid IS NULL OR stream_id = $2)
     ORDER BY stream_id, place`,
    [shopId, gaugeId ?? null],
  )
  return rows.map((row) => ({ gaugeId: row.stream_id, fact: factRow(row) }))
}

/** When it was read, in whichever set-up that was: what is taken over was read before. */
const READ_AT = `coalesce((body -> 'kept' ->> 'at')::timestamptz, recorded_at)`

/**
 * Set-ups in which a gauge lay at a reading that was recorded after a moment, at either of its ends. What came first in different
 * streams only the clock of this server tells: no place does.
 *
 * @param most so many of the youngest; all of them where it is not said.
 */
export async function usesOf(
  manager: EntityManager,
  shopId: string,
  gaugeId: string,
  since: Date,
  most: number | undefined,
): Promise<readonly GaugeUseRow[]> {
  const rows: readonly {
    readonly summary: SetupSummary
    readonly first: Date
    readonly readings: string
    readonly last_good: string | null
    readonly told: boolean
  }[] = await manager.query(
    `SELECT summary.summary, used.first, used.readings,
       (SELECT good.id FROM fact good WHERE good.shop_id = $1 AND good.stream_id = used.stream_id
          AND good.kind = 'reading' AND good.recorded_at <= $3 ORDER BY good.place DESC LIMIT 1) AS last_good,
       EXISTS (SELECT FROM fact said WHERE said.shop_id = $1 AND said.stream_id = used.stream_id
          AND said.kind = 'event' AND said.body ->> 'kind' = 'check-failed' AND said.body ->> 'gauge' = $2
          AND said.recorded_at > used.last) AS told
     FROM (
       SELECT stream_id, min(${READ_AT}) AS first, max(recorded_at) AS last, count(*) AS readings FROM fact
       WHERE shop_id = $1 AND kind = 'reading' AND ${READ_AT} > $3 AND (
         body -> 'with' @> to_jsonb($2::text) OR body -> 'withOnPlane' @> to_jsonb($2::text)
         OR body -> 'withOnFrom' @> to_jsonb($2::text)
       )
       GROUP BY stream_id
     ) used JOIN summary ON summary.shop_id = $1 AND summary.stream_id = used.stream_id
     ORDER BY used.first DESC LIMIT $4`,
    [shopId, gaugeId, since, most ?? null],
  )
  return rows.map(({ summary, first, readings, last_good, told }) => ({
    summary,
    from: first,
    readings: Number(readings),
    told,
    ...(last_good !== null && { lastGood: last_good }),
  }))
}
