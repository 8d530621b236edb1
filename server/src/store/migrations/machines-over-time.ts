import type { MigrationInterface, QueryRunner } from 'typeorm'
import { knownKinds } from './known-kinds'

const BEFORE = [
  'sheet',
  'reading',
  'key-in',
  'read-back',
  'event',
  'acceptance',
  'proof',
  'lift',
  'check-off',
  'program',
  'program-check',
  'record',
  'put-away',
  'machine',
  'gauge',
  'tool',
  'gauge-check',
  'tool-event',
  'machine-event',
]

/**
 * How a machine's lost motion was found is a fact of its stream. Programs are found by their names, and the set-ups of a machine
 * by the youngest, each without reading the others.
 */
export class MachinesOverTime1797062400000 implements MigrationInterface {
  name = 'MachinesOverTime1797062400000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds([...BEFORE, 'reversal-test']))
    await runner.query(`
      CREATE INDEX fact_of_programs ON fact (shop_id, recorded_at DESC) WHERE kind = 'program';
      CREATE INDEX summary_by_machine ON summary (shop_id, (summary ->> 'machineId'), created_at DESC);
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX summary_by_machine, fact_of_programs')
    await runner.query(knownKinds(BEFORE))
  }
}
