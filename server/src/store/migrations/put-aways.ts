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
  'machine',
  'gauge',
  'tool',
]

/** A set-up may be put away, and taken out again. */
export class PutAways1796803200000 implements MigrationInterface {
  name = 'PutAways1796803200000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds([...BEFORE, 'put-away']))
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds(BEFORE))
  }
}
