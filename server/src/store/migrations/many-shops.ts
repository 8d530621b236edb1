import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What belongs to a shop and did not say so. */
const PEOPLE = ['person', 'person_change', 'session', 'join_code', 'known_device', 'secret_try']
const FACTS = ['stream', 'fact', 'frozen', 'summary', 'program_text', 'tool_now', 'tool_use']

/**
 * Many shops in one database: people and what lets them in are a shop's as its facts are, and each shop is asked for by hosts of
 * its own. Whatever a statement asks, the database shows a connection only the shop that it was told to work for, and takes
 * nothing for another (https://www.postgresql.org/docs/15/ddl-rowsecurity.html): a second lock behind the conditions of each statement.
 */
export class ManyShops1797494400000 implements MigrationInterface {
  name = 'ManyShops1797494400000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE FUNCTION shop_now() RETURNS uuid LANGUAGE sql STABLE
        AS $$ SELECT nullif(current_setting('pine.shop', true), '')::uuid $$;
      CREATE TABLE shop_host (
        host text PRIMARY KEY CHECK (host = lower(host)),
        shop_id uuid NOT NULL REFERENCES shop
      );
      ALTER TABLE person_change DISABLE TRIGGER person_change_is_written_once;
    `)
    for (const table of PEOPLE)
      await runner.query(`
        ALTER TABLE ${table} ADD COLUMN shop_id uuid REFERENCES shop;
        UPDATE ${table} SET shop_id = (SELECT id FROM shop ORDER BY created_at, id LIMIT 1);
        ALTER TABLE ${table} ALTER COLUMN shop_id SET NOT NULL, ALTER COLUMN shop_id SET DEFAULT shop_now();
      `)
    await runner.query(`
      ALTER TABLE person_change ENABLE TRIGGER person_change_is_written_once;
      DROP INDEX person_name;
      CREATE UNIQUE INDEX person_name ON person (shop_id, lower(name));
      ALTER TABLE secret_try DROP CONSTRAINT secret_try_pkey;
      ALTER TABLE secret_try ADD PRIMARY KEY (shop_id, subject);
      CREATE INDEX session_of ON session (shop_id, person_id);
      ALTER TABLE shop ENABLE ROW LEVEL SECURITY;
      -- Whoever works for none may look which there are: the server does, before it knows for whom it is asked.
      CREATE POLICY of_its_shop ON shop USING (id = shop_now() OR shop_now() IS NULL) WITH CHECK (id = shop_now());
    `)
    for (const table of [...PEOPLE, ...FACTS])
      await runner.query(`
        ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
        CREATE POLICY of_its_shop ON ${table} USING (shop_id = shop_now()) WITH CHECK (shop_id = shop_now());
      `)
  }

  /** People of several shops cannot be told apart by the tables of before. */
  async down(): Promise<void> {
    throw new Error('the tables of before know one shop: restore a backup instead')
  }
}
