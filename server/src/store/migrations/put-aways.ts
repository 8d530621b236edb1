import type { MigrationInterface, QueryRunner } from 'typeorm'

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

const known = (kinds: readonly string[]) => `
  ALTER TABLE fact DROP CONSTRAINT fact_kind_known;
  ALTER TABLE fact ADD CONSTRAINT fact_kind_known CHECK (kind IN (${kinds.map((kind) => `'${kind}'`).join(', ')}))`

/** A set-up may be put away, and taken out again. */
export class PutAways1796803200000 implements MigrationInterface {
  name = 'PutAways1796803200000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(known([...BEFORE, 'put-away']))
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(known(BEFORE))
  }
}
