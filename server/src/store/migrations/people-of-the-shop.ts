import type { MigrationInterface, QueryRunner } from 'typeorm'

/**
 * Roles, codes to join by, and tries of PINs by who tries. Whoever was here before sets up as before; the one who was
 * here first is lead.
 */
export class PeopleOfTheShop1796630400000 implements MigrationInterface {
  name = 'PeopleOfTheShop1796630400000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE person
        ADD COLUMN role text NOT NULL DEFAULT 'setter'
          CONSTRAINT person_role_known CHECK (role IN ('setter', 'lead', 'viewer')),
        ADD COLUMN left_at timestamptz,
        DROP COLUMN failed_attempts,
        DROP COLUMN locked_until;
      ALTER TABLE person ALTER COLUMN role DROP DEFAULT;
      UPDATE person SET role = 'lead'
        WHERE id = (SELECT id FROM person ORDER BY created_at, id LIMIT 1);

      CREATE TABLE person_change (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        person_id uuid NOT NULL REFERENCES person,
        change jsonb NOT NULL,
        by_id uuid NOT NULL REFERENCES person,
        at timestamptz NOT NULL
      );
      CREATE INDEX person_change_of ON person_change (person_id, at);
      CREATE TRIGGER person_change_is_written_once BEFORE UPDATE OR DELETE OR TRUNCATE ON person_change
        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
      INSERT INTO person_change (person_id, change, by_id, at)
        SELECT id, jsonb_build_object('kind', 'joined', 'role', role), id, created_at FROM person;

      CREATE TABLE join_code (
        code_hash text PRIMARY KEY,
        role text NOT NULL CHECK (role IN ('setter', 'lead', 'viewer')),
        made_by uuid NOT NULL REFERENCES person,
        expires_at timestamptz NOT NULL
      );
      CREATE TABLE known_device (
        device_hash text NOT NULL,
        person_id uuid NOT NULL REFERENCES person,
        since timestamptz NOT NULL,
        PRIMARY KEY (device_hash, person_id)
      );
      CREATE TABLE secret_try (
        subject text PRIMARY KEY,
        tries int NOT NULL,
        locked_until timestamptz
      );
    `)
  }

  /** What people were let in as cannot be told by the tables of before. */
  async down(): Promise<void> {
    throw new Error('the tables of before know no roles: restore a backup instead')
  }
}
