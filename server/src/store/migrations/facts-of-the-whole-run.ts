import type { MigrationInterface, QueryRunner } from 'typeorm'

/** More kinds of facts: what changed, what was accepted, proven, raised for an air cut, seen to. */
export class FactsOfTheWholeRun1795593600000 implements MigrationInterface {
  name = 'FactsOfTheWholeRun1795593600000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE fact DROP CONSTRAINT fact_kind_check;
      ALTER TABLE fact ADD CONSTRAINT fact_kind_check CHECK (kind IN (
        'sheet', 'reading', 'key-in', 'read-back',
        'event', 'acceptance', 'proof', 'lift', 'check-off', 'record'
      ));
    `)
  }

  /** Refused by the database while facts of the new kinds are there: they cannot be taken away. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE fact DROP CONSTRAINT fact_kind_check;
      ALTER TABLE fact ADD CONSTRAINT fact_kind_check
        CHECK (kind IN ('sheet', 'reading', 'key-in', 'read-back', 'record'));
    `)
  }
}
