import type { DataSource } from 'typeorm'
import { factRow, SELECT_FACTS, type KeptFact } from './stream-rows'
import { ofMachine } from './summary-rows'
import type { MachineStore } from '../machine-store'

/** What a control holds is told by the last set-ups on it: what none of so many keyed, nobody relies on. */
const KEYED_SETUPS = 60

/** Machines over time, in PostgreSQL. */
export function machineRows(source: DataSource, shopId: string): MachineStore {
  return {
    async machineFacts(machine) {
      const rows: readonly KeptFact[] = await source.query(
        `${SELECT_FACTS} WHERE fact.shop_id = $1 AND stream_id = $2 AND kind IN ('machine', 'reversal-test') ORDER BY place DESC`,
        [shopId, machine],
      )
      return rows.map(factRow)
    },
    partsMeasured({ id, name }, job) {
      return source.query(
        `SELECT fact.stream_id AS setup, recorded_at AS at, person.name AS by, body
         FROM (
           SELECT stream_id FROM summary
           WHERE shop_id = $1 AND ${ofMachine('$2', '$3')} AND summary ->> 'name' = $4
           ORDER BY created_at DESC LIMIT ${KEYED_SETUPS}
         ) last
         JOIN fact ON fact.shop_id = $1 AND fact.stream_id = last.stream_id
         JOIN person ON person.shop_id = fact.shop_id AND person.id = person_id
         WHERE (kind = 'check-off' AND body ->> 'of' = 'first-part')
           OR (kind = 'event' AND body ->> 'kind' = 'corrected')
         ORDER BY recorded_at, fact.stream_id, place`,
        [shopId, id, name, job],
      )
    },
    offsetsOf({ id, name }) {
      return source.query(
        // Across set-ups only the clock of this server tells what was keyed last; within one, its place does.
        `SELECT DISTINCT ON (body ->> 'address') body ->> 'address' AS address,
           -- What was typed is what stands there only where it overwrites: a difference or a position is another number.
           CASE WHEN kind = 'read-back' THEN body -> 'shown' WHEN body ->> 'mode' = 'set' THEN body -> 'typed' END AS shown, kind = 'read-back' AS seen,
           recorded_at AS at, person.name AS by, last.stream_id AS setup, last.name
         FROM (
           SELECT stream_id, summary ->> 'name' AS name FROM summary
           WHERE shop_id = $1 AND ${ofMachine('$2', '$3')}
           ORDER BY created_at DESC LIMIT ${KEYED_SETUPS}
         ) last
         JOIN fact ON fact.shop_id = $1 AND fact.stream_id = last.stream_id
         JOIN person ON person.shop_id = fact.shop_id AND person.id = person_id
         WHERE kind = 'key-in' OR kind = 'read-back'
         ORDER BY body ->> 'address', recorded_at DESC, place DESC`,
        [shopId, id, name],
      )
    },
  }
}
