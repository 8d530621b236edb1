import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The browser that a fact was entered in: what one device enters is in order, and of another's it may not have heard. */
export class DevicesOfFacts1797235200000 implements MigrationInterface {
  name = 'DevicesOfFacts1797235200000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE fact ADD COLUMN device uuid')
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE fact DROP COLUMN device')
  }
}
