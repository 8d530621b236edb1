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
]

/** Gauges are checked against their masters; what was read with one is looked up when a check was not good. */
export class GaugeChecks1796889600000 implements MigrationInterface {
  name = 'GaugeChecks1796889600000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds([...BEFORE, 'gauge-check']))
    await runner.query(`
      CREATE INDEX fact_of_gauge_checks ON fact (shop_id, stream_id, place) WHERE kind = 'gauge-check';
      -- Among hundreds of thousands of readings, those that a gauge lay at.
      CREATE INDEX fact_by_gauge ON fact USING gin ((body -> 'with') jsonb_path_ops) WHERE kind = 'reading';
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX fact_by_gauge; DROP INDEX fact_of_gauge_checks')
    await runner.query(knownKinds(BEFORE))
  }
}
