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
  'reversal-test',
]

/** Whoever leaves a set-up may write a few words to whoever goes on with it. */
export class Notes1797580800000 implements MigrationInterface {
  name = 'Notes1797580800000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds([...BEFORE, 'note']))
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds(BEFORE))
  }
}
