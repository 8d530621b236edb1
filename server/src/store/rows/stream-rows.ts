import type { EntityManager } from 'typeorm'
import { CHANNEL } from '../changes'
import type { StreamKind } from '@pine/core/journal'
import { factEntity, streamEntity, type FactEntity } from '../entities'
import type { FactRow, NewFactRow } from './fact-row'
import type { Appended, StreamHead } from '../store'

/**
 * Holds a stream until the transaction ends. A row's own lock would need the right to alter it, which the server has not.
 */
const HELD = 'pg_advisory_xact_lock(hashtextextended(stream.shop_id::text || stream.id::text, 0))'

/** What a query tells of a stream's beginning. */
export interface HeadRow {
  readonly created_at: Date
  readonly person_id: string
  readonly name: string
}

export const streamHead = (id: string, row: HeadRow): StreamHead => ({
  id,
  createdBy: { id: row.person_id, name: row.name },
  createdAt: row.created_at,
})

/** Who began a stream and when; `held` until the transaction ends, where that is asked. */
export async function headOf(
  manager: EntityManager,
  shopId: string,
  id: string,
  { held = false } = {},
): Promise<(StreamHead & { readonly kind: string }) | undefined> {
  const [row]: readonly (HeadRow & { readonly kind: string })[] = await manager.query(
    `SELECT kind, stream.created_at, person.id AS person_id, person.name ${held ? `, ${HELD}` : ''}
     FROM stream JOIN person ON person.shop_id = stream.shop_id AND person.id = created_by
     WHERE stream.shop_id = $1 AND stream.id = $2`,
    [shopId, id],
  )
  return row && { ...streamHead(id, row), kind: row.kind }
}

export type KeptFact = Pick<
  FactEntity,
  'id' | 'kind' | 'body' | 'via' | 'place' | 'seen' | 'device'
> & {
  readonly stream_id: string
  readonly recorded_at: Date
  readonly person_id: string
  readonly name: string
}

export const SELECT_FACTS = `SELECT fact.id, stream_id, place, kind, body, via, seen, device, recorded_at, person_id, person.name
  FROM fact JOIN person ON person.shop_id = fact.shop_id AND person.id = person_id`

/** The facts of a stream from a place on, asked plainly: there may be thousands of them. */
export async function factsOf(
  manager: EntityManager,
  shopId: string,
  streamId: string,
  from: number,
): Promise<readonly FactRow[]> {
  const rows: readonly KeptFact[] = await manager.query(
    `${SELECT_FACTS} WHERE fact.shop_id = $1 AND stream_id = $2 AND place >= $3 ORDER BY place`,
    [shopId, streamId, from],
  )
  return rows.map(factRow)
}

export const factRow = ({
  id,
  kind,
  body,
  via,
  seen,
  device,
  recorded_at,
  person_id,
  name,
}: KeptFact): FactRow => ({
  id,
  kind,
  body,
  via,
  by: { id: person_id, name },
  recordedAt: recorded_at,
  ...(seen !== null && { seen }),
  ...(device !== null && { device }),
})

interface FactToWrite extends Appended {
  readonly shopId: string
  readonly stream: StreamHead
  readonly place: number
}

/** Tells every process of the fact once it is written: changes.ts. */
const notifySql = (kind: string): string =>
  `pg_notify('${CHANNEL}', concat_ws(' ', $1::text, ${kind}, $2::text, $3::text))`

/** What a set-up tells of tools from now on: parameters of a JSON array of uses, and of the set-up's id. */
export const keepUses = (uses: string, setup: string): string =>
  `INSERT INTO tool_use (shop_id, tool_id, setup_id, at, use)
   SELECT $1, (use ->> 'assembly')::uuid, ${setup}::uuid, (use ->> 'at')::timestamptz, use FROM jsonb_array_elements(${uses}::jsonb) AS use
   ON CONFLICT (shop_id, tool_id, setup_id) DO UPDATE SET at = EXCLUDED.at, use = EXCLUDED.use`

/**
 * A fact, what it freezes and what the list shows of its set-up from now on, in one statement, which a person waits for.
 * That nothing stands at its place is the primary key's business: of two who write there one fails.
 */
export async function writeFact(
  manager: EntityManager,
  { shopId, stream, place, fact, summary, frozen, uses }: FactToWrite,
): Promise<void> {
  const { id, kind, body, via, personId, recordedAt, seen, device } = fact
  await manager.query(
    `WITH written AS (
       INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at, seen, device)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $12, $15)
     ), kept AS (
       INSERT INTO frozen (shop_id, fact_id, content) SELECT $1, $4, $13::jsonb WHERE $13 IS NOT NULL
     ), told AS (
       ${keepUses('$14', '$2')}
     )
     INSERT INTO summary (shop_id, stream_id, summary, created_at) VALUES ($1, $2, $10, $11)
     ON CONFLICT (shop_id, stream_id) DO UPDATE SET summary = EXCLUDED.summary
     RETURNING ${notifySql("'setup'")}`,
    [
      ...[shopId, stream.id, place, id, kind, body, via, personId, recordedAt],
      ...[summary, stream.createdAt, seen, frozen, uses && JSON.stringify(uses), device],
    ],
  )
}

/** Begins a stream; its first fact is written beside it. */
export async function beginStream(
  manager: EntityManager,
  shopId: string,
  { id, kind }: { readonly id: string; readonly kind: string },
  { personId, recordedAt }: Pick<NewFactRow, 'personId' | 'recordedAt'>,
): Promise<void> {
  await manager.insert(streamEntity, {
    shopId,
    id,
    kind: kind as StreamKind,
    createdBy: personId,
    createdAt: recordedAt,
  })
}

export async function insertFact(
  manager: EntityManager,
  shopId: string,
  streamId: string,
  place: number,
  fact: NewFactRow,
): Promise<void> {
  await manager.insert(factEntity, { shopId, streamId, place, ...fact })
}

/** Tells of a fact that begins a stream, or declares anew. */
export async function notifyDeclared(
  manager: EntityManager,
  shopId: string,
  { id, kind }: { readonly id: string; readonly kind: string },
  place: number,
): Promise<void> {
  await manager.query(`SELECT ${notifySql('$4::text')}`, [shopId, id, place, kind])
}
