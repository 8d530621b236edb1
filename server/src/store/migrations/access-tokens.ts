import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Programs that read and write in a shop: people of a kind, without a PIN, known by a token and never a lead. */
export class AccessTokens1797667200000 implements MigrationInterface {
  name = 'AccessTokens1797667200000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE person ADD COLUMN is_program boolean NOT NULL DEFAULT false;
      ALTER TABLE person ALTER COLUMN pin_hash DROP NOT NULL;
      ALTER TABLE person ADD CONSTRAINT person_has_a_pin CHECK (is_program = (pin_hash IS NULL));
      ALTER TABLE person ADD CONSTRAINT no_program_leads CHECK (NOT is_program OR role <> 'lead');
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE person DROP CONSTRAINT no_program_leads, DROP CONSTRAINT person_has_a_pin;
      UPDATE person SET pin_hash = '', left_at = coalesce(left_at, now()) WHERE is_program;
      ALTER TABLE person ALTER COLUMN pin_hash SET NOT NULL;
      ALTER TABLE person DROP COLUMN is_program;
    `)
  }
}
