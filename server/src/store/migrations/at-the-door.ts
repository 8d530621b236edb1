import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * A code that nobody has made, for the first person of an empty product; how long a PIN is, because a lead's is longer; and
 * whether the people of a product are the demonstration's, whose PIN is published; and when a try was counted last.
 */
export class AtTheDoor1797321600000 implements MigrationInterface {
  name = 'AtTheDoor1797321600000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE join_code ALTER COLUMN made_by DROP NOT NULL;
      ALTER TABLE person ADD COLUMN pin_digits smallint;
      ALTER TABLE shop ADD COLUMN demo boolean;
      ALTER TABLE secret_try ADD COLUMN counted_at timestamptz;
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DELETE FROM join_code WHERE made_by IS NULL;
      ALTER TABLE join_code ALTER COLUMN made_by SET NOT NULL;
      ALTER TABLE person DROP COLUMN pin_digits;
      ALTER TABLE shop DROP COLUMN demo;
      ALTER TABLE secret_try DROP COLUMN counted_at;
    `)
  }
}
