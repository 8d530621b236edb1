import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Two more kinds of facts: the program that was read, and the file at the machine held against it. */
export class FactsOfPrograms1795939200000 implements MigrationInterface {
  name = 'FactsOfPrograms1795939200000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE fact DROP CONSTRAINT fact_kind_check;
      ALTER TABLE fact ADD CONSTRAINT fact_kind_check CHECK (kind IN (
        'sheet', 'reading', 'key-in', 'read-back', 'event', 'acceptance', 'proof', 'lift',
        'check-off', 'program', 'program-check', 'record'
      ));
    `)
  }

  /** Refused by the database while facts of the new kinds are there: they cannot be taken away. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE fact DROP CONSTRAINT fact_kind_check;
      ALTER TABLE fact ADD CONSTRAINT fact_kind_check CHECK (kind IN (
        'sheet', 'reading', 'key-in', 'read-back',
        'event', 'acceptance', 'proof', 'lift', 'check-off', 'record'
      ));
    `)
  }
}
