import type { EntityManager } from 'typeorm'
import type { SetupJson } from '../store'
import { streamHead, type HeadRow } from './stream-rows'

/**
 * A set-up with its facts as a file tells them (`setupFactSchema`), put together where they lie: whoever only opens one has them
 * neither read nor written again on the way. Undefined where there is no such set-up.
 */
export async function setupJson(
  manager: EntityManager,
  shopId: string,
  id: string,
): Promise<SetupJson | undefined> {
  const [row]: readonly (HeadRow & { readonly facts: string })[] = await manager.query(
    `SELECT stream.created_at, created_by AS person_id, person.name, told.facts
     FROM stream JOIN person ON person.shop_id = stream.shop_id AND person.id = created_by CROSS JOIN LATERAL (
       SELECT string_agg(concat(
         '{"id":"', fact.id, '","kind":"', kind, '","by":{"id":"', person_id, '","name":', to_json(name), '},"at":"',
         to_char(recorded_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), '","via":"', via, '",',
         '"seen":' || seen || ',', '"device":"' || device || '",', '"body":', body, '}'), ',' ORDER BY place) AS facts
       FROM fact JOIN person ON person.shop_id = fact.shop_id AND person.id = person_id WHERE fact.shop_id = $1 AND stream_id = $2
     ) told
     WHERE stream.shop_id = $1 AND stream.id = $2 AND stream.kind = 'setup'`,
    [shopId, id],
  )
  return row && { head: streamHead(id, row), facts: `[${row.facts}]` }
}
