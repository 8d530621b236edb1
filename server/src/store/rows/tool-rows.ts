import type { DataSource, EntityManager } from 'typeorm'
import type { TipMoment, ToolAssembly } from '@pine/core/shop'
import type { AssemblyUse } from '@pine/core/running'
import { ofMachine } from './summary-rows'
import { like } from './search-rows'
import { factRow, SELECT_FACTS } from './stream-rows'
import type { KeptFact } from './stream-rows'
import type { MachineHappening, ToolRow, ToolStore } from '../tool-store'

interface DeclaredTool {
  readonly tool_id: string
  readonly declared: ToolAssembly
  readonly retired: boolean
  readonly displaced?: boolean
}

const rowOf = ({ tool_id, declared, retired, displaced }: DeclaredTool): ToolRow => ({
  id: tool_id,
  tool: declared,
  retired,
  ...(displaced && { displaced }),
})

/** Whether another tool in use was put into its pocket later. */
const IS_DISPLACED = `EXISTS (
  SELECT FROM tool_now later
  WHERE later.shop_id = tool_now.shop_id AND later.machine_id = tool_now.machine_id AND later.pocket = tool_now.pocket
    AND NOT later.retired AND later.tool_id <> tool_now.tool_id AND later.placed_at > tool_now.placed_at
) AS displaced`

/** The tools that a page is asked of: $2 out of use or not, $3 the machine, $4 words of the name, $7 the end of an id. */
const ASKED = `shop_id = $1 AND retired = $2 AND ($3::uuid IS NULL OR machine_id = $3)
  AND (lower(name) LIKE ALL ($4::text[]) OR right(tool_id::text, 8) = lower($7))`

/** A set-up that is worked on: neither put away, nor released and left as it was. */
const IS_OPEN = `summary ->> 'away' IS NULL AND summary ->> 'nextStation' IS NOT NULL`

/** The tools of a shop over time, on PostgreSQL. */
export function toolRows(source: DataSource, shopId: string): ToolStore {
  return {
    async beginTools(tools, personId, at) {
      // Of hundreds of tools of a sheet each is a stream of its own: one statement begins them all.
      await source.query(
        `WITH begun AS (
           INSERT INTO stream (shop_id, id, kind, created_by, created_at)
           SELECT $1, (one ->> 'id')::uuid, 'tool', $3, $4 FROM jsonb_array_elements($2::jsonb) AS one
           ON CONFLICT DO NOTHING RETURNING id
         ), declared AS (
           INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
           SELECT $1, begun.id, 0, (one ->> 'factId')::uuid, 'tool', one -> 'tool', 'typed', $3, $4
           FROM begun JOIN jsonb_array_elements($2::jsonb) AS one ON (one ->> 'id')::uuid = begun.id
         )
         INSERT INTO tool_now (shop_id, tool_id, name, machine_id, pocket, retired, declared, placed_at)
         SELECT $1, begun.id, one -> 'tool' ->> 'name', (one -> 'tool' -> 'place' ->> 'machine')::uuid,
           (one -> 'tool' -> 'place' ->> 'pocket')::int, false, one -> 'tool', $4
         FROM begun JOIN jsonb_array_elements($2::jsonb) AS one ON (one ->> 'id')::uuid = begun.id`,
        [shopId, JSON.stringify(tools), personId, at],
      )
    },
    async renewTools() {
      await source.query(
        `INSERT INTO tool_now (shop_id, tool_id, name, machine_id, pocket, retired, declared, placed_at)
         SELECT $1, stream.id, body ->> 'name', (body -> 'place' ->> 'machine')::uuid, (body -> 'place' ->> 'pocket')::int,
           coalesce((body ->> 'retired')::boolean, false), body - 'reason' - 'retired' - 'imported', latest.recorded_at
         FROM stream CROSS JOIN LATERAL (
           SELECT body, recorded_at FROM fact
           WHERE fact.shop_id = stream.shop_id AND stream_id = stream.id AND fact.kind = 'tool'
           ORDER BY place DESC LIMIT 1
         ) latest
         WHERE stream.shop_id = $1 AND stream.kind = 'tool'
         ON CONFLICT (shop_id, tool_id) DO UPDATE SET name = EXCLUDED.name, machine_id = EXCLUDED.machine_id,
           pocket = EXCLUDED.pocket, retired = EXCLUDED.retired, declared = EXCLUDED.declared, placed_at = EXCLUDED.placed_at`,
        [shopId],
      )
    },
    async toolPage({ find, machine, retired, from, most }) {
      const rows: readonly (DeclaredTool & { readonly total: string })[] = await source.query(
        // Counted apart: with a count over the rows the index by name does not end at the page, and every tool is asked whether it was displaced.
        `SELECT tool_id, declared, retired, ${IS_DISPLACED}, (SELECT count(*) FROM tool_now WHERE ${ASKED}) AS total
         FROM (
           SELECT * FROM tool_now WHERE ${ASKED}
           ORDER BY lower(name) COLLATE by_number, tool_id LIMIT $5 OFFSET $6
         ) tool_now
         ORDER BY lower(name) COLLATE by_number, tool_id`,
        [shopId, retired, machine ?? null, find.map(like), most, from, find.join('')],
      )
      return { rows: rows.map(rowOf), total: Number(rows[0]?.total ?? 0) }
    },
    async toolsById(ids) {
      const rows: readonly DeclaredTool[] = await source.query(
        `SELECT tool_id, declared, retired, ${IS_DISPLACED} FROM tool_now WHERE shop_id = $1 AND tool_id = ANY ($2::uuid[])`,
        [shopId, ids],
      )
      return rows.map(rowOf)
    },
    async inPockets(machine) {
      const rows: readonly DeclaredTool[] = await source.query(
        `SELECT DISTINCT ON (pocket) tool_id, declared, retired FROM tool_now
         WHERE shop_id = $1 AND machine_id = $2 AND NOT retired ORDER BY pocket, placed_at DESC, tool_id`,
        [shopId, machine],
      )
      return rows.map(rowOf)
    },
    // What is told to several set-ups at once stands at one moment: of those the one that began last comes first.
    async toolUses(tools, most) {
      const rows: readonly { readonly tool_id: string; readonly use: AssemblyUse }[] =
        await source.query(
          `SELECT asked.id AS tool_id, youngest.use
           FROM unnest($2::uuid[]) AS asked(id) CROSS JOIN LATERAL (
             SELECT use, at, setup_id FROM tool_use WHERE shop_id = $1 AND tool_id = asked.id
             ORDER BY at DESC, setup_id DESC LIMIT $3
           ) youngest
           ORDER BY asked.id, youngest.at DESC, youngest.setup_id DESC`,
          [shopId, tools, most],
        )
      const byTool = new Map<string, AssemblyUse[]>()
      for (const { tool_id, use } of rows)
        byTool.set(tool_id, [...(byTool.get(tool_id) ?? []), use])
      return byTool
    },
    async toolEvents(tools) {
      const rows: readonly KeptFact[] = await source.query(
        `${SELECT_FACTS} WHERE fact.shop_id = $1 AND kind = 'tool-event' AND stream_id = ANY ($2::uuid[])
         ORDER BY stream_id, place`,
        [shopId, tools],
      )
      return rows.map((row) => ({ streamId: row.stream_id, fact: factRow(row) }))
    },
    async tipMoments(machine, setups) {
      const rows: readonly { readonly moments: readonly TipMoment[] }[] = await source.query(
        `SELECT json_agg(json_build_object('at', extract(epoch FROM recorded_at) * 1000, 'with', body -> 'with') ORDER BY place) AS moments
         FROM (
           SELECT stream_id FROM summary WHERE shop_id = $1 AND summary ->> 'machineId' = $2
           ORDER BY created_at DESC LIMIT $3
         ) last JOIN fact USING (stream_id)
         WHERE shop_id = $1 AND kind = 'reading' AND body ->> 'of' IN ('tip-on-plane', 'tip-on-part')
           AND NOT body ? 'kept'
         GROUP BY stream_id`,
        [shopId, machine, setups],
      )
      return rows.map(({ moments }) => moments)
    },
    openUsesOf: (tool) =>
      source.query(
        `SELECT setup_id AS setup, (use ->> 'number')::int AS number
         FROM tool_use JOIN summary ON summary.shop_id = tool_use.shop_id AND stream_id = setup_id
         WHERE tool_use.shop_id = $1 AND tool_id = $2 AND ${IS_OPEN} ORDER BY setup_id`,
        [shopId, tool],
      ),
    async openOn(machine, plane) {
      const rows: readonly { readonly id: string }[] = await source.query(
        `SELECT stream_id AS id FROM summary CROSS JOIN LATERAL (
           SELECT body ->> 'plane' AS plane FROM fact
           WHERE fact.shop_id = summary.shop_id AND fact.stream_id = summary.stream_id AND kind = 'sheet'
           ORDER BY place DESC LIMIT 1
         ) sheet
         WHERE shop_id = $1 AND ${ofMachine('$2', '$4')} AND ${IS_OPEN}
           AND ($3::text IS NULL OR lower(trim(sheet.plane)) = lower(trim($3)))
         ORDER BY stream_id`,
        [shopId, machine.id, plane ?? null, machine.name],
      )
      return rows.map(({ id }) => id)
    },
    async happenedTo(machines, since) {
      const rows: readonly {
        readonly machine: string
        readonly what: MachineHappening['what']
        readonly at: Date
        readonly name: string
        readonly plane: string | null
        readonly setup: string | null
      }[] = await source.query(
        `SELECT machine.id AS machine, fact.body ->> 'kind' AS what, fact.recorded_at AS at,
           sheet.body ->> 'name' AS name, sheet.body ->> 'plane' AS plane, fact.stream_id AS setup
         FROM fact CROSS JOIN LATERAL (
           SELECT body FROM fact latest
           WHERE latest.shop_id = fact.shop_id AND latest.stream_id = fact.stream_id AND latest.kind = 'sheet'
           ORDER BY place DESC LIMIT 1
         ) sheet
         JOIN unnest($2::text[], $3::text[]) AS machine(id, name)
           ON machine.id = sheet.body ->> 'machineId'
           OR sheet.body ->> 'machineId' IS NULL AND machine.name = sheet.body -> 'machine' ->> 'name'
         WHERE fact.shop_id = $1 AND fact.kind = 'event' AND fact.recorded_at > $4
           AND fact.body ->> 'kind' IN ('plane-moved', 'home-lost')
         UNION ALL
         SELECT fact.stream_id::text, fact.body ->> 'what', fact.recorded_at, fact.body ->> 'note', fact.body ->> 'plane', NULL
         FROM fact WHERE fact.shop_id = $1 AND fact.kind = 'machine-event'
           AND fact.stream_id = ANY ($2::uuid[]) AND fact.recorded_at > $4
         ORDER BY at DESC`,
        [shopId, machines.map(({ id }) => id), machines.map(({ name }) => name), since],
      )
      return rows.map(({ machine, what, at, name, plane, setup }) => ({
        machine,
        what,
        at: at.toISOString(),
        name,
        ...(plane !== null && { plane }),
        ...(setup !== null && { setup }),
      }))
    },
  }
}

/** A tool as it stands in the list from now on. */
export async function keepTool(
  manager: EntityManager,
  shopId: string,
  { id, tool, retired }: ToolRow,
  at: Date,
): Promise<void> {
  const { machine, pocket } = tool.place ?? {}
  await manager.query(
    `INSERT INTO tool_now (shop_id, tool_id, name, machine_id, pocket, retired, declared, placed_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
     ON CONFLICT (shop_id, tool_id) DO UPDATE SET name = EXCLUDED.name, machine_id = EXCLUDED.machine_id,
       pocket = EXCLUDED.pocket, retired = EXCLUDED.retired, declared = EXCLUDED.declared, placed_at = EXCLUDED.placed_at`,
    [shopId, id, tool.name, machine ?? null, pocket ?? null, retired, tool, at],
  )
}
