import type { MigrationInterface, QueryRunner } from 'typeorm'

/** People, the shop's machines and gauges, set-ups and their facts. */
export class FirstTables1772438400000 implements MigrationInterface {
  name = 'FirstTables1772438400000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE person (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(trim(name)) > 0),
        pin_hash text NOT NULL,
        failed_attempts int NOT NULL DEFAULT 0,
        locked_until timestamptz,
        created_at timestamptz NOT NULL
      );
      CREATE UNIQUE INDEX person_name ON person (lower(name));

      CREATE TABLE session (
        token_hash text PRIMARY KEY,
        person_id uuid NOT NULL REFERENCES person,
        created_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL
      );

      CREATE TABLE machine (
        id uuid PRIMARY KEY, declaration jsonb NOT NULL,
        created_by uuid NOT NULL REFERENCES person, created_at timestamptz NOT NULL
      );
      CREATE TABLE gauge (
        id uuid PRIMARY KEY, declaration jsonb NOT NULL,
        created_by uuid NOT NULL REFERENCES person, created_at timestamptz NOT NULL
      );

      CREATE TABLE setup (
        id uuid PRIMARY KEY,
        created_by uuid NOT NULL REFERENCES person,
        created_at timestamptz NOT NULL
      );
      CREATE TABLE fact (
        id uuid PRIMARY KEY,
        setup_id uuid NOT NULL REFERENCES setup,
        sequence bigint GENERATED ALWAYS AS IDENTITY,
        kind text NOT NULL CHECK (kind IN ('sheet', 'reading', 'key-in', 'read-back', 'record')),
        body jsonb NOT NULL,
        person_id uuid NOT NULL REFERENCES person,
        recorded_at timestamptz NOT NULL
      );
      CREATE INDEX fact_of_setup ON fact (setup_id, sequence);
    `)
    // A fact that could be changed would be no record: the database refuses, whoever asks.
    await runner.query(`
      CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'rows of % are written once: supersede a fact instead of changing it', TG_TABLE_NAME
          USING ERRCODE = 'restrict_violation';
      END $$;
      CREATE TRIGGER fact_is_written_once BEFORE UPDATE OR DELETE OR TRUNCATE ON fact
        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
      CREATE TRIGGER setup_is_written_once BEFORE UPDATE OR DELETE OR TRUNCATE ON setup
        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE fact, setup, gauge, machine, session, person;
      DROP FUNCTION refuse_change();
    `)
  }
}
